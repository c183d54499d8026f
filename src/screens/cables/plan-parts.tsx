'use client';
import type { KeyboardEvent } from 'react';
import type { Assessment } from '@/core/assess';
import type { Build } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { massesOf } from '@/core/vehicle';
import type { layOutPlan, PlanPassage, PlanRoute } from './derive-plan';
import { Handle, type Moved } from './plan-handle';
import { cut } from './plan-names';

type Plan = ReturnType<typeof layOutPlan>;

/** Outline, wheels, zones and the scale. */
/** The bar of the scale, m: half a metre, or two feet. */
const BAR_M = { metric: 0.5, us: 0.6096 } as const;

export function Body({ plan, system }: { plan: Plan; system: UnitSystem }) {
  const heat = (value: number) => formatQuantity({ value, dimension: 'temperature' }, system).text;
  const barM = BAR_M[system];
  const { outline, view, zones, toScreen } = plan;
  const [left, top] = toScreen({ xM: outline.x0M, yM: -outline.halfWidthM, zM: outline.heightM });
  const [right, bottom] = toScreen({ xM: outline.x1M, yM: outline.halfWidthM, zM: 0 });
  const wheelR = 0.31 * plan.scale;
  const axles = [0, outline.wheelbaseM].map((xM) => toScreen({ xM, yM: 0, zM: 0.31 })[0]);
  return (
    <g>
      {view === 'top' ? (
        <>
          {axles.flatMap((x) =>
            [-1, 1].map((side) => (
              <rect
                key={`${x} ${side}`}
                x={x - wheelR}
                y={toScreen({ xM: 0, yM: (side * outline.trackM) / 2, zM: 0 })[1] - 0.09 * plan.scale}
                width={2 * wheelR}
                height={0.18 * plan.scale}
                rx="5"
                fill="var(--rule)"
              />
            )),
          )}
          <rect
            x={left}
            y={top}
            width={right - left}
            height={bottom - top}
            rx="46"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          <path d={`M${left + 14} ${(top + bottom) / 2}H${right - 14}`} stroke="var(--rule)" strokeDasharray="2 6" />
        </>
      ) : (
        <>
          <path
            d={`M${left} ${bottom - 0.25 * plan.scale}V${top + 0.45 * (bottom - top)}L${left + 0.3 * (right - left)} ${top + 0.38 * (bottom - top)}L${left + 0.42 * (right - left)} ${top}H${right - 12}Q${right} ${top} ${right} ${top + 14}V${bottom - 0.25 * plan.scale}Z`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          {axles.map((x) => (
            <circle
              key={x}
              cx={x}
              cy={bottom - wheelR}
              r={wheelR}
              fill="var(--panel)"
              stroke="var(--soft)"
              strokeWidth="1.4"
            />
          ))}
          <path d={`M${left - 20} ${bottom}H${right + 20}`} stroke="var(--soft)" strokeWidth="1.4" />
        </>
      )}
      {zones.map(
        ({ id, name, ambientC, block }) =>
          block && (
            <g key={id}>
              <rect {...block} fill="none" stroke="var(--soft)" strokeWidth="1.2" strokeDasharray="4 4" />
              <text x={block.x + 4} y={block.y + 13} fontSize="11.5" fill="var(--soft)">
                {`${cut(name, 18)}, ${heat(ambientC)}`}
              </text>
            </g>
          ),
      )}
      {zones
        .filter(({ id, block }) => id !== 'zone-underbody' && block === null)
        .map((zone) => (
          <g key={zone.id}>
            {zone.x0 > left + 2 && (
              <path
                d={`M${zone.x0} ${top + 4}V${bottom - 4}`}
                stroke="var(--rule)"
                strokeWidth="1.2"
                strokeDasharray="4 4"
              />
            )}
            <text
              x={(zone.x0 + zone.x1) / 2}
              y={plan.height - 44}
              textAnchor="middle"
              fontSize="12.5"
              fill="var(--soft)"
            >
              {cut(zone.name, 24)}
            </text>
            <text x={(zone.x0 + zone.x1) / 2} y={plan.height - 29} textAnchor="middle" fontSize="12" fill="var(--soft)">
              {heat(zone.ambientC)}
            </text>
          </g>
        ))}
      <path
        d={`M${left} ${plan.height - 8}h${barM * plan.scale}m0 -4v8M${left} ${plan.height - 12}v8`}
        stroke="var(--soft)"
      />
      <text x={left + barM * plan.scale + 6} y={plan.height - 4} fontSize="11.5" fill="var(--soft)">
        {formatQuantity({ value: barM, dimension: 'length' }, system, 3, system === 'us' ? 'ft' : 'm').text}
        {outline.assumed ? ', outline assumed' : ''}
      </text>
    </g>
  );
}

/** Loads on the axles; while something is dragged, against before. */
export function Axles({ assessment, before, plan }: { assessment: Assessment; before: Assessment | null; plan: Plan }) {
  const masses = massesOf(assessment.vehicle);
  const old = before ? massesOf(before.vehicle) : null;
  if (!masses.loaded) return null;
  const fails = assessment.checks.filter(({ verdict }) => verdict === 'fails').length;
  const wasFails = before?.checks.filter(({ verdict }) => verdict === 'fails').length;
  const system = assessment.build.units;
  const text = (value: number) => formatQuantity({ value, dimension: 'mass' }, system, 4).text;
  return (
    <g fontSize="13" fill="var(--ink)" data-plan-axles="">
      {(
        [
          [0, masses.loaded.frontKg, old?.loaded?.frontKg, 'front'],
          [plan.outline.wheelbaseM, masses.loaded.rearKg, old?.loaded?.rearKg, 'rear'],
        ] as const
      ).map(([xM, now, was, axle]) => {
        const [x] = plan.toScreen({ xM, yM: 0, zM: 0 });
        return (
          <g key={axle}>
            <path d={`M${x - 62} 14v16m-4 -5 4 5 4 -5`} stroke="var(--ink)" fill="none" strokeWidth="1.4" />
            <text x={x - 52} y={27} fontWeight="600">
              {text(now)}
              {was !== undefined && Math.abs(now - was) >= 0.5 && (
                <tspan fontWeight="400" fill="var(--soft)">
                  {` ${now > was ? '+' : '−'}${formatQuantity({ value: Math.abs(now - was), dimension: 'mass' }, system, 2).text}`}
                </tspan>
              )}
            </text>
          </g>
        );
      })}
      {wasFails !== undefined && (
        <text x={plan.width / 2} y={27} textAnchor="middle" fill={fails > wasFails ? 'var(--fails)' : 'var(--soft)'}>
          {fails === wasFails ? `${fails} fail, as before` : `${fails} fail instead of ${wasFails}`}
        </text>
      )}
    </g>
  );
}

/** A conductor along its route, with its length; the points of the picked one can be dragged. */
export function RouteLine({
  route,
  lower,
  system,
  picked,
  onKey,
  onPick,
}: {
  route: PlanRoute;
  /** Its label stands so much lower: routes lie on each other from the side. */
  lower: number;
  system: Build['units'];
  picked: boolean;
  onKey: (event: KeyboardEvent, moved: Moved) => void;
  onPick: () => void;
}) {
  const path = route.points.map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
  const middle = route.points[Math.floor(route.points.length / 2)];
  const before = route.points[Math.floor(route.points.length / 2) - 1];
  const label =
    route.lengthM === null
      ? 'no length'
      : formatQuantity({ value: route.lengthM, dimension: 'length' }, system, 3, system === 'metric' ? 'm' : 'ft').text;
  return (
    <g>
      <path
        role="button"
        tabIndex={0}
        aria-label={`${route.name}, ${label}`}
        d={path}
        fill="none"
        stroke="transparent"
        strokeWidth="14"
        className="cursor-pointer"
        onClick={(event) => {
          event.stopPropagation();
          onPick();
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === ' ') onPick();
        }}
      />
      <path
        d={path}
        fill="none"
        stroke={route.low ? 'var(--lv)' : 'var(--hv)'}
        strokeWidth={(picked ? 4.5 : 2.6) * (route.low ? 0.6 : 1)}
        strokeLinejoin="round"
        pointerEvents="none"
      />
      {middle && before && (!route.low || picked) && (
        <g pointerEvents="none">
          <rect
            x={(middle[0] + before[0]) / 2 - 29}
            y={(middle[1] + before[1]) / 2 - 10 + lower}
            width="58"
            height="20"
            rx="3"
            fill="var(--panel)"
            stroke="var(--rule)"
          />
          <text
            x={(middle[0] + before[0]) / 2}
            y={(middle[1] + before[1]) / 2 + 4.5 + lower}
            textAnchor="middle"
            fontSize="12.5"
            fontWeight="600"
            fill="var(--ink)"
            data-plan-length={route.conductorId}
          >
            {label}
          </text>
        </g>
      )}
      {picked &&
        route.handles.map(({ index, x, y }) => (
          <Handle
            key={index}
            moved={{ kind: 'waypoint', routeId: route.routeId, index }}
            label={`Point ${index + 1} of ${route.name}: drag or move with the arrow keys`}
            onPress={onPick}
            onKey={onKey}
          >
            <circle
              cx={x}
              cy={y}
              r="7"
              fill="var(--panel)"
              stroke={route.low ? 'var(--lv)' : 'var(--hv)'}
              strokeWidth="2.4"
            />
          </Handle>
        ))}
    </g>
  );
}

