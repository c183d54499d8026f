'use client';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { PrechargeRun } from '@/core/simulate';

/** Link voltage over time with the closing level; the same values are in the table below it for readers of screens and keyboards. */
export default function PrechargeChart({ run, system }: { run: PrechargeRun; system: UnitSystem }) {
  const level = run.closeFraction * run.packV;
  const data = run.curve.map(({ timeS, linkV, currentA }) => ({ t: timeS, v: linkV, i: currentA }));
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 3).text;
  const every = Math.max(1, Math.floor(data.length / 6));
  return (
    <figure>
      <div className="h-[190px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 16, right: 18, bottom: 18, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="t"
              type="number"
              domain={[0, 'dataMax']}
              tickCount={5}
              tickFormatter={(t: number) => t.toFixed(2)}
              stroke="var(--soft)"
              tick={{ fontSize: 12 }}
              label={{ value: 's', position: 'insideBottomRight', offset: -6, fontSize: 12, fill: 'var(--soft)' }}
            />
            <YAxis
              domain={[0, Math.ceil((run.packV * 1.05) / 50) * 50]}
              width={44}
              stroke="var(--soft)"
              tick={{ fontSize: 12 }}
              label={{ value: 'V', position: 'insideTopLeft', offset: -4, dy: -12, fontSize: 12, fill: 'var(--soft)' }}
            />
            <Tooltip
              isAnimationActive={false}
              formatter={(value) => [
                formatQuantity({ value: Number(value), dimension: 'voltage' }, system).text,
                'link',
              ]}
              labelFormatter={(t) => time(Number(t))}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            <ReferenceLine
              y={level}
              stroke="var(--ink)"
              strokeDasharray="5 4"
              label={{
                value: `close main at ${(run.closeFraction * 100).toFixed(0)} %`,
                position: 'insideBottomRight',
                fontSize: 12.5,
                fill: 'var(--ink)',
              }}
            />
            <Line dataKey="v" stroke="var(--hv)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
            {run.closeAtS !== null && (
              <ReferenceDot
                x={run.closeAtS}
                y={level}
                r={5.5}
                fill="var(--panel)"
                stroke="var(--ink)"
                strokeWidth={2}
                label={{
                  value: time(run.closeAtS),
                  position: 'top',
                  fontSize: 14,
                  fontWeight: 600,
                  fill: 'var(--ink)',
                }}
              />
            )}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <details className="text-[13px] text-soft">
        <summary>Values as a table</summary>
        <table className="mt-1 w-full text-right">
          <thead>
            <tr>
              <th scope="col">Time</th>
              <th scope="col">Link</th>
              <th scope="col">Current</th>
            </tr>
          </thead>
          <tbody>
            {data
              .filter((_, k) => k % every === 0 || k === data.length - 1)
              .map((point) => (
                <tr key={point.t}>
                  <td>{time(point.t)}</td>
                  <td>{formatQuantity({ value: point.v, dimension: 'voltage' }, system).text}</td>
                  <td>{formatQuantity({ value: point.i, dimension: 'current' }, system).text}</td>
                </tr>
              ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}
