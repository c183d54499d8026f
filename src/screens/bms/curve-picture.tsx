'use client';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { CurvePoint } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { axisOf } from '@/ui/axis';

const WIDTH = 440;
const HEIGHT = 190;
const [LEFT, RIGHT, TOP, BOTTOM] = [52, 14, 12, 30];

type Along = 'temperature' | 'ratio';
/** Steps of the arrow keys: along, and of the current, A. */
const STEP = { temperature: 1, ratio: 0.01 } as const;
const STEP_A = 5;

/** A curve of current that is pulled by its points: mouse, finger, or arrow keys; behind it what the cells bear. */
export function CurvePicture({
  name,
  along,
  points,
  bears,
  system,
  onChange,
}: {
  name: string;
  along: Along;
  points: readonly CurvePoint[];
  /** What the cells bear, dashed; empty: not over this. */
  bears: readonly CurvePoint[];
  system: UnitSystem;
  onChange: (points: readonly CurvePoint[]) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [pulled, setPulled] = useState<{ readonly at: number; readonly points: readonly CurvePoint[] } | null>(null);
  const shown = pulled?.points ?? points;
  const all = [...points, ...bears];
  const x = axisOf(
    along === 'ratio' ? 0 : Math.min(-20, ...all.map(([at]) => at)),
    along === 'ratio' ? 1 : Math.max(60, ...all.map(([at]) => at)),
    along,
    system,
    { most: 6 },
  );
  const y = axisOf(0, Math.max(10, ...all.map(([, ampere]) => ampere)) * 1.05, 'current', system, { most: 5 });
  const px = (at: number) => LEFT + ((WIDTH - LEFT - RIGHT) * (at - x.domain[0])) / (x.domain[1] - x.domain[0]);
  const py = (ampere: number) => HEIGHT - BOTTOM - ((HEIGHT - TOP - BOTTOM) * ampere) / y.domain[1];
  const way = (curve: readonly CurvePoint[]) => curve.map(([at, ampere]) => `${px(at)},${py(ampere)}`).join(' ');

  /** A point moved, never past its neighbours and never below nothing. */
  const moved = (at: number, [to, ampere]: CurvePoint): readonly CurvePoint[] => {
    const gap = STEP[along];
    const low = at > 0 ? points[at - 1]![0] + gap : x.domain[0];
    const high = at < points.length - 1 ? points[at + 1]![0] - gap : x.domain[1];
    const round = along === 'ratio' ? 100 : 1;
    return points.map((one, k): CurvePoint => {
      if (k !== at) return one;
      const place = Math.round(Math.min(high, Math.max(low, to)) * round) / round;
      return [Math.min(high, Math.max(low, place)), Math.max(0, Math.round(ampere))];
    });
  };
  const placeOf = (event: PointerEvent): CurvePoint => {
    const box = svg.current!.getBoundingClientRect();
    const [u, v] = [
      ((event.clientX - box.left) / box.width) * WIDTH,
      ((event.clientY - box.top) / box.height) * HEIGHT,
    ];
    return [
      x.domain[0] + ((u - LEFT) / (WIDTH - LEFT - RIGHT)) * (x.domain[1] - x.domain[0]),
      ((HEIGHT - BOTTOM - v) / (HEIGHT - TOP - BOTTOM)) * y.domain[1],
    ];
  };
  const onKey = (event: KeyboardEvent, at: number) => {
    const [from, ampere] = points[at]!;
    const by = {
      ArrowUp: [0, STEP_A],
      ArrowDown: [0, -STEP_A],
      ArrowRight: [STEP[along], 0],
      ArrowLeft: [-STEP[along], 0],
    }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(moved(at, [from + by[0]!, ampere + by[1]!]));
  };
  const said = (value: number, dimension: Along | 'current') => formatQuantity({ value, dimension }, system, 3).text;
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-[560px] touch-none select-none"
      role="group"
      aria-label={name}
    >
      {y.ticks.map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={py(tick)} y2={py(tick)} stroke="var(--rule)" />
          <text x={LEFT - 6} y={py(tick) + 4} fontSize={12} textAnchor="end" fill="var(--soft)">
            {y.format(tick)}
          </text>
        </g>
      ))}
      {x.ticks.map((tick) => (
        <text key={tick} x={px(tick)} y={HEIGHT - 10} fontSize={12} textAnchor="middle" fill="var(--soft)">
          {x.format(tick)}
        </text>
      ))}
      {bears.length > 1 && (
        <polyline points={way(bears)} fill="none" stroke="var(--soft)" strokeWidth={1.4} strokeDasharray="5 4" />
      )}
      <polyline points={way(shown)} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {shown.map(([at, ampere], k) => (
        <g
          key={k}
          role="slider"
          tabIndex={0}
          aria-label={`${name}, point ${k + 1} of ${shown.length}`}
          aria-valuenow={ampere}
          aria-valuemin={0}
          aria-valuetext={`${said(ampere, 'current')} at ${said(at, along)}`}
          className="cursor-grab"
          onKeyDown={(event) => onKey(event, k)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setPulled({ at: k, points });
          }}
          onPointerMove={(event) => {
            if (pulled?.at === k) setPulled({ at: k, points: moved(k, placeOf(event)) });
          }}
          onPointerUp={() => {
            if (pulled?.points.some((one, at2) => one.some((value, n) => value !== points[at2]![n])))
              onChange(pulled.points);
            setPulled(null);
          }}
          onPointerCancel={() => setPulled(null)}
        >
          {/* As wide as a thumb on the smallest screen. */}
          <circle cx={px(at)} cy={py(ampere)} r={28} fill="transparent" />
          <circle cx={px(at)} cy={py(ampere)} r={7} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2} />
        </g>
      ))}
    </svg>
  );
}
