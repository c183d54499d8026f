'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { SCENARIOS, type ScenarioId } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { lowTimeline } from '@/core/simulate';
import { SCENARIO_WORDS } from '@/core/stations/low-voltage';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { TimeChart } from '../shell/chart';

/** "4 min, 9 min and 3 more moments". */
function momentsIn(timesS: readonly number[]): string {
  const minutes = [...new Set(timesS.map((timeS) => Math.floor(timeS / 60)))];
  const shown = minutes
    .slice(0, 3)
    .map((minute) => `${minute} min`)
    .join(', ');
  return minutes.length > 3 ? `${shown} and ${minutes.length - 3} more moments` : shown;
}

/** A scenario through the whole 12-volt circuit: what converter and battery give, and how low it dips. */
export default function TimelinePanel({ assessment }: { assessment: Assessment }) {
  const [scenario, setScenario] = useState<ScenarioId>('night-rain-cold');
  const [alive, setAlive] = useState(true);
  const { build, vehicle } = assessment;
  const batteryC = build.duty.coldestDayC ?? -5;
  const run = useMemo(
    () =>
      lowTimeline(vehicle, {
        scenario,
        socStart: 0.8,
        batteryC,
        converters: alive,
        stepS: scenario === 'parking' ? 1 : 4,
      }),
    [vehicle, scenario, batteryC, alive],
  );
  const system = build.units;
  if (!run) return null;
  const rows = run.curve.map(({ timeS, busV, converterA, batteryA }) => ({
    t: timeS,
    v: busV,
    c: converterA,
    b: batteryA,
  }));
  return (
    <Panel
      title="Scenarios"
      about="second by second through the whole circuit; loads that run part of the time come and go"
    >
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Scenario"
          value={scenario}
          choices={SCENARIOS.map((id) => ({ value: id, label: SCENARIO_WORDS[id] }))}
          onChoose={(id) => setScenario(id as ScenarioId)}
        />
        <ChoiceField
          label="Converter"
          value={alive ? 'on' : 'off'}
          choices={[
            { value: 'on', label: 'runs' },
            { value: 'off', label: 'dead' },
          ]}
          onChoose={(value) => setAlive(value === 'on')}
        />
      </div>
      {run.unsolvedS.length > 0 && (
        <p role="status" className="mt-2 text-small font-medium text-fails">
          No figures at {momentsIn(run.unsolvedS)}: {run.unsolvedWhy}
        </p>
      )}
      <TimeChart
        name={SCENARIO_WORDS[scenario]}
        system={system}
        rows={rows}
        panes={[
          {
            heightPx: 140,
            dimension: 'voltage',
            curves: [{ key: 'v', name: 'At the battery', stroke: 'var(--lv)' }],
          },
          {
            heightPx: 150,
            dimension: 'current',
            curves: [
              { key: 'c', name: 'Converter', stroke: 'var(--ink)' },
              { key: 'b', name: 'Battery', stroke: 'var(--lv)', width: 1.4, dash: '5 3' },
            ],
          },
        ]}
        caption={
          <>
            Above: the voltage at the battery, from 80 % and{' '}
            {formatQuantity({ value: batteryC, dimension: 'temperature' }, system).text}. Below, full line: the
            converter; dashed: the battery, above zero while it gives.
          </>
        }
      />
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        <FigureRow label="Converter, mean" value={run.averageConverterA} dimension="current" system={system} />
        <FigureRow label="Converter, peak" value={run.peakConverterA} dimension="current" system={system} />
        <FigureRow label="Battery gives at most" value={run.peakBatteryA} dimension="current" system={system} />
        <FigureRow label="Lowest voltage" value={run.lowestV} dimension="voltage" system={system} />
        <FigureRow label="Battery at the end" value={run.socEnd} dimension="ratio" system={system} />
        <FigureRow label="Converter at its limit" value={run.limitedShare} dimension="ratio" system={system} />
      </div>
    </Panel>
  );
}
