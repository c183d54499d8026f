'use client';
import { useState } from 'react';
import { type Build, type SingleEdit, WAIT_KINDS, type Wait, type WaitKind } from '@/core/build';
import type { Job } from '@/core/stations/plan';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { dayText } from '../shell/days';
import { WAIT_WORDS } from './plan-words';

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const noDay = (text: string): string | null =>
  text === '' || DAY.test(text) ? null : 'A day is written as 2026-05-31.';

/** The page “what I wait for”: what is away or on its way, which jobs it holds up, and the press that frees them. */
export function WaitsPanel({
  build,
  jobs,
  waits,
  day,
}: {
  build: Build;
  jobs: readonly Job[];
  waits: readonly Wait[];
  day: string;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [kind, setKind] = useState<WaitKind>('delivery');
  const nameOf = new Map(jobs.map(({ id, name }) => [id, name]));
  const put = (wait: Wait) => dispatch({ edit: 'putInPlan', input: { list: 'waits', entries: [wait] } });
  const arrived = (wait: Wait) => {
    // What was ordered for a device is here now, on its own page too.
    const here = wait.jobs.flatMap((id): SingleEdit[] => {
      const item = Object.values(build.inHand ?? {}).find(
        ({ deviceId, state }) => deviceId && id === `fetch.${deviceId}` && (state === 'ordered' || state === 'wanted'),
      );
      return item ? [{ edit: 'setInHand', input: { id: item.id, facts: { state: 'here' } } }] : [];
    });
    const there: SingleEdit = { edit: 'putInPlan', input: { list: 'waits', entries: [{ ...wait, there: day }] } };
    dispatch(here.length === 0 ? there : { edit: 'together', input: { steps: [there, ...here] } });
  };
  const open = waits.filter(({ there }) => there === null);
  const past = waits.filter(({ there }) => there !== null);
  return (
    <Panel title="Waiting for" about={open.length === 0 ? 'nothing' : undefined}>
      {open.map((wait) => (
        <div key={wait.id} data-wait={wait.id} className="border-t border-rule/70 py-1">
          <div className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-[12rem] flex-1">
              <b className="font-semibold">{wait.what}</b>
              <span className="block text-small text-soft">
                {WAIT_WORDS[wait.kind]} since {dayText(wait.since)}
                {wait.expected ? `, expected ${dayText(wait.expected)}` : ', no date entered'}
                {wait.expected && wait.expected < day && <b className="text-fails"> and late</b>}; holds up{' '}
                {wait.jobs.length === 0
                  ? 'nothing'
                  : wait.jobs.map((id) => nameOf.get(id) ?? 'a job that is gone').join(', ')}
              </span>
            </span>
            <button
              type="button"
              onClick={() => arrived(wait)}
              aria-label={`${wait.what}: arrived`}
              className="min-h-12 rounded-[3px] border-[1.5px] border-ink bg-panel px-4 font-tight text-lead font-semibold"
            >
              Arrived
            </button>
          </div>
          <Fold head={<span className="text-small text-soft">More of it</span>}>
            <WaitFields
              wait={wait}
              jobs={jobs}
              onPut={put}
              onDrop={() => dispatch({ edit: 'dropFromPlan', input: { list: 'waits', id: wait.id } })}
            />
          </Fold>
        </div>
      ))}
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="I wait for"
          value={kind}
          choices={WAIT_KINDS.map((value) => ({ value, label: WAIT_WORDS[value] }))}
          onChoose={(value) => setKind(value as WaitKind)}
        />
        <TextField
          label="namely"
          value=""
          makes
          empty="adapter plate, crimp tool …"
          onCommit={(what) => put({ id: freshId(), what, kind, jobs: [], since: day, expected: null, there: null })}
        />
      </div>
      {past.length > 0 && (
        <Fold className="mt-1" head={<span className="text-soft">{past.length} arrived</span>}>
          <ul>
            {past.map((wait) => (
              <li key={wait.id} className="flex items-center gap-3 border-t border-dotted border-rule py-0.5">
                <span className="flex-1">
                  {wait.what}, <span className="text-soft">{dayText(wait.there!)}</span>
                </span>
                <Action
                  look="quiet"
                  onPress={() => put({ ...wait, there: null })}
                  label={`${wait.what}: not there after all`}
                >
                  Not there after all
                </Action>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </Panel>
  );
}

function WaitFields({
  wait,
  jobs,
  onPut,
  onDrop,
}: {
  wait: Wait;
  jobs: readonly Job[];
  onPut: (wait: Wait) => boolean;
  onDrop: () => void;
}) {
  const left = jobs.filter(({ id, done }) => !done && !wait.jobs.includes(id));
  return (
    <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
      <TextField label="What" value={wait.what} onCommit={(what) => onPut({ ...wait, what })} />
      <TextField
        label="Ordered or given away"
        value={wait.since}
        refuse={noDay}
        onCommit={(since) => onPut({ ...wait, since })}
      />
      <TextField
        label="Expected"
        value={wait.expected ?? ''}
        empty="yyyy-mm-dd"
        clears
        refuse={noDay}
        onCommit={(expected) => onPut({ ...wait, expected: expected === '' ? null : expected })}
      />
      <ChoiceField
        label="It holds up, too"
        value={null}
        empty="choose a job"
        choices={left.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(id) => onPut({ ...wait, jobs: [...wait.jobs, id] })}
      />
      <p className="flex flex-wrap gap-2 py-1">
        {wait.jobs.map((id) => {
          const name = jobs.find((job) => job.id === id)?.name ?? 'a job that is gone';
          return (
            <Action
              key={id}
              look="quiet"
              onPress={() => onPut({ ...wait, jobs: wait.jobs.filter((one) => one !== id) })}
              label={`${wait.what} does not hold up ${name}`}
            >
              not {name}
            </Action>
          );
        })}
        <Action look="quiet" onPress={onDrop}>
          Drop it
        </Action>
      </p>
    </div>
  );
}
