'use client';
import type { Assessment } from '@/core/assess';
import type { Run, Runs } from '@/core/vehicle';
import { readable } from '@/ui/readable';
import { layOutPlan } from '../cables/derive-plan';
import { Body } from '../cables/plan-parts';

/** Wide enough to be seen, thick enough to be told apart: a wire 2 px, fifty 9. */
const thick = (wires: number) => 1 + Math.sqrt(wires);

/** Wires on the vehicle from above: where they gather, and which way they go together. */
export function RunsDrawing({
  assessment,
  runs,
  pickedId,
  onPick,
}: {
  assessment: Assessment;
  runs: Runs;
  pickedId: string | null;
  onPick: (id: string) => void;
}) {
  const { build, vehicle } = assessment;
  const plan = layOutPlan(vehicle, build, 'top');
  const at = runs.knots.map((knot) => ({ knot, place: plan.toScreen(knot.at) }));
  const path = ({ way }: Run) =>
    way
      .map((point, k) => {
        const [x, y] = plan.toScreen(point);
        return `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
      })
      .join('');
  // Where the count stands: in the middle of the longest stretch.
  const label = ({ way }: Run): readonly [number, number] => {
    const points = way.map(plan.toScreen);
    const stretches = points.slice(1).map((to, k) => [points[k]!, to] as const);
    const long = ([p, q]: (typeof stretches)[number]) => Math.hypot(q[0] - p[0], q[1] - p[1]);
    const [p, q] = stretches.reduce((best, one) => (long(one) > long(best) ? one : best));
    return [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  };
  return (
    <>
      <svg
        viewBox={`0 0 ${plan.width} ${plan.height}`}
        {...readable(plan.width, 11.5)}
        role="group"
        aria-label="Wires on the plan, from above"
      >
        <Body plan={plan} system={build.units} />
        {plan.blocks
          .filter(({ small, inside }) => !small && !inside)
          .map(({ id, x, y, width, height }) => (
            <rect key={id} x={x} y={y} width={width} height={height} rx="3" fill="none" stroke="var(--rule)" />
          ))}
        {[...runs.runs].reverse().map((run) => {
          const chosen = run.id === pickedId;
          return (
            <g key={run.id}>
              <path
                d={path(run)}
                fill="none"
                stroke={chosen ? 'var(--ink)' : 'var(--lv)'}
                strokeOpacity={pickedId === null || chosen ? 1 : 0.35}
                strokeWidth={thick(run.wires.length)}
                strokeLinejoin="round"
                strokeDasharray={run.laid ? undefined : '7 4'}
                pointerEvents="none"
              />
              <path
                role="button"
                tabIndex={0}
                aria-pressed={chosen}
                aria-label={runName(run)}
                d={path(run)}
                fill="none"
                stroke="transparent"
                strokeWidth="16"
                className="cursor-pointer"
                onClick={() => onPick(run.id)}
                onKeyDown={(event) => {
                  if (event.key === 'Enter' || event.key === ' ') {
                    event.preventDefault();
                    onPick(run.id);
                  }
                }}
              />
            </g>
          );
        })}
        {runs.runs
          .filter(({ id }) => id === pickedId)
          .map((run) => {
            const [x, y] = label(run);
            return (
              <text
                key={run.id}
                x={x}
                y={y - 8}
                textAnchor="middle"
                fontSize="13"
                fontWeight="600"
                fill="var(--ink)"
                stroke="var(--panel)"
                strokeWidth="4"
                paintOrder="stroke"
                pointerEvents="none"
              >
                {wiresText(run)}
              </text>
            );
          })}
        {at.map(({ knot, place: [x, y] }, k) => (
          <g key={knot.id} pointerEvents="none">
            <circle
              cx={x}
              cy={y}
              r="9.5"
              fill="var(--panel)"
              stroke="var(--ink)"
              strokeWidth="1.4"
              strokeDasharray={knot.exact ? undefined : '2.5 2.5'}
            />
            <text x={x} y={y + 4} textAnchor="middle" fontSize="11.5" fontWeight="600" fill="var(--ink)">
              {k + 1}
            </text>
          </g>
        ))}
      </svg>
      <ol aria-label="Places on the drawing" className="sticky left-0 flex flex-wrap gap-x-4 gap-y-0.5 pb-2 text-small">
        {runs.knots.map(({ id, name, others, exact }, k) => (
          <li key={id}>
            <b className="font-semibold tabular-nums">{k + 1}</b> {name}
            {others.length > 0 && (
              <span className="text-soft"> with {others.length > 2 ? `${others.length} more` : others.join(', ')}</span>
            )}
            {!exact && <span className="text-soft">, somewhere in it</span>}
          </li>
        ))}
      </ol>
    </>
  );
}

/** From where to where, with how many wires. */
export const runName = (run: Run): string => `${run.from.name} to ${run.to.name}: ${wiresText(run)}`;
const wiresText = ({ wires }: Run): string => `${wires.length} ${wires.length === 1 ? 'wire' : 'wires'}`;
