'use client';
import { useMemo, useState } from 'react';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Assessment } from '@/core/assess';
import { SCENARIOS, type ScenarioId } from '@/core/build';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { lowTimeline } from '@/core/simulate';
import { SCENARIO_WORDS } from '@/core/stations/low-voltage';
import { axisOf, extent, rechartsAxis } from '@/ui/axis';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';

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
  const data = run.curve.map(({ timeS, busV, converterA, batteryA }) => ({
    t: timeS,
    v: busV,
    c: converterA,
    b: batteryA,
  }));
  const chart = (
    key: 'v' | 'c',
    dimension: Dimension,
    stroke: string,
    more?: { readonly key: 'b'; readonly stroke: string },
  ) => (
    <div className="h-[140px]" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={{ top: 8, right: 18, bottom: 0, left: 2 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" vertical={false} />
          <XAxis
            dataKey="t"
            {...rechartsAxis(axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false, most: 6 }))}
          />
          <YAxis
            width={50}
            {...rechartsAxis(
              axisOf(...extent(data.flatMap((row) => [row[key], more && row[more.key]])), dimension, system),
            )}
          />
          <Line dataKey={key} stroke={stroke} strokeWidth={1.8} dot={false} isAnimationActive={false} />
          {more && (
            <Line
              dataKey={more.key}
              stroke={more.stroke}
              strokeWidth={1.4}
              strokeDasharray="5 3"
              dot={false}
              isAnimationActive={false}
            />
          )}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
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
      {chart('v', 'voltage', 'var(--lv)')}
      <p className="text-note text-soft">
        At the battery, from 80 % and {formatQuantity({ value: batteryC, dimension: 'temperature' }, system).text}.
      </p>
      {chart('c', 'current', 'var(--ink)', { key: 'b', stroke: 'var(--lv)' })}
      <p className="text-note text-soft">Full line: the converter. Dashed: the battery, above zero while it gives.</p>
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
