'use client';
import type { Brakes } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { BrakeVacuum } from '@/core/simulate';

const TOP = 22;
const BOTTOM = 196;
const SCALE_X = 8;

interface Props {
  readonly vacuum: BrakeVacuum;
  readonly brakes: Brakes;
  readonly system: UnitSystem;
}

/** Pump, valve, reservoir and booster as they hang together. */
export function VacuumDrawing({ brakes, system }: Omit<Props, 'vacuum'>) {
  const litres = (value: number | undefined) =>
    value === undefined ? 'none' : formatQuantity({ value, dimension: 'volume' }, system, 3).text;
  const line = 'fill-none stroke-vacuum';
  return (
    <svg
      viewBox="20 36 392 168"
      role="img"
      aria-label="Vacuum of the brakes: pump, check valve, reservoir, booster and pedal"
      className="w-full min-w-0 max-w-[460px] flex-1 basis-[300px] text-small"
    >
      <g strokeWidth={3} className={line}>
        <path d="M74 110 H118 M142 110 H176 M260 110 H316" />
        {brakes.warnPa !== undefined && <path d="M204 150 V176" strokeWidth={1.5} />}
        <path d="M232 150 V176" strokeWidth={1.5} />
      </g>
      <g strokeWidth={1.8} className="fill-panel stroke-ink">
        <circle cx={52} cy={110} r={22} />
        <path d="M52 94 L66 118 H38 Z" className="fill-ink stroke-none" />
        {brakes.checkValve !== false && (
          <>
            <path d="M142 98 L120 110 L142 122 Z" />
            <path d="M118 98 V122" />
          </>
        )}
        <rect x={176} y={70} width={84} height={80} rx={14} />
        <path d="M316 66 C340 60 356 74 356 110 C356 146 340 160 316 154 Z" />
        <path d="M356 110 H392 M392 84 L392 138" />
      </g>
      <g className="fill-ink font-tight" textAnchor="middle">
        <text x={52} y={80}>
          Pump
        </text>
        <text x={52} y={152} className="fill-soft">
          {brakes.pumpLPerMin === undefined
            ? ''
            : formatQuantity({ value: brakes.pumpLPerMin, dimension: 'airFlow' }, system, 3).text}
        </text>
        <text x={130} y={88}>
          {brakes.checkValve === false ? 'no valve' : 'Valve'}
        </text>
        <text x={218} y={60}>
          Reservoir
        </text>
        <text x={218} y={115} className="fill-soft">
          {litres(brakes.reservoirL)}
        </text>
        <text x={336} y={52}>
          Booster
        </text>
        <text x={336} y={178} className="fill-soft">
          {litres(brakes.boosterL)}
        </text>
        <text x={392} y={74}>
          Pedal
        </text>
        <text x={236} y={192} textAnchor="start">
          switch
        </text>
        {brakes.warnPa !== undefined && (
          <text x={200} y={192} textAnchor="end">
            lamp
          </text>
        )}
      </g>
    </svg>
  );
}

/** How deep the vacuum goes here, and where the switches stand on it. */
export function VacuumScale({ vacuum, brakes, system }: Props) {
  const p = (value: number) => formatQuantity({ value, dimension: 'pressure' }, system, 3).text;
  const most = Math.max(vacuum.air.highestPa, vacuum.offPa) * 1.06;
  const y = (pa: number) => BOTTOM - ((BOTTOM - TOP) * pa) / most;
  const beyond = vacuum.offPa >= vacuum.air.highestPa;
  const marks = spread([
    { at: y(vacuum.air.highestPa), text: `highest here ${p(vacuum.air.highestPa)}`, bold: true, fails: false },
    { at: y(vacuum.offPa), text: `pump off ${p(vacuum.offPa)}`, bold: false, fails: beyond },
    { at: y(vacuum.onPa), text: `pump on ${p(vacuum.onPa)}`, bold: false, fails: false },
    ...(brakes.warnPa === undefined
      ? []
      : [{ at: y(brakes.warnPa), text: `lamp ${p(brakes.warnPa)}`, bold: false, fails: false }]),
    { at: y(vacuum.leastPa), text: `assisted down to ${p(vacuum.leastPa)}`, bold: false, fails: false },
  ]);
  return (
    <svg
      viewBox="0 0 210 220"
      role="img"
      aria-label={`Highest vacuum here ${p(vacuum.air.highestPa)}, pump off at ${p(vacuum.offPa)}, on at ${p(vacuum.onPa)}`}
      className="w-[236px] shrink-0 text-small"
    >
      <rect x={SCALE_X} y={TOP} width={16} height={BOTTOM - TOP} className="fill-well stroke-rule" />
      <rect
        x={SCALE_X}
        y={y(vacuum.air.highestPa)}
        width={16}
        height={BOTTOM - y(vacuum.air.highestPa)}
        className="fill-vacuum opacity-40"
      />
      {marks.map(({ at, label, text, bold, fails }) => (
        <g key={text}>
          <path
            d={`M${SCALE_X - 5} ${at} H${SCALE_X + 21} L${SCALE_X + 32} ${label}`}
            className={fails ? 'fill-none stroke-fails' : 'fill-none stroke-ink'}
            strokeWidth={1.5}
          />
          <text
            x={SCALE_X + 36}
            y={label + 5}
            className={`font-tight ${fails ? 'fill-fails font-semibold' : 'fill-ink'} ${bold ? 'font-semibold' : ''}`}
          >
            {fails ? `✕ ${text}` : text}
          </text>
        </g>
      ))}
      <text x={SCALE_X + 36} y={BOTTOM + 14} className="fill-soft font-tight">
        air outside
      </text>
    </svg>
  );
}

/** Names of marks that lie close are moved apart, from the top down. */
function spread<M extends { readonly at: number }>(marks: readonly M[]): readonly (M & { readonly label: number })[] {
  let last = Number.NEGATIVE_INFINITY;
  return [...marks]
    .sort((p, q) => p.at - q.at)
    .map((mark) => {
      last = Math.max(mark.at, last + 19);
      return { ...mark, label: last };
    });
}
