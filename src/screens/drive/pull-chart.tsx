'use client';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DriveResults, RoadLine } from '@/core/stations/drive';
import { axisOf, rechartsAxis } from '@/ui/axis';

const slope = (grade: number): string => (grade === 0 ? 'flat' : `${Number((grade * 100).toFixed(1))} %`);

/** Force at the wheels over speed: each gear, and what the road holds back on the flat and on slopes. */
export default function PullChart({
  results,
  roads,
  wantedGrade,
  system,
}: {
  results: DriveResults;
  roads: readonly RoadLine[];
  wantedGrade: number | undefined;
  system: UnitSystem;
}) {
  const most = Math.max(...results.gears.map(({ pullN }) => pullN)) * 1.08;
  const data = results.chart.map(({ speedMPerS, gears }, k) => ({
    v: speedMPerS,
    ...Object.fromEntries(gears.map((force, gear) => [`g${gear}`, force])),
    // A slope that is steeper than anything it pulls would only flatten the picture.
    ...Object.fromEntries(roads.map(({ forcesN }, line) => [`r${line}`, forcesN[k]! <= most ? forcesN[k] : null])),
  }));
  const speed = (value: number) => formatQuantity({ value, dimension: 'speed' }, system, 2).text;
  const kilo = (value: number) => formatQuantity({ value, dimension: 'force' }, system, 3).text;
  const last = data.length - 1;
  const single = results.gears.length === 1 ? results.gears[0]! : null;
  const baseMPerS =
    single && results.model.wheelRadiusM
      ? ((results.baseSpeedRpm * Math.PI) / 30 / single.ratio) * results.model.wheelRadiusM
      : null;
  return (
    <figure>
      <div className="h-[250px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 12, right: 52, bottom: 4, left: 2 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="v"
              {...rechartsAxis(axisOf(0, data.at(-1)?.v ?? 0, 'speed', system, { whole: false, most: 6 }))}
            />
            <YAxis width={56} {...rechartsAxis(axisOf(0, most, 'force', system))} />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(v) => speed(Number(v))}
              formatter={(value, name) => [
                kilo(Number(value)),
                String(name).startsWith('g')
                  ? `gear ${Number(String(name).slice(1)) + 1}`
                  : `road, ${slope(roads[Number(String(name).slice(1))]!.grade)}`,
              ]}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            {baseMPerS !== null && baseMPerS < data[last]!.v && (
              <ReferenceLine
                x={baseMPerS}
                stroke="var(--soft)"
                strokeDasharray="2 4"
                label={{ value: 'field weakening →', position: 'insideTopLeft', fontSize: 12, fill: 'var(--soft)' }}
              />
            )}
            {results.gears.map(({ gear }) => (
              <Line
                key={gear}
                dataKey={`g${gear - 1}`}
                stroke="var(--lv)"
                strokeWidth={2}
                dot={false}
                isAnimationActive={false}
                connectNulls={false}
              />
            ))}
            {roads.map(({ grade }, k) => (
              <Line
                key={grade}
                dataKey={`r${k}`}
                stroke="var(--ink)"
                strokeWidth={grade === wantedGrade || grade === 0 ? 2.2 : 1.2}
                strokeDasharray="6 4"
                dot={false}
                isAnimationActive={false}
                label={({ x, y, index }) => {
                  const shown = data.reduce(
                    (end, row, i) => ((row as Record<string, unknown>)[`r${k}`] == null ? end : i),
                    -1,
                  );
                  return index === shown ? (
                    <text x={Number(x) + 5} y={Number(y) + 4} fontSize="12" fill="var(--ink)">
                      {slope(grade)}
                    </text>
                  ) : (
                    <g />
                  );
                }}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-note text-soft">
        Full lines: pull at the wheels at peak torque, {single ? 'one ratio' : `${results.gears.length} gears`}. Dashed:
        the road, by its slope. Where they meet is the fastest that it keeps up.
      </figcaption>
    </figure>
  );
}
