'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { springRate } from '@/core/physics/axles';
import { formatQuantity } from '@/core/quantities';
import { supplyPowerW } from '@/core/stations/survey';
import { massesOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { FigureRow } from '@/ui/figure-row';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { FigureSetting } from '../shell/figure-setting';
import { SupplyFields } from '../shell/supply-fields';

/** Weighed and measured on its wheels. */
export function ChassisPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const masses = massesOf(vehicle);
  const rows = (figures: readonly Parameters<typeof FigureSetting>[0]['figure'][]) =>
    figures.map((figure) => <FigureSetting key={figure} build={build} figure={figure} />);
  return (
    <Panel title="On its wheels" about="two bathroom scales and a plank will do; springs are both of an axle">
      <div className="grid gap-x-8 min-[560px]:grid-cols-2 min-[1080px]:grid-cols-3">
        <div>{rows(['foundMass', 'foundFront', 'strippedMass', 'strippedFront', 'payloadX'])}</div>
        <div>{rows(['frontLimit', 'rearLimit', 'frontSpring', 'rearSpring', 'frontClearance', 'rearClearance'])}</div>
        <div>{rows(['track', 'width', 'height', 'frontOverhang', 'rearOverhang'])}</div>
      </div>
      {masses.builtKg !== null && (
        <div className="mt-2 flex items-center gap-3">
          <div className="flex-1">
            <FigureRow label="Stripped and built in" value={masses.builtKg} dimension="mass" system={build.units} />
          </div>
          {Math.abs(masses.builtKg - (build.vehicle.massEmptyKg ?? 0)) > 1 && (
            <Action
              onPress={() =>
                dispatch({ edit: 'setFigure', input: { figure: 'massEmpty', value: Math.round(masses.builtKg!) } })
              }
            >
              Take it as the empty mass
            </Action>
          )}
        </div>
      )}
      <SpringRate assessment={assessment} />
    </Panel>
  );
}

/** A spring rate from a load that lowered it by so much. */
function SpringRate({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [loadKg, setLoad] = useState(80);
  const [downM, setDown] = useState(0.02);
  const system = assessment.build.units;
  const rate = springRate(loadKg, Math.max(downM, 1e-4));
  const adopt = (figure: 'frontSpring' | 'rearSpring') =>
    dispatch({ edit: 'setFigure', input: { figure, value: Math.round(rate) } });
  return (
    <Fold className="mt-2" head="Measure a spring rate: this load lowered the axle by so much">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <QuantityField label="Load over the axle" value={loadKg} dimension="mass" system={system} onCommit={setLoad} />
        <QuantityField label="It went down" value={downM} dimension="length" system={system} onCommit={setDown} />
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <span>
          <b className="font-semibold">{formatQuantity({ value: rate, dimension: 'springRate' }, system, 3).text}</b>
        </span>
        <Action onPress={() => adopt('frontSpring')}>for the front</Action>
        <Action onPress={() => adopt('rearSpring')}>for the rear</Action>
      </div>
    </Fold>
  );
}

/** Where it is plugged in at night. */
export function SupplyPanel({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  return (
    <Panel title="Supply at home" about="a socket gives four fifths of its breaker continuously">
      <SupplyFields build={build} />
      <FigureRow label="Continuous supply" value={supplyPowerW(build)} dimension="power" system={build.units} />
    </Panel>
  );
}
