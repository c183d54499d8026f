'use client';
import type { UnitSystem } from '@/core/quantities';
import type { DriveFindings } from '@/core/simulate';
import { XYChart } from '../shell/chart';

/** From drive to drive: how far apart the cells rest, and what the middle and the worst of them resist. */
export default function TrendChart({ drives, system }: { drives: readonly DriveFindings[]; system: UnitSystem }) {
  const rows = drives.map(({ restSpreadV, medianOhm, highestOhm }, k) => ({
    n: k + 1,
    ...(restSpreadV === null ? {} : { apart: restSpreadV }),
    ...(medianOhm === null ? {} : { middle: medianOhm }),
    ...(highestOhm === null ? {} : { highest: highestOhm.value }),
  }));
  return (
    <XYChart
      name="From drive to drive"
      system={system}
      along={{
        key: 'n',
        name: 'Drive',
        dimension: 'count',
        ...(rows.length > 12 ? {} : { ticks: rows.map(({ n }) => n) }),
      }}
      rows={rows}
      panes={[
        {
          heightPx: 100,
          dimension: 'voltage',
          curves: [{ key: 'apart', name: 'Apart at rest', stroke: 'var(--ink)', named: true }],
          reaches: [0],
        },
        {
          heightPx: 100,
          dimension: 'resistance',
          curves: [
            { key: 'middle', name: 'Middle', stroke: 'var(--ink)', named: true },
            { key: 'highest', name: 'Highest', stroke: 'var(--soft)', dash: '6 4', named: true },
          ],
          reaches: [0],
        },
      ]}
    />
  );
}
