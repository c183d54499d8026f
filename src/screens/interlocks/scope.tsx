'use client';
import type { TracePoint } from './use-board';

const WIDTH = 400;
const HEIGHT = 150;
const LEFT = 40;
const RIGHT = 18;
const BOTTOM = 20;

/** Highest round value above all points. */
const roof = (most: number): number => {
  const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000];
  return steps.find((one) => one >= most) ?? most;
};

/** One curve over the last half minute, as a scope shows it; a trigger level starts its window where it is passed. */
export function Scope({
  name,
  unit,
  trace,
  read,
  spanS = 10,
  triggerAt = null,
  stroke = 'var(--hv)',
}: {
  name: string;
  unit: string;
  trace: readonly TracePoint[];
  read: (point: TracePoint) => number;
  spanS?: number;
  /** Rising through this the window begins, and stays; null: it runs along. */
  triggerAt?: number | null;
  stroke?: string;
}) {
  const values = trace.map(read);
  const passed =
    triggerAt === null ? -1 : values.findIndex((value, k) => k > 0 && values[k - 1]! < triggerAt && value >= triggerAt);
  const endS = trace.at(-1)?.timeS ?? 0;
  const fromS = passed >= 0 ? Math.max(0, trace[passed]!.timeS - spanS / 10) : Math.max(0, endS - spanS);
  const shown = trace.filter(({ timeS }) => timeS >= fromS && timeS <= fromS + spanS);
  const still = shown.length < 2;
  const low = Math.min(0, ...shown.map(read));
  const top = roof(Math.max(1, ...shown.map(read)));
  const bottom = low < -1 ? -roof(-low) : 0;
  const x = (timeS: number) => LEFT + ((timeS - fromS) / spanS) * (WIDTH - LEFT - RIGHT);
  const y = (value: number) => 8 + (1 - (value - bottom) / (top - bottom)) * (HEIGHT - 8 - BOTTOM);
  const seconds = Array.from({ length: 6 }, (_, k) => fromS + (k * spanS) / 5);
  return (
    <figure className="min-w-0 max-w-[560px]">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={`${name} over time`}>
        {[bottom, (bottom + top) / 2, top].map((value) => (
          <g key={value}>
            <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(value)} y2={y(value)} stroke="var(--rule)" />
            {!still && (
              <text x={LEFT - 6} y={y(value) + 4} textAnchor="end" fontSize="14" fill="var(--soft)">
                {value}
              </text>
            )}
          </g>
        ))}
        {still && (
          <text x={(LEFT + WIDTH - RIGHT) / 2} y={HEIGHT / 2 - 12} textAnchor="middle" fontSize="14" fill="var(--soft)">
            drawn while time runs
          </text>
        )}
        {seconds.map((timeS) => (
          <text key={timeS} x={x(timeS)} y={HEIGHT - 3} textAnchor="middle" fontSize="14" fill="var(--soft)">
            {Math.round(timeS * 10) / 10} s
          </text>
        ))}
        {triggerAt !== null && (
          <line
            x1={LEFT}
            x2={WIDTH - RIGHT}
            y1={y(triggerAt)}
            y2={y(triggerAt)}
            stroke="var(--soft)"
            strokeDasharray="4 4"
          />
        )}
        <polyline
          fill="none"
          stroke={stroke}
          strokeWidth="2"
          points={shown.map((point) => `${x(point.timeS).toFixed(1)},${y(read(point)).toFixed(1)}`).join(' ')}
        />
      </svg>
      <figcaption className="text-note text-soft">
        {name}, {unit}
        {passed >= 0 ? ', held by the trigger' : ''}
      </figcaption>
    </figure>
  );
}
