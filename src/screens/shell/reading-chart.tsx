'use client';
import type { Measurable, Reading } from '@/core/build';
import type { UnitSystem } from '@/core/quantities';
import { XYChart } from './chart';

/** A figure from reading to reading, with what is designed. */
export default function ReadingChart({
  measurable: { label, dimension },
  series,
  designed,
  system,
}: {
  measurable: Measurable;
  series: readonly Reading[];
  designed: number | null;
  system: UnitSystem;
}) {
  const rows = series.map(({ value }, k) => ({ n: k + 1, read: value, ...(designed === null ? {} : { designed }) }));
  return (
    <XYChart
      name={`${label}, from reading to reading`}
      system={system}
      along={{ key: 'n', name: 'Reading', dimension: 'count', ticks: rows.map(({ n }) => n) }}
      rows={rows}
      panes={[
        {
          heightPx: 110,
          dimension,
          curves: [
            { key: 'read', name: 'Read', stroke: 'var(--ink)', named: true },
            ...(designed === null
              ? []
              : [{ key: 'designed', name: 'Designed', stroke: 'var(--soft)', dash: '6 4', named: true }]),
          ],
          reaches: [0],
        },
      ]}
    />
  );
}
