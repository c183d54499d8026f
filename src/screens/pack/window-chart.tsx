'use client';
import { type Check, checkKey, marginText } from '@/core/checks';
import type { PackResults } from '@/core/stations/pack';
import { readable } from '@/ui/readable';
import { useMedia } from '@/ui/use-media';
import { MARK_COLOUR } from '@/ui/verdict-mark';
import { shapeOf } from '../shell/shape';

/** On the bench, and on a phone: there names and margins have less room, and the pack’s three voltages stand in two lines. */
const BENCH = { width: 860, left: 190, right: 70, top: 34, name: 26, raised: 0 };
const PHONE = { width: 450, left: 112, right: 58, top: 52, name: 15, raised: 18 };
const ROW = 36;

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
  const { width, left, right, top, name: most, raised } = useMedia('(max-width: 700px)') ? PHONE : BENCH;
  const low = pack.sagV ?? pack.emptyRestV;
  const values = [low, pack.fullV, ...pack.windows.flatMap((row) => [row.workingMinV, row.absoluteMaxV])];
  const pad = 0.06 * (Math.max(...values) - Math.min(...values));
  const min = Math.max(0, Math.min(...values) - pad);
  const max = Math.max(...values) + pad;
  const x = (v: number) => left + ((v - min) / (max - min)) * (width - left - right);
  const step = stepFor(max - min);
  const ticks = Array.from(
    { length: Math.floor(max / step) - Math.ceil(min / step) + 1 },
    (_, k) => (Math.ceil(min / step) + k) * step,
  );
  const bottom = top + ROW * Math.max(1, pack.windows.length);
  const worstOf = (deviceId: string) =>
    checks.find((check) => check.subject.id === deviceId && check.id.startsWith('device.voltage'));
  const lines = [
    { v: low, name: pack.sagV === null ? 'empty, at rest' : 'lowest, under load', anchor: 'end', dx: -4, dash: '' },
    { v: pack.nominalV, name: 'nominal', anchor: 'middle', dx: 0, dash: '4 4' },
    { v: pack.fullV, name: 'full', anchor: 'start', dx: 4, dash: '' },
  ] as const;
  return (
    <svg viewBox={`0 0 ${width} ${bottom + 28}`} {...readable(width, 13)} role="group" aria-label="Voltage windows">
      <rect
        x={x(low)}
        y={top - 4}
        width={Math.max(0, x(pack.fullV) - x(low))}
        height={bottom - top + 4}
        fill="var(--hv)"
        fillOpacity="0.1"
      />
      {ticks.map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${top - 4}V${bottom}`} stroke="var(--rule)" />
          <text x={x(tick)} y={bottom + 18} textAnchor="middle" fontSize="13" fill="var(--soft)">
            {Number(tick.toPrecision(6))}
          </text>
        </g>
      ))}
      <text x={width - 30} y={bottom + 18} fontSize="13" fill="var(--soft)">
        V
      </text>
      {lines.map(({ v, name, anchor, dx, dash }) => (
        <g key={name}>
          <path
            d={`M${x(v)} ${top - 4}V${bottom}`}
            stroke="var(--hv)"
            strokeWidth={dash ? 1.4 : 2}
            strokeDasharray={dash || undefined}
          />
          <text
            x={x(v) + dx}
            y={top - 12 - (dash ? raised : 0)}
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
        const y = top + ROW * index + ROW / 2;
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
            <title>{row.name}</title>
            <rect x="0" y={y - ROW / 2} width={width} height={ROW} fill="transparent" />
            <text
              x={left - 14}
              y={y + 5}
              textAnchor="end"
              fontSize="15"
              fontWeight="600"
              fontFamily="var(--font-tight)"
              fill={check?.verdict === 'fails' ? 'currentColor' : 'var(--ink)'}
            >
              {row.name.length > most ? `${row.name.slice(0, most - 1)}…` : row.name}
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
            <text x={width - 4} y={y + 5} textAnchor="end" fontSize="14" fontWeight="600" fill="currentColor">
              {check ? marginText(check) : ''}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
