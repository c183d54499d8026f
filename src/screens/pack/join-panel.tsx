'use client';
import type { Assessment } from '@/core/assess';
import type { SecondPack } from '@/core/build';
import { openCircuitVoltage } from '@/core/physics/cell';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { secondStringEdit } from '@/core/remedies';
import { socAt, tripPack } from '@/core/simulate';
import { joinAdvice } from '@/core/stations/pack';
import { partOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { VerdictMark } from '@/ui/verdict-mark';

/** Cable, fuse and contactor between two packs, Ω (generic). */
const JOINT_OHM = 0.002;

/** A second pack of the same cells beside this one: may the two be closed on each other as they stand? */
export function JoinPanel({ assessment }: { assessment: Assessment }) {
  const pack = tripPack(assessment.vehicle);
  const dispatch = useBench((bench) => bench.dispatch);
  // What was told of it stays with the build.
  const kept = assessment.build.secondPack ?? {};
  const { socA = 0.69, socB = 0.61 } = kept;
  /** By meter, open, V: the charge follows from them. */
  const read = { a: kept.readAV ?? null, b: kept.readBV ?? null };
  const set = (input: { readonly [K in keyof SecondPack]?: number | null }) =>
    dispatch({ edit: 'setSecondPack', input });
  if (!pack) return null;
  const system = assessment.build.units;
  const ownAh = pack.capacityC / 3600;
  const cellAh =
    partOf(
      assessment.vehicle.devices.find(({ device }) => device.kind === 'box'),
      'cell',
    )?.capacityAh ?? ownAh;
  const ownOhm = pack.cellsOhm + pack.otherOhm;
  const second = {
    ah: kept.ah ?? Math.round(ownAh / 2),
    ohm: kept.ohm ?? Math.round(ownOhm * 2 * 1e4) / 1e4,
  };
  const told = kept.ah !== undefined || kept.ohm !== undefined;
  // So many of the same cells, where that is what was told.
  const wholes = Math.round(second.ah / cellAh);
  const same = !told && wholes >= 1 && Math.abs(second.ah / cellAh - wholes) < 0.01 ? wholes : null;
  const [leastV, mostV] = [0, 1].map((soc) => pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc)) as [
    number,
    number,
  ];
  const plausible = (volts: number) => volts >= leastV && volts <= mostV;
  const wrong = [read.a, read.b].some((volts) => volts !== null && !plausible(volts));
  const advice = joinAdvice({
    chemistry: pack.chemistry,
    cellsInSeries: pack.cellsInSeries,
    capacityAAh: ownAh,
    capacityBAh: second.ah,
    resistanceAOhm: ownOhm,
    resistanceBOhm: second.ohm,
    jointOhm: JOINT_OHM,
    socA,
    socB,
  });
  const text = (value: number, dimension: Dimension) => formatQuantity({ value, dimension }, system, 3).text;
  const share = (value: number) => Math.min(1, Math.max(0, value));
  return (
    <Panel title="A second pack beside it" about={`of ${pack.cellsInSeries} of the same cells in series`}>
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <QuantityField
          label="Second pack, Ah"
          dimension="count"
          system={system}
          value={second.ah}
          onCommit={(ah) => set({ ah: Math.max(0.1, ah) })}
        />
        <QuantityField
          label="Inside it"
          dimension="resistance"
          system={system}
          value={second.ohm}
          onCommit={(ohm) => set({ ohm: Math.max(1e-6, ohm) })}
        />
        <QuantityField
          label="This pack is charged to"
          dimension="ratio"
          unit="%"
          system={system}
          value={socA}
          onCommit={(value) => set({ socA: share(value), readAV: null })}
        />
        <QuantityField
          label="The second one to"
          dimension="ratio"
          unit="%"
          system={system}
          value={socB}
          onCommit={(value) => set({ socB: share(value), readBV: null })}
        />
        {(['a', 'b'] as const).map((which) => (
          <QuantityField
            key={which}
            label={which === 'a' ? '… or reads, open' : 'The second one reads'}
            dimension="voltage"
            system={system}
            value={read[which]}
            empty="not read"
            note={
              pack.chemistry === 'lfp' && read[which] !== null
                ? 'iron phosphate: between a fifth and nine tenths the voltage tells little of the charge'
                : ''
            }
            onCommit={(volts) => {
              // What no such pack reads tells nothing of its charge.
              const soc = plausible(volts)
                ? { [which === 'a' ? 'socA' : 'socB']: share(socAt(pack.chemistry, volts / pack.cellsInSeries)) }
                : {};
              set({ [which === 'a' ? 'readAV' : 'readBV']: volts, ...soc });
            }}
          />
        ))}
      </div>
      {wrong ? (
        <p className="mt-3 text-fails" role="alert">
          {pack.cellsInSeries} such cells in series rest between {text(leastV, 'voltage')} and {text(mostV, 'voltage')}:
          read again, or it is another pack. Close nothing.
        </p>
      ) : (
        <>
          <p
            className="mt-3 flex items-center gap-2 text-lead font-semibold"
            aria-live="polite"
            data-join={advice.allowed ? 'close' : 'resistor'}
          >
            <VerdictMark shape={advice.allowed ? 'holds' : 'fails'} />
            {advice.allowed
              ? `Close them: ${text(Math.abs(advice.direct.initialCurrentA), 'current')} flow at first, ${text(advice.allowedA, 'current')} are gentle`
              : `Don’t close them: ${text(Math.abs(advice.direct.initialCurrentA), 'current')} would flow, ${text(advice.allowedA, 'current')} are gentle`}
          </p>
          <FigureRow
            label="Between them, open"
            value={Math.abs(advice.direct.differenceV)}
            dimension="voltage"
            system={system}
          />
          <FigureRow
            label="May be closed under"
            value={advice.allowedDifferenceV}
            dimension="voltage"
            system={system}
          />
          {advice.allowedSocDifference !== null && (
            <FigureRow
              label="… which is, here, a difference of charge of"
              value={advice.allowedSocDifference}
              dimension="ratio"
              system={system}
            />
          )}
          {advice.through && advice.resistorOhm !== null && (
            <>
              <FigureRow
                label="Through a resistor of"
                value={advice.resistorOhm}
                dimension="resistance"
                system={system}
              />
              <FigureRow
                label="it takes, to a twentieth of the first current"
                value={advice.through.timeTo5PercentS}
                dimension="time"
                system={system}
              />
              <FigureRow label="Resistor, at first" value={advice.resistorW} dimension="power" system={system} />
              <FigureRow label="Heat in all" value={advice.through.heatJ} dimension="energy" system={system} />
              <ol className="mt-2 list-decimal space-y-1 pl-5 text-small">
                <li>Charge the lower one by itself as near as you can: it is quicker than any resistor.</li>
                <li>Measure both open, meter proved before and after; note the difference.</li>
                <li>Join through the resistor, with a fuse in each string, and wait.</li>
                <li>
                  Measure again: under {text(advice.allowedDifferenceV, 'voltage')} take the resistor out and close.
                </li>
              </ol>
            </>
          )}
        </>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Action
          onPress={() => {
            const edit = secondStringEdit(assessment, same ?? second, freshId());
            if (edit) dispatch(edit);
          }}
        >
          Put a second string into the build
        </Action>
        <span className="text-soft">
          with its own fuse and contactor,{' '}
          {same === null ? `cells of its own, ${second.ah} Ah` : `${same} of the same cells in parallel`}
        </span>
      </div>
      <div className="mt-3">
        <Caution>
          Each string needs its own fuse and contactor, and each must carry everything alone: the other may open. Rest
          voltages of flat cells hide a difference of charge; measure after hours at rest.
        </Caution>
      </div>
    </Panel>
  );
}
