'use client';
import type { Assessment } from '@/core/assess';
import { type JobMark, STAGES, type Stage } from '@/core/build';
import { doneEdits, type Job } from '@/core/stations/plan';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { dayText, today } from '../shell/days';
import { YesNo } from '../shell/yes-no';
import { STAGE_WORDS } from './plan-words';

const BY = {
  parts: 'what Parts says',
  ends: 'the ticks of its ends, in Harness',
  survey: 'Survey',
  readings: 'what is read in BMS',
  sheets: 'signatures of its test sheets, in Commission',
} as const;

/** One job opened: time, order, note, done. */
export function JobFields({
  job,
  jobs,
  assessment,
  onGone,
}: {
  job: Job;
  jobs: readonly Job[];
  assessment: Assessment;
  onGone: () => void;
}) {
  const { build, vehicle } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const own = build.plan?.ownJobs?.[job.id];
  const put = (changes: { readonly [K in keyof Omit<JobMark, 'id'>]: JobMark[K] | null }) => {
    const next = Object.fromEntries(
      Object.entries({ ...job.mark, ...changes, id: job.id }).filter(([, value]) => value !== null && value !== ''),
    ) as unknown as JobMark;
    return dispatch({ edit: 'putInPlan', input: { list: 'jobs', entries: [next] } });
  };
  const nameOf = (id: string) => jobs.find((one) => one.id === id)?.name ?? 'a job that is gone';
  const extra = job.mark?.after ?? [];
  const edits = doneEdits(vehicle, job, today());
  return (
    <div className="grid gap-x-8 pt-1 min-[700px]:grid-cols-2">
      <QuantityField
        label="Hours"
        value={job.hours}
        dimension="count"
        system={build.units}
        onCommit={(hours) => put({ hours })}
      />
      <QuantityField
        label="Worked so far, hours"
        value={job.mark?.spentH ?? null}
        dimension="count"
        system={build.units}
        empty="not entered"
        onCommit={(spentH) => put({ spentH })}
      />
      <TextField
        label="Note"
        wide
        value={job.mark?.note ?? ''}
        clears
        empty="nothing"
        onCommit={(note) => put({ note })}
      />
      <div>
        <ChoiceField
          label="Comes after, too"
          value={null}
          empty="choose a job"
          choices={jobs
            .filter(({ id }) => id !== job.id && !job.after.includes(id))
            .map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => put({ after: [...extra, id] })}
        />
        <p className="text-note text-soft">
          {job.after.length === 0
            ? 'Nothing has to come before it.'
            : `Comes after: ${job.after.map(nameOf).join(', ')}.`}
        </p>
        {extra.map((id) => (
          <Action
            key={id}
            look="quiet"
            onPress={() => put({ after: extra.filter((one) => one !== id) })}
            label={`${job.name} need not come after ${nameOf(id)}`}
          >
            not after {nameOf(id)}
          </Action>
        ))}
      </div>
      {own && (
        <>
          <TextField
            label="Name"
            value={own.name}
            onCommit={(name) =>
              dispatch({ edit: 'putInPlan', input: { list: 'ownJobs', entries: [{ ...own, name }] } })
            }
          />
          <ChoiceField
            label="Stage"
            value={own.stage}
            choices={STAGES.map((value) => ({ value, label: STAGE_WORDS[value] }))}
            onChoose={(value) =>
              dispatch({ edit: 'putInPlan', input: { list: 'ownJobs', entries: [{ ...own, stage: value as Stage }] } })
            }
          />
          <ChoiceField
            label="Place"
            value={own.zoneId}
            empty="anywhere"
            choices={Object.values(build.zones).map(({ id, name }) => ({ value: id, label: name }))}
            onChoose={(zoneId) =>
              dispatch({ edit: 'putInPlan', input: { list: 'ownJobs', entries: [{ ...own, zoneId }] } })
            }
          />
          <YesNo
            label="At traction voltage"
            value={own.hv}
            onAnswer={(hv) => dispatch({ edit: 'putInPlan', input: { list: 'ownJobs', entries: [{ ...own, hv }] } })}
          />
          <YesNo
            label="Takes two people"
            value={own.two}
            onAnswer={(two) => dispatch({ edit: 'putInPlan', input: { list: 'ownJobs', entries: [{ ...own, two }] } })}
          />
        </>
      )}
      <p className="flex flex-wrap items-center gap-2 py-1">
        {job.by && <span className="text-soft">Done by {BY[job.by]}.</span>}
        {job.mark?.done && <span className="text-soft">Ticked {dayText(job.mark.done)}.</span>}
        {!job.done && edits && (
          <Action
            onPress={() => dispatch(edits.length === 1 ? edits[0]! : { edit: 'together', input: { steps: edits } })}
          >
            Done
          </Action>
        )}
        {job.mark?.done && (
          <Action look="quiet" onPress={() => put({ done: null })}>
            Not done after all
          </Action>
        )}
        {own && (
          <Action
            look="quiet"
            onPress={() => {
              onGone();
              dispatch({ edit: 'dropFromPlan', input: { list: 'ownJobs', id: own.id } });
            }}
          >
            Drop this job
          </Action>
        )}
      </p>
    </div>
  );
}
