'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { TimeChart } from '../shell/chart';

/** Conductor temperature over the usual trip, driven twice, under what its insulation bears. */
export default function HeatChart({
  curve,
  limitC,
  ambientC,
  system,
}: {
  curve: readonly (readonly [number, number])[];
  limitC: number;
  ambientC: number;
  system: UnitSystem;
}) {
  const warm = (value: number) => formatQuantity({ value: Math.round(value), dimension: 'temperature' }, system).text;
  return (
    <TimeChart
      name="Conductor over the usual trip"
      system={system}
      rows={curve.map(([t, c]) => ({ t, c }))}
      panes={[
        {
          heightPx: 150,
          dimension: 'temperature',
          most: 4,
          reaches: [ambientC, limitC],
          curves: [{ key: 'c', name: 'Conductor', stroke: 'var(--hv)' }],
          limits: [{ on: 'y', at: limitC, name: `bears ${warm(limitC)}`, stroke: 'var(--fails)', dash: '5 3' }],
        },
      ]}
      caption={`Usual trip, aged and cold, driven twice in a row: at most ${warm(Math.max(...curve.map(([, c]) => c)))}.`}
    />
  );
}
