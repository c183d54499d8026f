'use client';
import {
  CartesianGrid,
  LabelList,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { AXIS, TOOLTIP } from '@/ui/axis';
import { spread } from '@/ui/chart/chart-data';
import { ChartFrame } from '@/ui/chart/chart-frame';
import { writeSheet } from '../shell/chart';
import type { TcPoint, TimeCurrent } from './derive-time-current';

const decades = (from: number, to: number): number[] => {
  const ticks: number[] = [];
  for (let power = Math.floor(Math.log10(from)); 10 ** power <= to * 1.0001; power++) ticks.push(10 ** power);
  return ticks;
};
/** Round moments: decades of seconds, then a minute, ten, an hour. */
const moments = (from: number, to: number): number[] =>
  [...decades(from, 10), 60, 600, 3600].filter((seconds) => seconds <= to);
/** The axis of time: what is shorter is no matter of fuses, what is longer is for ever. */
const SHORTEST_S = 1e-4;
const LONGEST_S = 1e4;
/** Loads that lie nearer than this, as a ratio of their currents, share a name. */
const SAME_PLACE = 4;
/** A name that ends at a dot nearer to the left than this would run into the axis, px. */
const LEFT_PX = 210;

/** Dots with their names; of several in one place the names stand together at the greatest. */
export function namedLoads(loads: TimeCurrent['loads']): { x: number; y: number; name: string }[] {
  const groups: { at: TimeCurrent['loads'][number]; names: string[] }[] = [];
  for (const load of [...loads].sort((p, q) => q.currentA - p.currentA)) {
    const near = groups.find(({ at }) => at.timeS === load.timeS && at.currentA / load.currentA < SAME_PLACE);
    if (near) near.names.push(load.name.toLowerCase());
    else groups.push({ at: load, names: [load.name.toLowerCase()] });
  }
  return loads.map(({ name, currentA, timeS }) => ({
    x: currentA,
    y: timeS,
    name: groups.find(({ at }) => at.name === name)?.names.join(', ') ?? '',
  }));
}

const nothing = () => <g />;
const byCurrent = (points: readonly TcPoint[]) =>
  [...points].sort((p, q) => p.currentA - q.currentA).map(({ currentA, timeS }) => ({ x: currentA, y: timeS }));

/** Time against current, both logarithmic; every line has its name beside it. */
export default function TimeCurrentChart({ picture, system }: { picture: TimeCurrent; system: UnitSystem }) {
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, system, 2).text;
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const low = Math.min(...picture.loads.map(({ currentA }) => currentA), picture.nominal.at(-1)!.currentA);
  const high = 1.6 * Math.max(picture.highestA ?? 0, picture.nominal[1]!.currentA * 1.5);
  const from = 10 ** Math.floor(Math.log10(low));
  const loads = namedLoads(picture.loads);
  const lines = [
    { name: 'fuse', points: picture.nominal, stroke: 'var(--ink)', dash: '' },
    { name: 'slow edge', points: picture.slow, stroke: 'var(--ink)', dash: '3 3' },
    ...(picture.cable ? [{ name: 'cable', points: picture.cable.points, stroke: 'var(--hv)', dash: '' }] : []),
    ...(picture.contactor
      ? [{ name: 'contactor', points: picture.contactor.points, stroke: 'var(--lv)', dash: '7 3' }]
      : []),
  ];
  const points = [
    ...lines.flatMap(({ name, points: on }) => on.map((point) => ({ name, ...point }))),
    ...picture.loads,
  ].filter(({ currentA, timeS }) => Number.isFinite(currentA) && Number.isFinite(timeS));
  const cells = lines
    .flatMap(({ name, points: on }) => spread(on, 7).map((point) => ({ name, ...point })))
    .concat(picture.loads)
    .filter(({ currentA, timeS }) => Number.isFinite(currentA) && Number.isFinite(timeS))
    .map(({ name, currentA, timeS }) => [name, amps(currentA), time(timeS)]);
  // No decade that nothing reaches.
  const reached = lines.flatMap(({ points }) => points.filter(({ currentA }) => currentA <= high));
  const shortest = 10 ** Math.floor(Math.log10(Math.max(SHORTEST_S, Math.min(...reached.map(({ timeS }) => timeS)))));
  return (
    <ChartFrame
      name="Time and current"
      head={['Line', 'Current', 'Time']}
      cells={cells}
      csv={() =>
        writeSheet([
          ['Line', 'Current, A', 'Time, s'],
          ...points.map(({ name, currentA, timeS }) => [name, currentA, timeS]),
        ])
      }
      caption={
        <>
          Red: the faults of its zone. Black: the fuse melts, dotted its slow edge. Orange:{' '}
          {picture.cable ? `${picture.cable.name} is damaged` : 'cable not known'}
          {picture.contactor ? `. Dashed blue: what ${picture.contactor.name} stands` : ''}. Dots: the load and how long
          it lasts. The fuse has to lie right of the dots and left of the cable.
        </>
      }
    >
      <div className="h-[330px]">
        <ResponsiveContainer width="100%" height="100%">
          <ScatterChart margin={{ top: 24, right: 28, bottom: 18, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" />
            <XAxis
              type="number"
              dataKey="x"
              scale="log"
              domain={[from, high]}
              ticks={decades(from, high)}
              allowDataOverflow
              tickFormatter={amps}
              {...AXIS}
            />
            <YAxis
              type="number"
              dataKey="y"
              scale="log"
              domain={[shortest, LONGEST_S]}
              ticks={moments(shortest, LONGEST_S)}
              allowDataOverflow
              width={58}
              tickFormatter={time}
              {...AXIS}
            />
            <Tooltip
              isAnimationActive={false}
              formatter={(value, axis) =>
                axis === 'y' ? [time(Number(value)), 'time'] : [amps(Number(value)), 'current']
              }
              contentStyle={TOOLTIP}
            />
            {picture.lowestA !== null && (
              <ReferenceLine
                x={picture.lowestA}
                stroke="var(--fails)"
                strokeDasharray="6 3"
                label={{ value: 'lowest', position: 'top', fill: 'var(--fails)', fontSize: 12 }}
              />
            )}
            {picture.highestA !== null && (
              <ReferenceLine
                x={picture.highestA}
                stroke="var(--fails)"
                label={{ value: 'highest', position: 'top', fill: 'var(--fails)', fontSize: 12 }}
              />
            )}
            {lines.map(({ name, points, stroke, dash }) => (
              <Scatter
                key={name}
                name={name}
                data={byCurrent(points)}
                line={{ stroke, strokeWidth: 2, strokeDasharray: dash }}
                shape={nothing}
                isAnimationActive={false}
              />
            ))}
            <Scatter name="load" data={loads} fill="var(--ink)" isAnimationActive={false}>
              <LabelList
                dataKey="name"
                content={({ x, y, width, value }) => {
                  const at = Number(x) + Number(width ?? 0) / 2;
                  // Above its dot, away from the axis on the left and from the curves on the right.
                  const left = at < LEFT_PX;
                  return (
                    <text
                      x={left ? at - 4 : at + 4}
                      y={Number(y) - 6}
                      textAnchor={left ? 'start' : 'end'}
                      fontSize="12"
                      fill="var(--ink)"
                    >
                      {value}
                    </text>
                  );
                }}
              />
            </Scatter>
          </ScatterChart>
        </ResponsiveContainer>
      </div>
    </ChartFrame>
  );
}
