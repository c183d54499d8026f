'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { type PackFigure, type PackResults, packWorkings } from '@/core/stations/pack';
import { followsVehicle } from '@/core/vehicle';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, Shell } from '../shell/shell';
import { Boxes } from './boxes-panel';
import { AxlesPanel, HoldPanel } from './carried-panel';
import { JoinPanel } from './join-panel';
import { ModulesPanel } from './modules-panel';
import { StagesPanel } from './stages-panel';
import { Starter } from './starter';
import { WindowChart } from './window-chart';

const SocPanel = dynamic(() => import('./soc-panel'), { ssr: false });

export function PackScreen() {
  return (
    <Shell
      station="pack"
      sheet={({ assessment, openCheck }) => <PackSheet assessment={assessment} openCheck={openCheck} />}
    />
  );
}

function PackSheet({ assessment, openCheck }: { assessment: Assessment; openCheck: (key: string) => void }) {
  const { pack, build } = assessment;
  const empty = Object.keys(build.circuits.hv.devices).length === 0;
  return (
    <>
      <SheetHead station="pack" />
      {empty && <Starter build={build} />}
      {pack && (
        <div className="space-y-3">
          <Panel title="Voltage windows" about="the pack’s band against what every device takes">
            <WindowChart pack={pack} checks={assessment.checks} onOpen={openCheck} />
          </Panel>
          <div className="grid gap-3 min-[1080px]:grid-cols-2">
            <Boxes assessment={assessment} />
            <Figures pack={pack} assessment={assessment} />
          </div>
          <SocPanel assessment={assessment} />
          <AxlesPanel assessment={assessment} />
          <HoldPanel assessment={assessment} />
          <ModulesPanel assessment={assessment} />
          <JoinPanel assessment={assessment} />
          <StagesPanel assessment={assessment} />
          <Panel title="Limits of the pack and the duty" about="Survey and Drive can compute cruise and hill">
            <div className="grid gap-x-8 min-[700px]:grid-cols-2">
              {(
                [
                  'cruisePower',
                  'hardPower',
                  'hardTime',
                  'socFull',
                  'socEmpty',
                  'coldestCell',
                  'warmestCell',
                  'agedHealth',
                  'altitude',
                ] as const
              )
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
        </div>
      )}
    </>
  );
}

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
      <FigureRow label="Resistance, new at 25 °C" dimension="resistance" {...row('resistanceNewOhm')} />
      <FigureRow label="Resistance, cold and aged" dimension="resistance" {...row('resistanceColdAgedOhm')} />
      <FigureRow label="Cells" dimension="mass" {...row('massKg')} />
    </Panel>
  );
}
