'use client';
import { Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { axisOf, rechartsAxis } from '@/ui/axis';

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
  const data = curve.map(([t, c]) => ({ t, c }));
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const warm = (value: number) => formatQuantity({ value: Math.round(value), dimension: 'temperature' }, system).text;
  const most = Math.max(...curve.map(([, c]) => c));
  return (
    <figure className="mt-2">
      <div className="h-[130px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 14, right: 14, bottom: 0, left: 2 }} accessibilityLayer={false}>
            <XAxis dataKey="t" {...rechartsAxis(axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false }))} />
            <YAxis
              width={56}
              {...rechartsAxis(axisOf(ambientC, Math.max(limitC, most), 'temperature', system, { most: 4 }))}
            />
            <ReferenceLine
              y={limitC}
              stroke="var(--fails)"
              strokeDasharray="5 3"
              label={{ value: `bears ${warm(limitC)}`, position: 'insideTopRight', fontSize: 12, fill: 'var(--fails)' }}
            />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(t) => time(Number(t))}
              formatter={(value) => [warm(Number(value)), 'conductor']}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            <Line dataKey="c" stroke="var(--hv)" strokeWidth={1.8} dot={false} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-note text-soft">
        Usual trip, aged and cold, driven twice in a row: at most {warm(most)}.
      </figcaption>
    </figure>
  );
}
