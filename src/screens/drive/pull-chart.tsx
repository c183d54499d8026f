'use client';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DriveResults } from '@/core/stations/drive';

/** Force at the wheels over speed: each gear, and what the road holds back on the flat. */
export default function PullChart({ results, system }: { results: DriveResults; system: UnitSystem }) {
  const data = results.chart.map(({ speedMPerS, gears, roadN }) => ({
    v: speedMPerS,
    road: roadN,
    ...Object.fromEntries(gears.map((force, k) => [`g${k}`, force])),
  }));
  const speed = (value: number) => formatQuantity({ value, dimension: 'speed' }, system, 2).text;
  const kilo = (value: number) => `${(value / 1000).toFixed(1)} kN`;
  return (
    <figure>
      <div className="h-[230px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 8, right: 18, bottom: 4, left: 2 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="v"
              type="number"
              domain={[0, 'dataMax']}
              tickCount={6}
              tickFormatter={speed}
              stroke="var(--soft)"
              tick={{ fontSize: 12 }}
            />
            <YAxis width={56} tickFormatter={kilo} stroke="var(--soft)" tick={{ fontSize: 12 }} />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(v) => speed(Number(v))}
              formatter={(value, name) => [
                kilo(Number(value)),
                name === 'road' ? 'the road' : `gear ${Number(String(name).slice(1)) + 1}`,
              ]}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            {results.gears.map(({ gear }) => (
              <Line
                key={gear}
                dataKey={`g${gear - 1}`}
                stroke="var(--lv)"
                strokeWidth={2}
                dot={false}
                isAnimationActive={false}
                connectNulls={false}
              />
            ))}
            <Line
              dataKey="road"
              stroke="var(--ink)"
              strokeWidth={2.2}
              strokeDasharray="6 4"
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[13px] text-soft">
        Full lines: pull at the wheels, {results.gears.length === 1 ? 'one ratio' : `${results.gears.length} gears`}.
        Dashed: the road on the flat. Where they meet is the top speed.
      </figcaption>
    </figure>
  );
}
