'use client';
import type { UnitSystem } from '@/core/quantities';
import type { DriveResults, RoadLine } from '@/core/stations/drive';
import { type ChartRow, XYChart } from '../shell/chart';

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
  const rows: ChartRow[] = results.chart.map(({ speedMPerS, gears }, k) => ({
    v: speedMPerS,
    ...Object.fromEntries(gears.map((force, gear) => [`g${gear + 1}`, force])),
    // A slope that is steeper than anything it pulls would only flatten the picture.
    ...Object.fromEntries(roads.map(({ forcesN }, line) => [`r${line}`, forcesN[k]! <= most ? forcesN[k] : null])),
  }));
  const single = results.gears.length === 1 ? results.gears[0]! : null;
  const baseMPerS =
    single && results.model.wheelRadiusM
      ? ((results.baseSpeedRpm * Math.PI) / 30 / single.ratio) * results.model.wheelRadiusM
      : null;
  const fastest = results.chart.at(-1)?.speedMPerS ?? 0;
  return (
    <XYChart
      name="Pull at the wheels"
      system={system}
      along={{ key: 'v', name: 'Speed', dimension: 'speed', from: 0 }}
      rows={rows}
      panes={[
        {
          heightPx: 260,
          dimension: 'force',
          reaches: [0, most],
          curves: [
            ...results.gears.map(({ gear }) => ({
              key: `g${gear}`,
              name: `Gear ${gear}`,
              stroke: 'var(--lv)',
              width: 2,
            })),
            ...roads.map(({ grade }, k) => ({
              key: `r${k}`,
              name: `Road, ${slope(grade)}`,
              stroke: 'var(--ink)',
              width: grade === wantedGrade || grade === 0 ? 2.2 : 1.2,
              dash: '6 4',
              endsIn: slope(grade),
            })),
          ],
          limits:
            baseMPerS !== null && baseMPerS < fastest
              ? [{ on: 'x', at: baseMPerS, name: 'field weakening →', stroke: 'var(--soft)', dash: '2 4' }]
              : [],
        },
      ]}
      caption={
        <>
          Full lines: pull at the wheels at peak torque, {single ? 'one ratio' : `${results.gears.length} gears`}.
          Dashed: the road, by its slope. Where they meet is the fastest that it keeps up.
        </>
      }
    />
  );
}
