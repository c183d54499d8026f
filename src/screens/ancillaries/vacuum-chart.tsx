'use client';
import type { UnitSystem } from '@/core/quantities';
import type { BrakeVacuum } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

export type VacuumShown = 'pull-down' | 'trip' | 'descent';

/** Vacuum over time: from nothing, over the usual trip, or down a descent. */
export default function VacuumChart({
  vacuum,
  shown,
  system,
}: {
  vacuum: BrakeVacuum;
  shown: VacuumShown;
  system: UnitSystem;
}) {
  const curve = shown === 'pull-down' ? vacuum.pullDown : vacuum[shown].curve;
  return (
    <TimeChart
      name="Vacuum of the brakes"
      system={system}
      rows={curve.map(({ t, v }) => ({ t, v }))}
      panes={[
        {
          heightPx: 190,
          dimension: 'pressure',
          curves: [{ key: 'v', name: 'Vacuum', stroke: 'var(--vacuum)', named: true }],
          reaches: [0, vacuum.offPa],
          limits: [
            { on: 'y', at: vacuum.leastPa, name: 'Least', stroke: 'var(--fails)' },
            { on: 'y', at: vacuum.offPa, name: 'Off', stroke: 'var(--soft)', dash: '5 4' },
          ],
        },
      ]}
    />
  );
}
