'use client';
import type { UnitSystem } from '@/core/quantities';
import type { CoolantTrip } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Coolant into the inverter over the usual trip on the hottest day. */
export default function LoopChart({ trip, limitC, system }: { trip: CoolantTrip; limitC: number; system: UnitSystem }) {
  return (
    <TimeChart
      name="Coolant on the usual trip"
      system={system}
      rows={trip.curve.map(({ t, inletC }) => ({ t, inlet: inletC }))}
      panes={[
        {
          heightPx: 150,
          dimension: 'temperature',
          curves: [{ key: 'inlet', name: 'Coolant', stroke: 'var(--coolant)', named: true }],
          reaches: [limitC],
          limits: [{ on: 'y', at: limitC, name: 'At most', stroke: 'var(--fails)' }],
        },
      ]}
    />
  );
}
