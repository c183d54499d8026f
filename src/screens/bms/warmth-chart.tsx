'use client';
import type { UnitSystem } from '@/core/quantities';
import type { CellsOver } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Cells left alone, and with what warms or cools them; where they may not go. */
export default function WarmthChart({
  found,
  limitC,
  system,
}: {
  found: CellsOver;
  limitC: number | null;
  system: UnitSystem;
}) {
  const helped = found.helpW !== 0;
  return (
    <TimeChart
      name="The cells’ temperature"
      system={system}
      rows={found.curve.map(({ t, alone, helped: with_ }) => ({ t, alone, ...(helped ? { helped: with_ } : {}) }))}
      panes={[
        {
          heightPx: 150,
          dimension: 'temperature',
          ...(limitC === null ? {} : { reaches: [limitC] }),
          curves: [
            { key: 'alone', name: 'Left alone', stroke: helped ? 'var(--soft)' : 'var(--ink)', named: true },
            ...(helped
              ? [
                  {
                    key: 'helped',
                    name: found.helpW > 0 ? 'With pad' : 'With chiller',
                    stroke: 'var(--ink)',
                    named: true,
                  },
                ]
              : []),
          ],
          ...(limitC === null
            ? {}
            : { limits: [{ on: 'y' as const, at: limitC, name: 'Limit', stroke: 'var(--fails)' }] }),
        },
      ]}
    />
  );
}
