'use client';
import { type ReactNode, useId, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { UnitSystem } from '@/core/quantities';
import { Action } from '../action';
import { AXIS, axisOf, extent, rechartsAxis, TOOLTIP } from '../axis';
import { Range } from '../range';
import {
  type Along,
  type ChartRow,
  chosenSpan,
  columnsOf,
  type Pane,
  rowsWithin,
  type Span,
  sheetOf,
  spread,
  valueText,
  wholeSpan,
} from './chart-data';
import { ChartFrame } from './chart-frame';

export interface XYChartProps {
  readonly name: string;
  readonly system: UnitSystem;
  readonly along: Along;
  readonly rows: readonly ChartRow[];
  /** Pictures one under the other over one horizontal axis; a crosshair reads them all. */
  readonly panes: readonly Pane[];
  readonly caption?: ReactNode;
  /** Rows as text for a file, heads first. */
  readonly write: (rows: readonly (readonly (string | number | null)[])[]) => string;
}

/** Rows of the table under a chart. */
const TABLE_ROWS = 13;
/** Room for the names of limits and curves, px. */
const NAMED_RIGHT = 62;

/** Curves over anything: a drag enlarges a part of it, the crosshair reads it, the values are a table and files. */
export function XYChart({ name, system, along, rows, panes, caption, write }: XYChartProps) {
  const whole = wholeSpan(rows, along);
  const [part, setPart] = useState<Span | null>(null);
  const [drag, setDrag] = useState<Span | null>(null);
  const sync = useId();
  const span = part ?? whole;
  const shown = part ? rowsWithin(rows, along.key, part) : rows;
  const inPart = part
    ? rows.filter((row) => (row[along.key] ?? Number.NaN) >= part[0] && row[along.key]! <= part[1])
    : rows;
  const columns = columnsOf(along, panes);
  const say = (value: number | null | undefined, key: string) =>
    valueText(value, columns.find((column) => column.key === key)!.dimension, system);
  const named = panes.some(({ curves }) => curves.some((curve) => curve.named || curve.endsIn));
  const axis = along.log
    ? {
        type: 'number' as const,
        scale: 'log' as const,
        domain: [span[0], span[1]] as [number, number],
        tickFormatter: (value: number) => say(value, along.key),
        ...AXIS,
      }
    : rechartsAxis(
        axisOf(span[0], span[1], along.dimension, system, { whole: (along.whole ?? false) && !part, most: 6 }),
      );
  const ticks = along.ticks?.filter((tick) => tick >= span[0] && tick <= span[1]);
  const at = (state: { activeLabel?: string | number | undefined }): number | null => {
    const value = Number(state.activeLabel);
    return state.activeLabel !== undefined && Number.isFinite(value) ? value : null;
  };
  return (
    <ChartFrame
      name={name}
      caption={caption}
      head={columns.map((column) => column.name)}
      cells={spread(inPart, TABLE_ROWS).map((row) => columns.map(({ key }) => say(row[key], key)))}
      {...(inPart.length > TABLE_ROWS
        ? { note: `${TABLE_ROWS} of ${inPart.length} values${part ? ' of this part' : ''}; the CSV has them all.` }
        : {})}
      csv={() => write(sheetOf(rows, along, panes, system))}
      tools={
        whole[1] > whole[0] ? (
          <div className="flex flex-wrap items-center gap-x-4">
            <div className="min-w-0 flex-1 basis-72">
              <Range
                label={`${along.name} shown`}
                ends={whole}
                chosen={span}
                text={(value) => say(value, along.key)}
                onChoose={(chosen) => setPart(chosen[0] <= whole[0] && chosen[1] >= whole[1] ? null : chosen)}
              />
            </div>
          </div>
        ) : null
      }
    >
      <div className="relative">
        {part && (
          <div className="absolute top-0 right-0 z-10 bg-panel">
            <Action look="quiet" onPress={() => setPart(null)}>
              Show all
            </Action>
          </div>
        )}
        {panes.map((pane, k) => {
          const last = k === panes.length - 1;
          const heights = axisOf(
            ...extent([
              ...shown.flatMap((row) => pane.curves.map(({ key }) => row[key])),
              ...(part ? [] : (pane.reaches ?? [])),
            ]),
            pane.dimension,
            system,
            { most: pane.most ?? 5 },
          );
          return (
            <div key={pane.curves.map(({ key }) => key).join(' ')} style={{ height: pane.heightPx }}>
              <ResponsiveContainer width="100%" height="100%">
                <LineChart
                  data={[...shown]}
                  syncId={sync}
                  margin={{ top: 14, right: named ? NAMED_RIGHT : 18, bottom: last ? 0 : 8, left: 2 }}
                  accessibilityLayer={false}
                  style={{ cursor: 'crosshair' }}
                  onMouseDown={(state) => {
                    const from = at(state);
                    if (from !== null) setDrag([from, from]);
                  }}
                  onMouseMove={(state) => {
                    const to = at(state);
                    if (drag && to !== null) setDrag([drag[0], to]);
                  }}
                  onMouseUp={() => {
                    const chosen = drag && chosenSpan(drag[0], drag[1], span);
                    if (chosen) setPart(chosen);
                    setDrag(null);
                  }}
                  onMouseLeave={() => setDrag(null)}
                >
                  <CartesianGrid stroke="var(--rule)" vertical={false} />
                  <XAxis
                    dataKey={along.key}
                    {...axis}
                    {...(ticks ? { ticks: [...ticks] } : {})}
                    allowDataOverflow
                    hide={!last}
                  />
                  <YAxis width={58} {...rechartsAxis(heights)} allowDataOverflow={part !== null} />
                  <Tooltip
                    isAnimationActive={false}
                    labelFormatter={(value) => say(Number(value), along.key)}
                    formatter={(value, key) => [
                      say(value === undefined ? null : Number(value), String(key)),
                      columns.find((column) => column.key === String(key))!.name.toLowerCase(),
                    ]}
                    contentStyle={TOOLTIP}
                    wrapperStyle={{ zIndex: 20 }}
                  />
                  {(pane.limits ?? []).map(({ on, at: value, name: words, stroke, dash }) => (
                    <ReferenceLine
                      key={`${on} ${value} ${words ?? ''}`}
                      {...(on === 'x' ? { x: value } : { y: value })}
                      stroke={stroke}
                      {...(dash ? { strokeDasharray: dash } : {})}
                      {...(words
                        ? {
                            label: {
                              value: words,
                              fontSize: 12,
                              fill: stroke,
                              position:
                                on === 'y'
                                  ? ('insideTopRight' as const)
                                  : value > (span[0] + span[1]) / 2
                                    ? ('insideTopRight' as const)
                                    : ('insideTopLeft' as const),
                            },
                          }
                        : {})}
                    />
                  ))}
                  {pane.curves.map((curve) => {
                    const end = shown.reduce((found, row, i) => (row[curve.key] == null ? found : i), -1);
                    return (
                      <Line
                        key={curve.key}
                        type="linear"
                        dataKey={curve.key}
                        stroke={curve.stroke}
                        strokeWidth={curve.width ?? 1.8}
                        {...(curve.dash ? { strokeDasharray: curve.dash } : {})}
                        dot={false}
                        isAnimationActive={false}
                        connectNulls={false}
                        {...(curve.named || curve.endsIn
                          ? {
                              label: ({ x, y, index }: { x?: unknown; y?: unknown; index?: number }) =>
                                index === end ? (
                                  <text x={Number(x) + 5} y={Number(y) + 4} fontSize="12" fill={curve.stroke}>
                                    {curve.endsIn ?? curve.name.toLowerCase()}
                                  </text>
                                ) : (
                                  <g />
                                ),
                            }
                          : {})}
                      />
                    );
                  })}
                  {(pane.dots ?? []).map(({ x, y }) => (
                    <ReferenceDot
                      key={`${x} ${y}`}
                      x={x}
                      y={y}
                      r={5.5}
                      fill="var(--panel)"
                      stroke="var(--ink)"
                      strokeWidth={2}
                    />
                  ))}
                  {drag && drag[0] !== drag[1] && (
                    <ReferenceArea x1={drag[0]} x2={drag[1]} fill="var(--ink)" fillOpacity={0.1} />
                  )}
                </LineChart>
              </ResponsiveContainer>
            </div>
          );
        })}
      </div>
    </ChartFrame>
  );
}
