'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { prechargeWorkings } from '@/core/stations/hv-circuit';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { BusActions } from './topology-actions';

/** Whether the sequence looks for a welded contactor. */
function ProvesDead({ build }: { build: Assessment['build'] }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { provesDead } = build.precharge;
  return (
    <ChoiceField
      label="Bus checked for zero volts at key-on"
      value={provesDead === undefined ? null : provesDead ? 'yes' : 'no'}
      empty="not entered"
      choices={[
        { value: 'yes', label: 'yes, before the first coil' },
        { value: 'no', label: 'no' },
      ]}
      onChoose={(value) => dispatch({ edit: 'setProvesDead', input: { provesDead: value === 'yes' } })}
    />
  );
}

/** Shown while nothing is picked: the closing sequence and its figures. */
export function Sequence({ assessment }: { assessment: Assessment }) {
  const {
    results: { 'hv-circuit': run },
    build,
  } = assessment;
  const system = build.units;
  const workings = run ? prechargeWorkings(run) : null;
  return (
    <Panel title="Closing sequence" about="press a symbol or a wire above to change it">
      <BusActions assessment={assessment} />
      <ProvesDead build={build} />
      <FigureSetting build={build} figure="startsPerDay" note="6 where none is told" />
      <FigureSetting build={build} figure="closeAt" />
      <FigureSetting
        build={build}
        figure="timeout"
        {...(build.precharge.timeoutS === null && run
          ? {
              note: `by itself ${formatQuantity({ value: run.timeoutS, dimension: 'time' }, system).text}: twice the expected time`,
            }
          : {})}
      />
      {run && workings && (
        <>
          <FigureRow
            label="Closes after"
            working={workings.closeAtS}
            value={run.closeAtS}
            dimension="time"
            system={system}
          />
          <FigureRow
            label="Link capacitance, all"
            working={workings.linkCapacitanceF}
            value={run.linkCapacitanceF}
            dimension="capacitance"
            system={system}
          />
          <FigureRow
            label="Resistor, peak"
            working={workings.peakPowerW}
            value={run.peakPowerW}
            dimension="power"
            system={system}
          />
          <FigureRow
            label="Resistor, energy"
            working={workings.resistorEnergyJ}
            value={run.resistorEnergyJ}
            dimension="energy"
            system={system}
          />
          <FigureRow
            label="Across the main when it closes"
            working={workings.differenceV}
            value={run.closing?.differenceV ?? null}
            dimension="voltage"
            system={system}
          />
          <FigureRow
            label="Peak through the main"
            working={workings.peakCurrentA}
            value={run.closing?.peakCurrentA ?? null}
            dimension="current"
            system={system}
          />
        </>
      )}
    </Panel>
  );
}
