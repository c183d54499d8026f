'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Build } from '@/core/build';
import { criticalPath, doneEdits, forecast, type Job } from '@/core/stations/plan';
import { useBench } from '@/store/bench';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { Select } from '@/ui/select';
import { TextField } from '@/ui/text-field';
import { dayText, today } from '../shell/days';
import { JobMarks } from './job-marks';
import { hoursText, latestDay, placeOf, STAGE_WORDS } from './plan-words';
import { WaitsPanel } from './waits-panel';

const ALL = 'all';

/** What can be done now, what is waited for, when it will be ready. */
export function NowPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { jobs, now, waits } = results.plan;
  const [place, setPlace] = useState(ALL);
  const [alone, setAlone] = useState(ALL);
  const day = today();
  const last = latestDay(build);
  const can = jobs.filter(({ id }) => now.has(id));
  const shown = can.filter(
    (job) => (place === ALL || job.zoneId === place || job.zoneId === null) && (alone === ALL || !job.two),
  );
  const places = Object.values(build.zones).filter(({ id }) => can.some((job) => job.zoneId === id));
  return (
    <div className="grid gap-3">
      {last !== null && last > day && (
        <Caution>
          This device’s clock says {dayText(day)}, and something here is of {dayText(last)}. Set the clock before you
          tick: what is ticked now is dated before it.
        </Caution>
      )}
      <Outlook assessment={assessment} day={day} />
      <Panel
        title="Can be done now"
        about={`${can.length} of ${jobs.filter(({ done }) => !done).length} jobs that are left`}
      >
        <div className="mb-1 flex flex-wrap gap-x-4">
          <Select
            label="Place"
            value={place}
            onChoose={setPlace}
            choices={[
              { value: ALL, label: 'every place' },
              ...places.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            className="min-h-11"
          />
          <Select
            label="By how many"
            value={alone}
            onChoose={setAlone}
            choices={[
              { value: ALL, label: 'alone or by two' },
              { value: 'alone', label: 'what one can do alone' },
            ]}
            className="min-h-11"
          />
        </div>
        {shown.length === 0 ? (
          <p className="text-soft">
            {jobs.every(({ done }) => done)
              ? 'Everything is done.'
              : can.length === 0
                ? 'Nothing: what is left waits for what is below.'
                : 'Nothing here; look at the other places.'}
          </p>
        ) : (
          <ul aria-label="Can be done now">
            {shown.map((job) => (
              <NowJob key={job.id} job={job} assessment={assessment} />
            ))}
          </ul>
        )}
      </Panel>
      <WaitsPanel build={build} jobs={jobs} waits={waits} day={day} />
    </div>
  );
}

function NowJob({ job, assessment }: { job: Job; assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const place = placeOf(build, job);
  return (
    <li data-job={job.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-rule/70 py-1.5">
      <span className="min-w-[12rem] flex-1">
        <b className="block font-semibold leading-tight">{job.name}</b>
        <span className="flex flex-wrap items-center gap-x-3 text-small text-soft">
          <span className="tabular-nums">{hoursText(job.hours * (1 - job.share))}</span>
          {job.share > 0 && <span className="tabular-nums">{Math.round(job.share * 100)} % done</span>}
          <span>{STAGE_WORDS[job.stage]}</span>
          {place && <span>{place}</span>}
          <JobMarks job={job} />
        </span>
      </span>
      {job.by === 'survey' || job.by === 'readings' || job.by === 'sheets' ? (
        <span className="text-soft">
          {job.by === 'survey'
            ? 'entered in Survey'
            : job.by === 'readings'
              ? 'entered in BMS'
              : 'signed in Commission'}
        </span>
      ) : (
        <button
          type="button"
          onClick={() => {
            const edits = doneEdits(vehicle, job, today());
            if (edits) dispatch(edits.length === 1 ? edits[0]! : { edit: 'together', input: { steps: edits } });
          }}
          aria-label={`${job.name}: done`}
          className="min-h-12 min-w-24 rounded-[3px] border-[1.5px] border-ink bg-panel px-4 font-tight text-lead font-semibold"
        >
          Done
        </button>
      )}
    </li>
  );
}

function Outlook({ assessment, day }: { assessment: Assessment; day: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, results } = assessment;
  const { jobs, waits } = results.plan;
  const perWeek = build.plan?.hoursPerWeek ?? null;
  const { path, outlook } = useMemo(
    () => ({
      outlook: forecast(jobs, waits, { from: day, hoursPerWeek: perWeek }),
      path: criticalPath(jobs, waits, { from: day, hoursPerWeek: perWeek ?? 10 }),
    }),
    [jobs, waits, day, perWeek],
  );
  const { leftH, lowH, highH, early, likely, late, undated } = outlook;
  const done = jobs.filter((job) => job.done).length;
  return (
    <Panel>
      <p className="font-tight text-title" data-outlook>
        {leftH === 0 ? (
          <b className="font-semibold">Everything is done</b>
        ) : (
          <>
            <b className="font-semibold tabular-nums">{hoursText(leftH)}</b> left
            <span className="text-lead text-soft">
              {' '}
              ({hoursText(lowH)} to {hoursText(highH)}); {done} of {jobs.length} jobs done
            </span>
          </>
        )}
      </p>
      {likely && early && late && (
        <p className="mt-1">
          Ready about <b className="font-semibold">{dayText(likely)}</b>
          <span className="text-soft">
            , between {dayText(early)} and {dayText(late)} in four of five cases.
          </span>
        </p>
      )}
      {undated.length > 0 && leftH > 0 && (
        <p className="text-soft">
          No date entered for {undated.map(({ what }) => what).join(', ')}: the forecast takes{' '}
          {undated.length === 1 ? 'it' : 'them'} for there.
        </p>
      )}
      <div className="mt-1 grid gap-x-8 min-[700px]:grid-cols-2">
        <QuantityField
          label="Hours a week"
          value={perWeek}
          dimension="count"
          system={build.units}
          empty="not entered: no date without it"
          onCommit={(hoursPerWeek) => dispatch({ edit: 'setPlan', input: { hoursPerWeek } })}
        />
        <TextField
          label="Work began"
          value={build.plan?.starts ?? ''}
          empty="yyyy-mm-dd"
          clears
          refuse={(text) =>
            text === '' || /^\d{4}-\d{2}-\d{2}$/.test(text) ? null : 'A day is written as 2026-05-31.'
          }
          onCommit={(starts) => dispatch({ edit: 'setPlan', input: { starts: starts === '' ? null : starts } })}
        />
      </div>
      {path.length > 0 && (
        <p className="mt-2 text-small" data-critical>
          <b className="font-semibold">Longest chain:</b> {chain(path, build)}
        </p>
      )}
    </Panel>
  );
}

const chain = (path: readonly Job[], build: Build): string => {
  const names = path.map((job) => job.name);
  return `${(names.length <= 6 ? names : [...names.slice(0, 3), '…', ...names.slice(-2)]).join(' → ')}${build.plan?.hoursPerWeek ? '' : ' (by hours alone)'}`;
};
