'use client';
import type { ReadTrip } from '@/core/formats';
import type { UnitSystem } from '@/core/quantities';
import { type Limit, TimeChart } from '../shell/chart';

/** So many marks of points left out are drawn; more would be one grey field. */
const MARKS = 60;
/** So many points are drawn: more than a screen shows. */
const POINTS = 600;

/** A trip as it was read: speed, height as read and as driven, and where points were left out. */
export default function BroughtChart({ trip, system }: { trip: ReadTrip; system: UnitSystem }) {
  const { speedsMPerS, heights, rejectedS } = trip;
  const step = Math.max(1, Math.floor(speedsMPerS.length / POINTS));
  const rows = speedsMPerS.flatMap((v, t) =>
    t % step === 0 ? [{ t, v, z: heights?.asReadM[t], s: heights?.asDrivenM[t] }] : [],
  );
  const marks = [...new Set(rejectedS)]
    .slice(0, MARKS)
    .map((at): Limit => ({ on: 'x', at, stroke: 'var(--thin)', dash: '2 3' }));
  return (
    <TimeChart
      name="Trip as it was read"
      system={system}
      rows={rows}
      panes={[
        {
          heightPx: 100,
          dimension: 'speed',
          most: 3,
          reaches: [0],
          curves: [{ key: 'v', name: 'Speed', stroke: 'var(--ink)', width: 1.4 }],
          limits: marks,
        },
        ...(heights
          ? [
              {
                heightPx: 110,
                dimension: 'length' as const,
                most: 3,
                curves: [
                  { key: 'z', name: 'Height as read', stroke: 'var(--soft)', width: 1 },
                  { key: 's', name: 'Height as driven', stroke: 'var(--ink)', width: 1.6 },
                ],
              },
            ]
          : []),
      ]}
      caption={
        <>
          Speed over three seconds{heights ? '; below it the height as read, thin, and as it will be driven' : ''}
          {rejectedS.length > 0 ? `; ${rejectedS.length} dashed where points were left out` : ''}.
        </>
      }
    />
  );
}
