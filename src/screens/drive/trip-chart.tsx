'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { TripResult } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Battery current over the trip, the speed under it, and what gets warm. */
export default function TripChart({ run, system }: { run: TripResult; system: UnitSystem }) {
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const distance = (value: number) => formatQuantity({ value, dimension: 'distance' }, system, 3).text;
  const peak = Math.max(run.currents.peakA, run.currents.peakRegenA);
  const rows = run.curve.map(({ timeS, speedMPerS, currentA, packC, motorC, mostA, mostBackA }) => ({
    t: timeS,
    i: currentA,
    v: speedMPerS,
    p: packC,
    m: motorC,
    // A limit far above all that flows would flatten what flows.
    most: mostA !== null && mostA < 1.5 * peak ? mostA : null,
    back: mostBackA !== null && mostBackA < 1.5 * peak ? -mostBackA : null,
  }));
  const told = (key: 'most' | 'back') => rows.some((row) => row[key] !== null);
  return (
    <TimeChart
      name="Usual trip"
      system={system}
      rows={rows}
      endS={run.durationS}
      panes={[
        {
          heightPx: 140,
          dimension: 'current',
          most: 4,
          reaches: [0],
          curves: [
            { key: 'i', name: 'Battery', stroke: 'var(--hv)', width: 1.6, named: true },
            ...(told('most')
              ? [{ key: 'most', name: 'Let out', stroke: 'var(--soft)', dash: '5 4', named: true }]
              : []),
            ...(told('back') ? [{ key: 'back', name: 'Let in', stroke: 'var(--soft)', dash: '2 3', named: true }] : []),
          ],
          limits: [
            { on: 'y', at: 0, stroke: 'var(--soft)' },
            ...(run.stop
              ? [{ on: 'x' as const, at: run.stop.timeS, name: 'driving stops', stroke: 'var(--fails)', dash: '4 3' }]
              : []),
          ],
        },
        {
          heightPx: 84,
          dimension: 'speed',
          most: 3,
          reaches: [0],
          curves: [{ key: 'v', name: 'Speed', stroke: 'var(--ink)', width: 1.4, named: true }],
        },
        {
          heightPx: 112,
          dimension: 'temperature',
          most: 3,
          curves: [
            { key: 'p', name: 'Pack', stroke: 'var(--hv)', width: 1.6, named: true },
            { key: 'm', name: 'Motor', stroke: 'var(--ink)', width: 1.4, dash: '5 3', named: true },
          ],
        },
      ]}
      caption={
        <>
          {distance(run.distanceM)} in {time(run.durationS)}.
          {run.heldS > 0 && (
            <b className="font-semibold"> The battery management takes power away for {time(run.heldS)}.</b>
          )}
          {run.stop && (
            <b className="font-semibold text-fails">
              {' '}
              Driving stops after {distance(run.stop.distanceM)}, {time(run.stop.timeS)}: it does not get home.
            </b>
          )}
        </>
      }
    />
  );
}
