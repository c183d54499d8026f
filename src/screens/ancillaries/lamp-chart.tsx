'use client';
import type { UnitSystem } from '@/core/quantities';
import { TimeChart } from '../shell/chart';

/** The voltage of a cell over the trip, and where the recharge lamp lights and goes out. */
export default function LampChart({
  curve,
  onV,
  offV,
  system,
}: {
  curve: readonly { readonly timeS: number; readonly cellV: number }[];
  onV: number | null;
  offV: number | null;
  system: UnitSystem;
}) {
  return (
    <TimeChart
      name="A cell on the usual trip"
      system={system}
      rows={curve.map(({ timeS, cellV }) => ({ t: timeS, v: cellV }))}
      panes={[
        {
          heightPx: 160,
          dimension: 'voltage',
          curves: [{ key: 'v', name: 'Cell', stroke: 'var(--ink)', named: true }],
          reaches: [onV, offV].filter((v) => v !== null),
          limits: [
            ...(onV === null ? [] : [{ on: 'y' as const, at: onV, name: 'Lights', stroke: 'var(--thin)' }]),
            ...(offV === null
              ? []
              : [{ on: 'y' as const, at: offV, name: 'Goes out', stroke: 'var(--soft)', dash: '5 4' }]),
          ],
        },
      ]}
    />
  );
}
