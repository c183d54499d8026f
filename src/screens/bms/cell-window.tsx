'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { CellWindow } from '@/core/stations/bms';
import { readable } from '@/ui/readable';

interface Mark {
  readonly at: number;
  readonly name: string;
  readonly side: 'above' | 'below';
  readonly set: boolean;
}

const WIDTH = 940;
const LEFT = 16;
/** Names closer than this stand in the next row, px. */
const ROOM = 128;
const ROW = 32;

/** Rows for names along a line so that none runs into the next, from the right: a leader to a higher row passes no name of a lower one. */
export function rowsOf(xs: readonly number[]): number[] {
  const rows: number[] = [];
  for (let k = xs.length - 1; k >= 0; k--) {
    let row = 0;
    for (let right = k + 1; right < xs.length && xs[right]! < xs[k]! + ROOM; right++)
      row = Math.max(row, rows[right]! + 1);
    rows[k] = row;
  }
  return rows;
}

/** One cell between what destroys it on either side: what its sheet says under the line, what is set above it. */
export function CellWindowPicture({ window: one, system }: { window: CellWindow; system: UnitSystem }) {
  const all: (Mark | null)[] = [
    { at: one.leastV, name: 'no cell below', side: 'below', set: false },
    { at: one.emptyV, name: 'empty under load', side: 'below', set: false },
    { at: one.fullV, name: 'full', side: 'below', set: false },
    { at: one.mostV, name: 'no cell above', side: 'below', set: false },
    one.underV === null ? null : { at: one.underV, name: 'driving stops', side: 'above', set: true },
    one.balanceFromV === null ? null : { at: one.balanceFromV, name: 'balancing from', side: 'above', set: true },
    one.chargeV === null ? null : { at: one.chargeV, name: 'charged to', side: 'above', set: true },
    one.overV === null ? null : { at: one.overV, name: 'charging stops', side: 'above', set: true },
  ];
  const marks = all.filter((mark) => mark !== null).sort((p, q) => p.at - q.at);
  const low = Math.min(...marks.map(({ at }) => at));
  const high = Math.max(...marks.map(({ at }) => at));
  const pad = 0.08 * (high - low);
  const x = (v: number) => LEFT + ((WIDTH - 2 * LEFT - ROOM / 2) * (v - low + pad)) / (high - low + 2 * pad);
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, system, 4).text;
  const sides = (['above', 'below'] as const).map((side) => {
    const here = marks.filter((mark) => mark.side === side);
    const rows = rowsOf(here.map(({ at }) => x(at)));
    return here.map((mark, k) => ({ ...mark, row: rows[k]! }));
  });
  const rowsOn = sides.map((side) => 1 + Math.max(0, ...side.map(({ row }) => row)));
  const axisY = 24 + ROW * rowsOn[0]!;
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDTH} ${axisY + 30 + ROW * rowsOn[1]!}`}
        {...readable(WIDTH, 13)}
        role="img"
        aria-label={`A cell’s voltages: ${marks.map(({ name, at }) => `${name} ${volts(at)}`).join(', ')}`}
      >
        <rect
          x={x(one.emptyV)}
          y={axisY - 7}
          width={x(one.fullV) - x(one.emptyV)}
          height={14}
          fill="var(--well)"
          stroke="var(--soft)"
        />
        <line
          x1={LEFT}
          x2={x(one.leastV)}
          y1={axisY}
          y2={axisY}
          stroke="var(--fails)"
          strokeWidth={4}
          strokeDasharray="3 4"
        />
        <line
          x1={x(one.mostV)}
          x2={WIDTH - LEFT}
          y1={axisY}
          y2={axisY}
          stroke="var(--fails)"
          strokeWidth={4}
          strokeDasharray="3 4"
        />
        <line x1={x(one.leastV)} x2={x(one.mostV)} y1={axisY} y2={axisY} stroke="var(--ink)" strokeWidth={1.5} />
        {sides.flat().map(({ at, name, side, row, set }) => {
          const wrong = set && (at > one.mostV + 1e-9 || at < one.leastV - 1e-9);
          const y = side === 'above' ? axisY - 26 - ROW * row : axisY + 38 + ROW * row;
          return (
            <g key={`${side} ${name}`}>
              <line
                x1={x(at)}
                x2={x(at)}
                y1={axisY + (side === 'above' ? 7 : -7)}
                y2={side === 'above' ? y - 14 : y + 2}
                stroke={wrong ? 'var(--fails)' : set ? 'var(--ink)' : 'var(--soft)'}
                strokeWidth={set ? 2 : 1}
              />
              <text x={x(at) + 5} y={y - 2} fontSize={13} fill="var(--soft)">
                {name}
              </text>
              <text
                x={x(at) + 5}
                y={y + 12}
                fontSize={14}
                fontWeight={set ? 600 : 500}
                fill={wrong ? 'var(--fails)' : 'var(--ink)'}
              >
                {volts(at)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
