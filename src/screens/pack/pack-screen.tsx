'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Build } from '@/core/build';
import { inUnits, told } from '@/core/quantities';
import { type PackFigure, type PackResults, packWorkings } from '@/core/stations/pack';
import { followsVehicle } from '@/core/vehicle';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { Tabs } from '@/ui/tabs';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, useSheet } from '../shell/shell';
import { Boxes } from './boxes-panel';
import { AxlesPanel, HoldPanel } from './carried-panel';
import { JoinPanel } from './join-panel';
import { ModulesPanel } from './modules-panel';
import { StagesPanel } from './stages-panel';
import { Starter } from './starter';
import { WindowChart } from './window-chart';

const SocPanel = dynamic(() => import('./soc-panel'), { ssr: false });

export function PackScreen() {
  return <PackSheet {...useSheet()} />;
}

const TABS = [
  ['cells', 'Cells and limits'],
  ['sag', 'Charge and sag'],
  ['carried', 'Carried and held'],
  ['modules', 'Salvaged modules'],
  ['second', 'Second pack'],
] as const;

function PackSheet({ assessment, openCheck }: { assessment: Assessment; openCheck: (key: string) => void }) {
  const [look, setLook] = useState<(typeof TABS)[number][0]>('cells');
  const {
    results: { pack },
    build,
  } = assessment;
  // A motor that was chosen first is no circuit yet.
  const empty = Object.values(build.circuits.hv.devices).every(({ kind }) => kind === 'motor');
  return (
    <>
      <SheetHead station="pack" />
      {empty && <Starter build={build} />}
      {pack && (
        <>
          <Panel title="Voltage windows" about="the pack’s band against what every device takes">
            <div className="overflow-x-auto">
              <WindowChart pack={pack} checks={assessment.checks} onOpen={openCheck} />
            </div>
          </Panel>
          <div className="mt-3">
            <Tabs label="Pack" tabs={TABS} chosen={look} onChoose={setLook}>
              <div className="space-y-3">
                {look === 'cells' && (
                  <>
                    <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
                      <Boxes assessment={assessment} />
                      <Figures pack={pack} assessment={assessment} />
                    </div>
                    <Limits build={build} />
                  </>
                )}
                {look === 'sag' && <SocPanel assessment={assessment} />}
                {look === 'carried' && (
                  <>
                    <AxlesPanel assessment={assessment} />
                    <HoldPanel assessment={assessment} />
                  </>
                )}
                {look === 'modules' && <ModulesPanel assessment={assessment} />}
                {look === 'second' && (
                  <>
                    <JoinPanel assessment={assessment} />
                    <StagesPanel assessment={assessment} />
                  </>
                )}
              </div>
            </Tabs>
          </div>
        </>
      )}
    </>
  );
}

const LIMITS = [
  'cruisePower',
  'hardPower',
  'hardTime',
  'socFull',
  'socEmpty',
  'coldestCell',
  'warmestCell',
  'agedHealth',
  'altitude',
] as const;

function Limits({ build }: { build: Build }) {
  return (
    <Panel title="Limits of the pack and the duty" about="Survey and Drive can compute cruise and hill">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        {LIMITS
          // A typed cruise power counts for nothing while it follows from the vehicle.
          .filter((figure) => figure !== 'cruisePower' || !followsVehicle(build))
          .map((figure) => (
            <FigureSetting
              key={figure}
              build={build}
              figure={figure}
              note={figure === 'socFull' && build.packLimits.socFull === undefined ? 'assumed full' : ''}
            />
          ))}
      </div>
    </Panel>
  );
}

/** Figures that a rule has worked out, with its working: what hands and fuses meet. */
const MET = [
  ['disconnect.left', 'Left with the disconnect out', 'voltage'],
  ['fuse.breaking-capacity', 'Short circuit, warm and full', 'current'],
] as const;

function Figures({ pack, assessment }: { pack: PackResults; assessment: Assessment }) {
  const system = assessment.build.units;
  const workings = packWorkings(assessment.vehicle, pack);
  const row = (figure: PackFigure) => ({ system, value: pack[figure], working: workings[figure] });
  return (
    <Panel
      title={pack.strings.map((string) => `${string.cellsInSeries}s`).join(' beside ')}
      about={
        pack.strings.length > 1
          ? `${pack.strings.length} strings in parallel`
          : `${pack.boxes.length} ${pack.boxes.length === 1 ? 'box' : 'boxes'} in series`
      }
    >
      <FigureRow label="Full" dimension="voltage" {...row('fullV')} />
      <FigureRow label="Nominal" dimension="voltage" {...row('nominalV')} />
      <FigureRow label="Empty, at rest" dimension="voltage" {...row('emptyRestV')} />
      <FigureRow label="Lowest under load" dimension="voltage" {...row('sagV')} />
      <FigureRow label="Energy, gross" dimension="energy" {...row('grossEnergyJ')} />
      <FigureRow label="Energy, usable" dimension="energy" {...row('usableEnergyJ')} />
      <FigureRow
        label={inUnits(`Resistance, new at ${told(25, 'temperature')}`, assessment.build.units)}
        dimension="resistance"
        {...row('resistanceNewOhm')}
      />
      <FigureRow label="Resistance, cold and aged" dimension="resistance" {...row('resistanceColdAgedOhm')} />
      <FigureRow label="Cells" dimension="mass" {...row('massKg')} />
      {MET.map(([id, label, dimension]) => {
        const check = assessment.checks
          .filter((one) => one.id === id && one.demand !== undefined)
          .sort((p, q) => q.demand!.value - p.demand!.value)[0];
        return (
          check && (
            <FigureRow
              key={id}
              label={label}
              value={check.demand!.value}
              dimension={dimension}
              system={system}
              working={check.working}
            />
          )
        );
      })}
    </Panel>
  );
}
