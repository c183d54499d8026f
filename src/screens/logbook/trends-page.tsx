'use client';
import type { Assessment } from '@/core/assess';
import { TRENDS, type Trend, trendOf } from '@/core/stations/logbook';
import { Panel } from '@/ui/panel';
import { XYChart } from '../shell/chart';
import { dayText } from '../shell/days';
import { say, TREND_WORDS } from './logbook-words';

/** Figures over the years, each with its straight line. */
export function TrendsPage({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const trends = TRENDS.map((id) => trendOf(build, id)).filter(({ points }) => points.length > 0);
  if (trends.length === 0)
    return (
      <Panel title="Trends">
        <p className="text-soft">
          Capacity tests, spreads, insulation and drives that are entered show here over time.
        </p>
      </Panel>
    );
  return (
    <div className="grid gap-3 min-[1100px]:grid-cols-2">
      {trends.map((trend) => (
        <TrendPanel key={trend.id} trend={trend} assessment={assessment} />
      ))}
    </div>
  );
}

function TrendPanel({ trend, assessment }: { trend: Trend; assessment: Assessment }) {
  const { build } = assessment;
  const { id, points, aYear, dimension } = trend;
  const [first, last] = [points[0]!, points.at(-1)!];
  const mean = points.reduce((sum, { value }) => sum + value, 0) / points.length;
  const meanDay = points.reduce((sum, { day }) => sum + day, 0) / points.length;
  return (
    <Panel title={TREND_WORDS[id]} about={`${points.length} ${points.length === 1 ? 'reading' : 'readings'}`}>
      <p data-trend={id}>
        Last <b className="font-semibold tabular-nums">{say(last.value, dimension, build.units, 4)}</b>,{' '}
        {dayText(last.date)}
        {aYear !== null && (
          <>
            ; goes {aYear < 0 ? 'down' : 'up'} by{' '}
            <b className="font-semibold tabular-nums">{say(Math.abs(aYear), dimension, build.units, 2)}</b> a year
          </>
        )}
        .
      </p>
      {points.length > 1 && (
        <XYChart
          name={`${TREND_WORDS[id]} since ${dayText(first.date)}`}
          system={build.units}
          along={{ key: 'day', name: 'Days', dimension: 'count', from: 0 }}
          rows={points.map(({ day, value }) => ({
            day,
            value,
            ...(aYear === null ? {} : { line: mean + (aYear / 365.25) * (day - meanDay) }),
          }))}
          panes={[
            {
              heightPx: 150,
              dimension,
              curves: [
                { key: 'value', name: 'Read', stroke: 'var(--ink)' },
                ...(aYear === null ? [] : [{ key: 'line', name: 'Line', stroke: 'var(--soft)', dash: '6 4' }]),
              ],
            },
          ]}
        />
      )}
    </Panel>
  );
}
