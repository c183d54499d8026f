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
import { axisOf, rechartsAxis } from '@/ui/axis';
import { Fold } from '@/ui/fold';

/** Link voltage over time with the closing level; the same values are in the table below it for readers of screens and keyboards. */
export default function PrechargeChart({ run, system }: { run: PrechargeRun; system: UnitSystem }) {
  const level = run.closeFraction * run.packV;
  const charging = run.curve.map(({ timeS, linkV, currentA }) => ({ t: timeS, v: linkV, i: currentA }));
  // After closing the link is at pack voltage: drawn on for the eye.
  const closed =
    run.closeAtS === null ? [] : [1.015, 1.3].map((times) => ({ t: run.closeAtS! * times, v: run.packV, i: 0 }));
  const data = [...charging, ...closed];
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 3).text;
  const every = Math.max(1, Math.floor(data.length / 6));
  return (
    <figure>
      <div className="h-[190px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 16, right: 18, bottom: 18, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="t" {...rechartsAxis(axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false }))} />
            <YAxis width={54} {...rechartsAxis(axisOf(0, run.packV * 1.12, 'voltage', system))} />
            <Tooltip
              isAnimationActive={false}
              formatter={(value) => [
                formatQuantity({ value: Number(value), dimension: 'voltage' }, system).text,
                'link',
              ]}
              labelFormatter={(t) => time(Number(t))}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            <ReferenceLine y={level} stroke="var(--ink)" strokeDasharray="5 4" />
            <Line
              type="linear"
              dataKey="v"
              stroke="var(--hv)"
              strokeWidth={2.4}
              dot={false}
              isAnimationActive={false}
            />
            {run.closeAtS !== null && (
              <ReferenceDot
                x={run.closeAtS}
                y={level}
                r={5.5}
                fill="var(--panel)"
                stroke="var(--ink)"
                strokeWidth={2}
              />
            )}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-small">
        {run.closeAtS === null ? (
          <b className="text-fails">
            Never reaches {(run.closeFraction * 100).toFixed(0)} % (dashed) within {time(run.timeoutS)}: the main must
            stay open.
          </b>
        ) : (
          <>
            The main closes at {(run.closeFraction * 100).toFixed(0)} % (dashed) after <b>{time(run.closeAtS)}</b>.
          </>
        )}
      </figcaption>
      <Fold className="text-note text-soft" head="Values as a table">
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
      </Fold>
    </figure>
  );
}
