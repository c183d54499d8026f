'use client';
import type { UnitSystem } from '@/core/quantities';
import type { RowRun } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Highest and lowest cell, current, and how far the cells are apart, of one setting or of two. */
export default function BalanceChart({
  told,
  other,
  system,
}: {
  told: RowRun;
  other: RowRun | null;
  system: UnitSystem;
}) {
  const longer = other && other.curve.length > told.curve.length ? other.curve : told.curve;
  const rows = longer.map(({ timeS }, k) => {
    // A run that is over stays as it ended.
    const one = told.curve[Math.min(k, told.curve.length - 1)]!;
    const two = other?.curve[Math.min(k, other.curve.length - 1)];
    return {
      t: timeS,
      high: one.highestV,
      low: one.lowestV,
      i: one.currentA,
      apart: one.spread,
      ...(two ? { apart2: two.spread } : {}),
    };
  });
  const last = rows.at(-1)!;
  // Curves that end in one place have one name there.
  const whole = Math.max(...rows.map(({ high }) => high)) - Math.min(...rows.map(({ low }) => low));
  const meet = Math.abs(last.high - last.low) < 0.12 * whole;
  return (
    <TimeChart
      name="A charge cell by cell"
      system={system}
      rows={rows}
      panes={[
        {
          heightPx: 120,
          dimension: 'voltage',
          curves: [
            { key: 'high', name: meet ? 'Cells' : 'Highest cell', stroke: 'var(--ink)', named: true },
            { key: 'low', name: 'Lowest cell', stroke: 'var(--soft)', named: !meet },
          ],
        },
        {
          heightPx: 80,
          dimension: 'current',
          curves: [{ key: 'i', name: 'Current', stroke: 'var(--ink)', named: true }],
          reaches: [0],
        },
        {
          heightPx: 100,
          dimension: 'ratio',
          curves: [
            { key: 'apart', name: 'Apart', stroke: 'var(--ink)', named: true },
            ...(other ? [{ key: 'apart2', name: 'Other shunt', stroke: 'var(--soft)', dash: '6 4', named: true }] : []),
          ],
          reaches: [0],
        },
      ]}
    />
  );
}
