'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { STAGES, type Stage } from '@/core/build';
import { type Job, schedule } from '@/core/stations/plan';
import { freshId, useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { Toggles } from '@/ui/toggles';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { today } from '../shell/days';
import { JobBars } from './job-bars';
import { JobBoard } from './job-board';
import { JobFields } from './job-fields';
import { JobMarks } from './job-marks';
import { hoursText, STAGE_WORDS } from './plan-words';

const VIEWS = [
  ['list', 'List'],
  ['board', 'Board'],
  ['bars', 'Time bars'],
] as const;

/** Every job: as a list, as a board, along the time. */
export function JobsPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { jobs, now, waits } = results.plan;
  const dispatch = useBench((bench) => bench.dispatch);
  const [view, setView] = useState<(typeof VIEWS)[number][0]>('list');
  const [open, setOpen] = useState<string | null>(null);
  const [stage, setStage] = useState<Stage>('final-fit');
  const perWeek = build.plan?.hoursPerWeek ?? null;
  const planned = useMemo(
    () => schedule(jobs, waits, { from: today(), hoursPerWeek: perWeek ?? 10 }),
    [jobs, waits, perWeek],
  );
  const held = new Set(waits.filter(({ there }) => there === null).flatMap((wait) => wait.jobs));
  const stateOf = (job: Job) =>
    job.done ? 'done' : now.has(job.id) ? 'can be done' : held.has(job.id) ? 'waits' : 'comes later';
  const columns: readonly Column<Job>[] = [
    {
      id: 'name',
      head: 'Job',
      value: ({ name }) => name,
      cell: (job) => (
        <RowOpener
          open={open === job.id}
          onOpen={() => setOpen(open === job.id ? null : job.id)}
          mark={<VerdictMark shape={job.done ? 'holds' : 'hollow'} size={11} />}
        >
          {job.name}
        </RowOpener>
      ),
    },
    {
      id: 'stage',
      head: 'Stage',
      spare: true,
      value: ({ stage: of }) => STAGES.indexOf(of),
      cell: ({ stage: of }) => STAGE_WORDS[of],
    },
    {
      id: 'state',
      head: 'State',
      value: stateOf,
      cell: (job) => `${stateOf(job)}${!job.done && job.share > 0 ? `, ${Math.round(job.share * 100)} %` : ''}`,
    },
    {
      id: 'marks',
      head: 'Care',
      spare: true,
      cell: (job) => (
        <span className="inline-flex gap-2">
          <JobMarks job={job} />
        </span>
      ),
    },
    {
      id: 'hours',
      head: 'Time',
      unit: 'h',
      figure: true,
      value: ({ hours }) => hours,
      cell: ({ hours, told }) => (
        <>
          {hoursText(hours)}
          {told ? '' : <span className="text-soft"> usual</span>}
        </>
      ),
    },
  ];
  return (
    <div data-print className="grid gap-3">
      <div className="no-print">
        <Toggles label="Jobs as" choices={VIEWS} chosen={view} onChoose={setView} />
      </div>
      {view === 'list' && (
        <Panel title="Jobs" about={`${jobs.filter(({ done }) => done).length} of ${jobs.length} done`}>
          <DataTable
            label="Jobs"
            rows={jobs}
            columns={columns}
            idOf={({ id }) => id}
            openId={open}
            attributes={({ id }) => ({ 'data-job-row': id })}
            detail={(job) => <JobFields job={job} jobs={jobs} assessment={assessment} onGone={() => setOpen(null)} />}
          />
          <div className="no-print mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
            <ChoiceField
              label="A job of your own, in"
              value={stage}
              choices={STAGES.map((value) => ({ value, label: STAGE_WORDS[value] }))}
              onChoose={(value) => setStage(value as Stage)}
            />
            <TextField
              label="called"
              value=""
              makes
              empty="type its name"
              onCommit={(name) => {
                const id = freshId();
                if (
                  dispatch({
                    edit: 'putInPlan',
                    input: { list: 'ownJobs', entries: [{ id, name, stage, zoneId: null, hours: 2 }] },
                  })
                )
                  setOpen(id);
              }}
            />
          </div>
        </Panel>
      )}
      {view === 'board' && (
        <JobBoard
          jobs={jobs}
          stateOf={stateOf}
          onOpen={(id) => {
            setView('list');
            setOpen(id);
          }}
        />
      )}
      {view === 'bars' && <JobBars planned={planned} assumed={perWeek === null} />}
    </div>
  );
}
