'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { catalogueOf } from '@/core/parts';
import { type PackFigure, type PackResults, packWorkings } from '@/core/stations/pack';
import { followsVehicle, partOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { FigureSetting } from '../shell/figure-setting';
import { SheetHead, Shell } from '../shell/shell';
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

function Boxes({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { vehicle, build } = assessment;
  const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
  const cell = partOf(boxes[0], 'cell');
  const cells = catalogueOf('cell');
  const known = cell && !cells.some((part) => part.id === cell.id) ? [cell, ...cells] : cells;
  return (
    <Panel title="Boxes and cells">
      <ChoiceField
        label="Cell"
        value={cell?.id ?? null}
        choices={known.map((part) => ({ value: part.id, label: part.name }))}
        onChoose={(id) => {
          const part = known.find((candidate) => candidate.id === id);
          if (part) dispatch({ edit: 'fitCells', input: { part } });
        }}
      />
      {boxes.map((box) => {
        const figures = assessment.pack?.boxes.find((entry) => entry.id === box.id);
        return (
          <div key={box.id} className="mt-3">
            <p className="flex items-baseline justify-between font-semibold">
              {box.device.name}
              {figures && (
                <span className="font-normal text-soft">
                  {figures.nominalV.toFixed(0)} V · {figures.massKg.toFixed(0)} kg cells
                </span>
              )}
            </p>
            <CellGrid count={box.device.cellsInSeries ?? 0} />
            <div className="grid grid-cols-2 gap-x-6">
              <QuantityField
                label="In series"
                dimension="count"
                system={build.units}
                value={box.device.cellsInSeries ?? null}
                onCommit={(value) => dispatch({ edit: 'setCells', input: { deviceId: box.id, cellsInSeries: value } })}
              />
              <QuantityField
                label="In parallel"
                dimension="count"
                system={build.units}
                value={box.device.cellsInParallel ?? 1}
                onCommit={(value) =>
                  dispatch({ edit: 'setCells', input: { deviceId: box.id, cellsInParallel: value } })
                }
              />
            </div>
          </div>
        );
      })}
    </Panel>
  );
}

/** One small mark per cell group in series, eighteen to a row. */
function CellGrid({ count }: { count: number }) {
  const shown = Math.min(count, 144);
  const rows = Math.ceil(shown / 18);
  return (
    <svg
      viewBox={`0 0 ${18 * 12} ${Math.max(1, rows) * 12}`}
      aria-hidden="true"
      className="my-1.5 w-full max-w-[320px] text-hv"
    >
      {Array.from({ length: shown }, (_, index) => `cell ${index}`).map((key, index) => (
        <rect
          key={key}
          x={(index % 18) * 12 + 1}
          y={Math.floor(index / 18) * 12 + 1}
          width="9.5"
          height="9.5"
          rx="1.5"
          fill="currentColor"
          fillOpacity="0.22"
          stroke="currentColor"
          strokeWidth="0.9"
        />
      ))}
    </svg>
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
