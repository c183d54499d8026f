'use client';
import type { UnitSystem } from '@/core/quantities';
import type { VehicleCharge } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Voltage, current and charge over the time of one charge. */
export default function ChargeChart({ charge, system }: { charge: VehicleCharge; system: UnitSystem }) {
  const rows = charge.run.curve.map(({ timeS, busV, packA, soc }) => ({
    t: timeS,
    v: busV,
    i: packA,
    soc: Math.min(1, soc),
  }));
  const { constantVoltage } = charge.run;
  const taper = constantVoltage
    ? [{ on: 'x' as const, at: constantVoltage.timeS, name: 'taper', stroke: 'var(--soft)', dash: '2 4' }]
    : [];
  return (
    <TimeChart
      name="One charge"
      system={system}
      rows={rows}
      panes={[
        {
          heightPx: 110,
          dimension: 'voltage',
          curves: [{ key: 'v', name: 'Pack', stroke: 'var(--ink)', named: true }],
          limits: taper,
        },
        {
          heightPx: 100,
          dimension: 'current',
          curves: [{ key: 'i', name: 'Current', stroke: 'var(--ink)', named: true }],
          reaches: [0],
        },
        {
          heightPx: 100,
          dimension: 'ratio',
          curves: [{ key: 'soc', name: 'Charge', stroke: 'var(--ink)', named: true }],
          reaches: [0, 1],
        },
      ]}
    />
  );
}
