'use client';
import { type Check, checkKey, marginText } from '@/core/checks';
import type { PackResults } from '@/core/stations/pack';
import { MARK_COLOUR } from '@/ui/verdict-mark';
import { shapeOf } from '../shell/shape';

const WIDTH = 860;
const LEFT = 190;
const RIGHT = 70;
const ROW = 36;
const TOP = 34;

/** Round step that gives four to eight lines. */
function stepFor(span: number): number {
  const raw = span / 6;
  const decade = 10 ** Math.floor(Math.log10(raw));
  return [1, 2, 5, 10].map((factor) => factor * decade).find((step) => step >= raw) ?? 10 * decade;
}

/** Working range (bar) and what it survives (whisker) of each device, against the pack from sagging to full. Press a row for its check. */
export function WindowChart({
  pack,
  checks,
  onOpen,
}: {
  pack: PackResults;
  checks: readonly Check[];
  onOpen: (key: string) => void;
}) {
  const low = pack.sagV ?? pack.emptyRestV;
  const values = [low, pack.fullV, ...pack.windows.flatMap((row) => [row.workingMinV, row.absoluteMaxV])];
  const pad = 0.06 * (Math.max(...values) - Math.min(...values));
  const min = Math.max(0, Math.min(...values) - pad);
  const max = Math.max(...values) + pad;
  const x = (v: number) => LEFT + ((v - min) / (max - min)) * (WIDTH - LEFT - RIGHT);
  const step = stepFor(max - min);
  const ticks = Array.from(
    { length: Math.floor(max / step) - Math.ceil(min / step) + 1 },
    (_, k) => (Math.ceil(min / step) + k) * step,
  );
  const bottom = TOP + ROW * Math.max(1, pack.windows.length);
  const worstOf = (deviceId: string) =>
    checks.find((check) => check.subject.id === deviceId && check.id.startsWith('device.voltage'));
  const lines = [
    { v: low, name: pack.sagV === null ? 'empty, at rest' : 'lowest, under load', anchor: 'end', dx: -4, dash: '' },
    { v: pack.nominalV, name: 'nominal', anchor: 'middle', dx: 0, dash: '4 4' },
    { v: pack.fullV, name: 'full', anchor: 'start', dx: 4, dash: '' },
  ] as const;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${bottom + 28}`} className="w-full" role="group" aria-label="Voltage windows">
      <rect
        x={x(low)}
        y={TOP - 4}
        width={Math.max(0, x(pack.fullV) - x(low))}
        height={bottom - TOP + 4}
        fill="var(--hv)"
        fillOpacity="0.1"
      />
      {ticks.map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${TOP - 4}V${bottom}`} stroke="var(--rule)" />
          <text x={x(tick)} y={bottom + 18} textAnchor="middle" fontSize="13" fill="var(--soft)">
            {Number(tick.toPrecision(6))}
          </text>
        </g>
      ))}
      <text x={WIDTH - 30} y={bottom + 18} fontSize="13" fill="var(--soft)">
        V
      </text>
      {lines.map(({ v, name, anchor, dx, dash }) => (
        <g key={name}>
          <path
            d={`M${x(v)} ${TOP - 4}V${bottom}`}
            stroke="var(--hv)"
            strokeWidth={dash ? 1.4 : 2}
            strokeDasharray={dash || undefined}
          />
          <text
            x={x(v) + dx}
            y={TOP - 12}
            textAnchor={anchor}
            fontSize="14"
            fontWeight="600"
            fontFamily="var(--font-tight)"
            fill="var(--hv)"
          >
            {name} {v.toFixed(v < 100 ? 1 : 0)}
          </text>
        </g>
      ))}
      {pack.windows.map((row, index) => {
        const y = TOP + ROW * index + ROW / 2;
        const check = worstOf(row.deviceId);
        const shape = check ? shapeOf(check.verdict) : 'hollow';
        const open = () => check && onOpen(checkKey(check));
        return (
          <g
            key={row.deviceId}
            role="button"
            tabIndex={0}
            aria-label={`${row.name}: works from ${row.workingMinV} to ${row.workingMaxV} V, survives ${row.absoluteMaxV} V${check ? `, ${marginText(check)}` : ''}`}
            onClick={open}
            onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && open()}
            className={`cursor-pointer ${MARK_COLOUR[shape]}`}
          >
            <rect x="0" y={y - ROW / 2} width={WIDTH} height={ROW} fill="transparent" />
            <text
              x={LEFT - 14}
              y={y + 5}
              textAnchor="end"
              fontSize="15"
              fontWeight="600"
              fontFamily="var(--font-tight)"
              fill={check?.verdict === 'fails' ? 'currentColor' : 'var(--ink)'}
            >
              {row.name.length > 26 ? `${row.name.slice(0, 25)}…` : row.name}
            </text>
            <path
              d={`M${x(row.workingMinV)} ${y}H${x(row.absoluteMaxV)}M${x(row.absoluteMaxV)} ${y - 7}V${y + 7}`}
              stroke="var(--ink)"
              strokeWidth="1.3"
            />
            <rect
              x={x(row.workingMinV)}
              y={y - 5.5}
              width={x(row.workingMaxV) - x(row.workingMinV)}
              height="11"
              fill="currentColor"
              fillOpacity="0.62"
            />
            <text x={WIDTH - 4} y={y + 5} textAnchor="end" fontSize="14" fontWeight="600" fill="currentColor">
              {check ? marginText(check) : ''}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