const PASSAGE_WORDS = { grommet: 'hole with a grommet', hole: 'bare hole', tunnel: 'open way' } as const;

/** Where cables go from zone to zone: a ring where the edge is protected, a bare diamond where it is not. */
export function PassageMark({
  passage,
  picked,
  onPress,
  onKey,
}: {
  passage: PlanPassage;
  picked: boolean;
  onPress: () => void;
  onKey: (event: KeyboardEvent, moved: Moved) => void;
}) {
  const { x, y, kind, name } = passage;
  const stroke = { stroke: 'var(--ink)', strokeWidth: picked ? 3 : 1.6, fill: 'var(--panel)' } as const;
  return (
    <Handle
      moved={{ kind: 'passage', id: passage.id }}
      label={`${name}, ${PASSAGE_WORDS[kind]}: drag or move with the arrow keys`}
      picked={picked}
      onPress={onPress}
      onKey={onKey}
      data-plan-passage={passage.id}
    >
      <circle cx={x} cy={y} r="13" fill="transparent" />
      {kind === 'hole' && <path d={`M${x} ${y - 7}l7 7l-7 7l-7 -7z`} {...stroke} />}
      {kind === 'grommet' && (
        <>
          <circle cx={x} cy={y} r="6.5" {...stroke} />
          <circle cx={x} cy={y} r="2.6" {...stroke} fill="none" />
        </>
      )}
      {kind === 'tunnel' && <path d={`M${x - 8} ${y - 5}h16M${x - 8} ${y + 5}h16`} {...stroke} fill="none" />}
      <title>{`${name}, ${PASSAGE_WORDS[kind]}`}</title>
      {picked && (
        <text x={x} y={y - 12} textAnchor="middle" fontSize="11.5" fill="var(--ink)">
          {cut(name, 22)}
        </text>
      )}
    </Handle>
  );
}
