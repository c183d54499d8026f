'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { DataTable } from '../shell/data-table';
import { Plain } from './plain';

const PullChart = dynamic(() => import('./pull-chart'), { ssr: false, loading: () => <div className="h-[250px]" /> });

/** What motor, gears and voltage make of the vehicle, against the road. */
export function PullPanel({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const { linkV, sagging, figures: results, roads, cooled } = assessment.results.drive;
  const system = build.units;
  if (!results)
    return (
      <Panel title="Pull against the road">
        <p className="text-soft">It needs the empty mass and the tyres from Survey, and a motor.</p>
      </Panel>
    );
  const speed = (value: number) => formatQuantity({ value, dimension: 'speed' }, system, 3).text;
  const reached = (seconds: number | null) =>
    seconds === null ? 'never' : formatQuantity({ value: seconds, dimension: 'time' }, system, 3).text;
  return (
    <Panel
      title="Pull against the road"
      about={`with the link at ${formatQuantity({ value: linkV, dimension: 'voltage' }, system, 3).text}${sagging ? ', sagging' : ''}`}
    >
      <PullChart results={results} roads={roads} wantedGrade={build.duty.hillGrade} system={system} />
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <FigureRow label="Top speed, flat" value={results.topSpeedMPerS} dimension="speed" system={system} />
        <FigureRow label="Starts on" value={results.startGrade} dimension="ratio" system={system} />
        <Plain label={`To ${speed(50 / 3.6)}`} text={reached(results.to50S)} />
        <Plain label={`To ${speed(100 / 3.6)}`} text={reached(results.to100S)} />
      </div>
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        {roads
          .filter(({ grade }) => grade > 0)
          .map(({ grade, heldMPerS }) => (
            <Plain
              key={grade}
              label={`Up ${Number((grade * 100).toFixed(1))} %${grade === build.duty.hillGrade ? ', wanted' : ''}, peak`}
              text={heldMPerS > 0 ? speed(heldMPerS) : 'not at all'}
            />
          ))}
      </div>
      {cooled && (
        <FigureRow
          label={
            cooled.carriedW < cooled.askedW ? '✕ The cooling carries, up the hill' : 'The cooling carries, up the hill'
          }
          value={cooled.carriedW}
          dimension="power"
          system={system}
        />
      )}
      {results.gears.length > 1 && (
        <DataTable
          label="Gears"
          columns={[
            { id: 'gear', head: 'Gear', cell: ({ gear }) => gear, value: ({ gear }) => gear },
            {
              id: 'ratio',
              head: 'ratio',
              figure: true,
              cell: ({ ratio }) => ratio.toFixed(2),
              value: ({ ratio }) => ratio,
            },
            {
              id: 'holds',
              head: 'holds up to',
              unit: 'm/s',
              figure: true,
              cell: ({ topSpeedMPerS }) => <b className="font-semibold">{speed(topSpeedMPerS)}</b>,
              value: ({ topSpeedMPerS }) => topSpeedMPerS,
            },
            {
              id: 'starts',
              head: 'starts on',
              unit: '%',
              figure: true,
              cell: ({ startGrade }) => `${(startGrade * 100).toFixed(0)} %`,
              value: ({ startGrade }) => startGrade * 100,
            },
          ]}
          rows={results.gears}
          idOf={({ gear }) => String(gear)}
        />
      )}
      <p className="mt-1 text-note text-soft">Base speed at this voltage: {results.baseSpeedRpm.toFixed(0)}/min.</p>
    </Panel>
  );
}
