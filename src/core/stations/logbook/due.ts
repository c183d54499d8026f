import { addDays, differenceInCalendarDays, formatISO, isValid, parseISO } from 'date-fns';
import type { LogbookData, LogEntry } from '../../build';
import type { UpkeepTask } from './upkeep';
import { type Wear, wearOf } from './wear';

/** Where the car stands: the day, and what odometer and hour meter show; null: nobody read it. */
export interface Stand {
  readonly date: string;
  readonly odometerM: number | null;
  readonly ranS: number | null;
}

export interface DueTask {
  readonly task: UpkeepTask;
  /** When it was last done; null: never, and it counts from the first entry of the book. */
  readonly last: LogEntry | null;
  /** Due at the earliest of these; null: not by that, or it can’t be told. */
  readonly onDay: string | null;
  readonly atM: number | null;
  readonly atRunS: number | null;
  /** What was measured on it; null: nothing is measured on it. */
  readonly wear: Wear | null;
  /** The day on which it will be, distance and hours projected by what was driven so far; null: it can’t be told. */
  readonly expected: string | null;
  /** The share of its interval that is used up, by whichever is nearest; 1 and more: due. Null: it can’t be told. */
  readonly used: number | null;
  readonly state: 'due' | 'soon' | 'fine' | 'off' | 'unknown';
}

/** From here on it is said that it will be due. */
const SOON = 0.85;

const days = (from: string, to: string): number | null => {
  const [p, q] = [parseISO(from), parseISO(to)];
  return isValid(p) && isValid(q) ? differenceInCalendarDays(q, p) : null;
};
/** Nobody plans farther ahead. */
const MOST_DAYS = 36500;
const later = (from: string, by: number): string | null => {
  const day = parseISO(from);
  return isValid(day) && Math.abs(by) <= MOST_DAYS
    ? formatISO(addDays(day, Math.round(by)), { representation: 'date' })
    : null;
};

/** Entries in the order of their days; those of one day as they were written. */
export const inOrder = ({ entries = {} }: LogbookData): readonly LogEntry[] =>
  Object.values(entries)
    .map((entry, k) => ({ entry, k }))
    .sort((p, q) => (p.entry.date < q.entry.date ? -1 : p.entry.date > q.entry.date ? 1 : p.k - q.k))
    .map(({ entry }) => entry);

const most = (values: readonly (number | undefined)[]): number | null => {
  const known = values.filter((value): value is number => value !== undefined);
  return known.length > 0 ? Math.max(...known) : null;
};

/** What the last entries say, on a day. */
export const standOn = (entries: readonly LogEntry[], date: string): Stand => ({
  date,
  odometerM: most(entries.map(({ odometerM }) => odometerM)),
  ranS: most(entries.map(({ ranS }) => ranS)),
});

/** A day, on average over the book; null: two readings on two days are not there. */
function aDay(entries: readonly LogEntry[], read: (entry: LogEntry) => number | undefined): number | null {
  const known = entries.filter((entry) => read(entry) !== undefined);
  const [first, last] = [known[0], known.at(-1)];
  if (!first || !last) return null;
  const between = days(first.date, last.date);
  const gone = read(last)! - read(first)!;
  return between !== null && between > 0 && gone > 0 ? gone / between : null;
}

/** What the meter showed at an entry, or at the nearest one before it. */
function readAt(
  entries: readonly LogEntry[],
  at: LogEntry,
  read: (entry: LogEntry) => number | undefined,
): number | null {
  const k = entries.indexOf(at);
  for (let j = k; j >= 0; j--) {
    const value = read(entries[j]!);
    if (value !== undefined) return value;
  }
  // Before anybody read it: it counts from the first reading on.
  return entries.map(read).find((value) => value !== undefined) ?? null;
}

/** One upkeep against the book. `entries` in order. */
export function dueOf(task: UpkeepTask, entries: readonly LogEntry[], now: Stand): DueTask {
  const last = entries.filter(({ taskIds = [] }) => taskIds.includes(task.id)).at(-1) ?? null;
  const from = last ?? entries[0] ?? null;
  const wear = wearOf(task, entries, now.date);
  const bare = { task, last, onDay: null, atM: null, atRunS: null, wear, expected: null, used: null };
  if (task.off !== null) return { ...bare, state: 'off' };
  if (from === null) return { ...bare, state: 'unknown' };
  const parts: { readonly used: number; readonly left: number | null }[] = [];
  const onDay = task.everyDays === null ? null : later(from.date, task.everyDays);
  const gone = days(from.date, now.date);
  if (task.everyDays !== null && gone !== null)
    parts.push({ used: gone / task.everyDays, left: task.everyDays - gone });
  const by = (
    every: number | null,
    now: number | null,
    read: (entry: LogEntry) => number | undefined,
  ): number | null => {
    const began = every === null ? null : readAt(entries, from, read);
    if (every === null || began === null || now === null) return null;
    const rate = aDay(entries, read);
    parts.push({ used: (now - began) / every, left: rate === null ? null : (began + every - now) / rate });
    return began + every;
  };
  const atM = by(task.everyM, now.odometerM, ({ odometerM }) => odometerM);
  const atRunS = by(task.everyRunS, now.ranS, ({ ranS }) => ranS);
  if (wear?.used != null) parts.push({ used: wear.used, left: wear.leftDays });
  const used = parts.length === 0 ? null : Math.max(...parts.map((part) => part.used));
  const lefts = parts.flatMap(({ left }) => (left === null ? [] : [left]));
  return {
    ...bare,
    onDay,
    atM,
    atRunS,
    used,
    expected: lefts.length === 0 ? null : later(now.date, Math.min(...lefts)),
    state: used === null ? 'unknown' : used >= 1 - 1e-9 ? 'due' : used >= SOON ? 'soon' : 'fine',
  };
}

/** What is due first. */
export const dueList = (tasks: readonly UpkeepTask[], entries: readonly LogEntry[], now: Stand): readonly DueTask[] =>
  tasks.map((task) => dueOf(task, entries, now)).sort((p, q) => (q.used ?? -1) - (p.used ?? -1));
