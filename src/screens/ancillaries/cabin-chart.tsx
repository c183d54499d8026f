'use client';
import type { UnitSystem } from '@/core/quantities';
import type { CabinWarmth } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Inside over the first half hour of the coldest day. */
export default function CabinChart({ cabin, system }: { cabin: CabinWarmth; system: UnitSystem }) {
  return (
    <TimeChart
      name="Warm-up of the cabin"
      system={system}
      rows={cabin.curve.map(({ t, inside }) => ({ t, inside }))}
      panes={[
        {
          heightPx: 180,
          dimension: 'temperature',
          curves: [{ key: 'inside', name: 'Inside', stroke: 'var(--ink)', named: true }],
          reaches: [cabin.wantedC],
          limits: [{ on: 'y', at: cabin.wantedC, name: 'Wanted', stroke: 'var(--holds)', dash: '5 4' }],
        },
      ]}
    />
  );
}
