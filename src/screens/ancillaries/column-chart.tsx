'use client';
import type { UnitSystem } from '@/core/quantities';
import type { columnCurve } from '@/core/simulate';
import { XYChart } from '../shell/chart';

/** Force at the rim of rolling wheels over speed: with the column’s assist, and without. */
export default function ColumnChart({ curve, system }: { curve: ReturnType<typeof columnCurve>; system: UnitSystem }) {
  return (
    <XYChart
      name="Force at the rim"
      system={system}
      along={{ key: 'v', name: 'Speed', dimension: 'speed', from: 0 }}
      rows={curve.map(({ speedMPerS, withN, withoutN }) => ({ v: speedMPerS, with: withN, without: withoutN }))}
      panes={[
        {
          heightPx: 170,
          dimension: 'force',
          reaches: [0],
          curves: [
            { key: 'with', name: 'With assist', stroke: 'var(--lv)', width: 2 },
            { key: 'without', name: 'Without', stroke: 'var(--ink)', dash: '6 4' },
          ],
        },
      ]}
      caption={<>Full line: with the assist. Dashed: without it.</>}
    />
  );
}
