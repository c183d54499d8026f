import {
  MOST_AFTER,
  MOST_IN_PLAN,
  OPEN_KINDS,
  own,
  PLAN_LISTS,
  type PlanData,
  type PlanEntry,
  type PlanList,
  STAGES,
  WAIT_KINDS,
} from '../types';
import { define } from './definition';
import { refuseNoDay } from './reading-edits';
import { EditRefused } from './refused';

/** One list of the plan with entries of its kind. */
export type PlanPut = {
  readonly [L in PlanList]: { readonly list: L; readonly entries: readonly PlanEntry<L>[] };
}[PlanList];

const WORDS: Readonly<Record<PlanList, string>> = {
  jobs: 'job',
  ownJobs: 'own job',
  waits: 'something waited for',
  register: 'open point',
};
const named = (list: PlanList, entry: object): string => {
  // What is no list is refused in words when it is applied.
  if (!PLAN_LISTS.includes(list) || typeof entry !== 'object' || entry === null) return 'something of the plan';
  const { name, what } = entry as { name?: string; what?: string };
  const words = name ?? what;
  return words ? `${WORDS[list]} “${words}”` : WORDS[list];
};

const refuse = (reason: string, remedy: string): never => {
  throw new EditRefused(reason, remedy);
};
const named120 = (text: string) =>
  text.trim() === '' || text.length > 120 ? refuse('A name has 1 to 120 characters.', 'Write a few words.') : null;
const oneOf = (known: readonly string[], value: string) =>
  known.includes(value) ? null : refuse('There is no such kind.', 'Choose one of the list.');
const days = (...list: readonly (string | null | undefined)[]) => {
  for (const day of list) if (day !== null && day !== undefined) refuseNoDay(day);
};
const hours = (value: number | undefined, least: number) =>
  value === undefined || (value >= least && value <= 2000)
    ? null
    : refuse('Hours of a job are up to 2,000.', 'Split the job where it is longer.');
const jobs = (list: readonly string[] | undefined, own?: string) => {
  if ((list ?? []).length > MOST_AFTER) refuse(`${MOST_AFTER} jobs at most.`, 'Name the nearest ones.');
  if (own !== undefined && list?.includes(own))
    refuse('A job can’t come after itself.', 'Choose another job that comes first.');
};

const REFUSE: { readonly [L in PlanList]: (entry: PlanEntry<L>) => void } = {
  jobs: ({ id, hours: h, spentH, begun, done, after, note }) => {
    hours(h, 1e-12);
    if (spentH !== undefined && !(spentH >= 0 && spentH <= 20000))
      refuse('Hours spent are from 0 up.', 'Type them again.');
    days(begun, done);
    jobs(after, id);
    if ((note ?? '').length > 500) refuse('A note has 500 characters at most.', 'Say it shorter.');
  },
  ownJobs: ({ name, stage, hours: h }) => {
    named120(name);
    oneOf(STAGES, stage);
    hours(h, 1e-12);
  },
  waits: ({ what, kind, jobs: held, since, expected, there }) => {
    named120(what);
    oneOf(WAIT_KINDS, kind);
    days(since, expected, there);
    jobs(held);
    if (expected !== null && expected < since)
      refuse('It can’t be expected before it was ordered.', 'Correct one of the two days.');
    if (there !== null && there < since)
      refuse('It can’t be there before it was ordered.', 'Correct one of the two days.');
  },
  register: ({ what, kind, since, closed, mayStay }) => {
    named120(what);
    oneOf(OPEN_KINDS, kind);
    days(since, closed);
    if (closed !== null && closed < since)
      refuse('It can’t be closed before it was open.', 'Correct one of the two days.');
    if ((mayStay ?? '').length > 200) refuse('The reason has 200 characters at most.', 'Say it shorter.');
  },
};

type Open = { plan?: PlanData };
const into = (draft: unknown): Open => draft as Open;

/** What is done, waited for and open at the car. */
export const JOB_EDITS = {
  putInPlan: define<PlanPut>({
    title: (_, { list, entries }) =>
      entries?.length === 1 ? named(list, entries[0]!) : `${entries?.length ?? 0} × ${named(list, {})}`,
    apply: (draft, { list, entries }) => {
      if (!PLAN_LISTS.includes(list) || !Array.isArray(entries) || entries.length === 0)
        throw new EditRefused('There is nothing to put down.', 'Choose something of the list.');
      const known: Record<string, { readonly id: string }> = { ...into(draft).plan?.[list] };
      for (const entry of entries) {
        (REFUSE[list] as (entry: unknown) => void)(entry);
        known[entry.id] = entry;
      }
      if (Object.keys(known).length > MOST_IN_PLAN) refuse(`${MOST_IN_PLAN} entries at most.`, 'Drop some first.');
      into(draft).plan = { ...into(draft).plan, [list]: known };
    },
  }),

  dropFromPlan: define<{ list: PlanList; id: string }>({
    title: (build, { list, id }) =>
      `drop ${named(list, own<object>((PLAN_LISTS.includes(list) ? build.plan?.[list] : null) ?? {}, id) ?? {})}`,
    apply: (draft, { list, id }) => {
      const known: Readonly<Record<string, unknown>> = PLAN_LISTS.includes(list)
        ? (into(draft).plan?.[list] ?? {})
        : {};
      if (!Object.hasOwn(known, id)) throw new EditRefused('That is gone already.', 'Look at the list again.');
      const { [id]: _, ...others } = known;
      into(draft).plan = { ...into(draft).plan, [list]: others };
    },
  }),

  setPlan: define<{ starts?: string | null; hoursPerWeek?: number | null }>({
    title: (_, { starts }) => (starts === undefined ? 'hours a week' : 'begin of the work'),
    apply: (draft, { starts, hoursPerWeek }) => {
      days(starts);
      if (hoursPerWeek !== undefined && hoursPerWeek !== null && !(hoursPerWeek > 0 && hoursPerWeek <= 168))
        refuse('A week has 168 hours.', 'Type how many of them you work at it.');
      const plan: Record<string, unknown> = { ...into(draft).plan };
      for (const [key, value] of Object.entries({ starts, hoursPerWeek }))
        if (value === null) delete plan[key];
        else if (value !== undefined) plan[key] = value;
      into(draft).plan = plan as PlanData;
    },
  }),
};
