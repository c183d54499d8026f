import { addDays, differenceInCalendarDays, formatISO, isValid, parseISO } from 'date-fns';
import type { Wait } from '../../build';
import type { Job } from './jobs';

/** How long a job may take against its usual time (three points): at best, at worst. */
const BEST = 0.7;
const WORST = 2;
/** Whoever is slow at one job is slow at the next: so much of all the hours together, one standard deviation (engineering judgement). */
const COMMON = 0.15;
/** One in ten is outside on either side, of a normal distribution. */
const P90 = 1.2816;

export interface Scheduled {
  readonly job: Job;
  /** Worked hours from now to its begin and end, one person, one job at a time. */
  readonly fromH: number;
  readonly toH: number;
  /** ISO dates. */
  readonly from: string;
  readonly to: string;
}

/** Days from one to another; null: one of them is in no calendar. */
function daysTo(begin: string, day: string): number | null {
  const [from, to] = [parseISO(begin), parseISO(day)];
  return isValid(to) && isValid(from) ? differenceInCalendarDays(to, from) : null;
}

/** Jobs that lead back to themselves. */
export function cycles(jobs: readonly Job[]): ReadonlySet<string> {
  const left = new Map(jobs.map((job) => [job.id, job]));
  // What nothing is left before goes, again and again; what can’t go stands in a circle or behind one.
  for (let gone = true; gone; ) {
    gone = false;
    for (const [id, job] of left)
      if (!job.after.some((one) => left.has(one))) {
        left.delete(id);
        gone = true;
      }
  }
  // Behind a circle is not in it: what nothing left comes after goes, too.
  for (let gone = true; gone; ) {
    gone = false;
    for (const id of left.keys())
      if (![...left.values()].some((job) => job.after.includes(id))) {
        left.delete(id);
        gone = true;
      }
  }
  return new Set(left.keys());
}

/** What is waited for and not there yet, by the jobs that it holds up. */
export const heldBy = (waits: readonly Wait[]): ReadonlyMap<string, readonly Wait[]> => {
  const held = new Map<string, Wait[]>();
  for (const wait of waits)
    if (wait.there === null) for (const job of wait.jobs) held.set(job, [...(held.get(job) ?? []), wait]);
  return held;
};

/** Jobs that can be done now: not done, nothing before them open, nothing waited for. */
export function doable(jobs: readonly Job[], waits: readonly Wait[]): readonly Job[] {
  const done = new Set(jobs.filter((job) => job.done).map(({ id }) => id));
  const held = heldBy(waits);
  return jobs.filter((job) => !job.done && !held.has(job.id) && job.after.every((one) => done.has(one)));
}

const leftOf = ({ hours, share, done }: Job): number => (done ? 0 : hours * (1 - share));

/**
 * One person, one job at a time, in working order, whatever can be done; where nothing can, until the next thing arrives. A thing without a
 * day is taken to arrive at once: the forecast says so. Hours of a job times `factor`.
 */
export function schedule(
  jobs: readonly Job[],
  waits: readonly Wait[],
  {
    from,
    hoursPerWeek,
    factor = 1,
  }: { readonly from: string; readonly hoursPerWeek: number; readonly factor?: number },
): readonly Scheduled[] {
  const round = cycles(jobs);
  const open = jobs.filter((job) => !job.done && !round.has(job.id) && !job.after.some((one) => round.has(one)));
  const done = new Set(jobs.filter((job) => job.done).map(({ id }) => id));
  const held = heldBy(waits);
  const begin = parseISO(from);
  const perDay = hoursPerWeek / 7;
  const dayOf = (h: number): string =>
    formatISO(addDays(begin, Math.floor(h / perDay + 1e-9)), { representation: 'date' });
  /** Worked hours that have gone by when it may begin. */
  const notBefore = (job: Job): number =>
    Math.max(
      0,
      ...(held.get(job.id) ?? []).map(({ expected }) =>
        expected === null ? 0 : (daysTo(from, expected) ?? 0) * perDay,
      ),
    );
  const made: Scheduled[] = [];
  let now = 0;
  const left = [...open];
  while (left.length > 0) {
    const ready = left.filter((job) => job.after.every((one) => done.has(one)));
    if (ready.length === 0) break;
    const free = ready.find((job) => notBefore(job) <= now);
    const job = free ?? ready.reduce((first, one) => (notBefore(one) < notBefore(first) ? one : first));
    const fromH = Math.max(now, notBefore(job));
    const toH = fromH + leftOf(job) * factor;
    made.push({ job, fromH, toH, from: dayOf(fromH), to: dayOf(toH) });
    now = toH;
    done.add(job.id);
    left.splice(left.indexOf(job), 1);
  }
  return made;
}

export interface Forecast {
  /** Hours that are left: expected, and one in ten below and above. */
  readonly leftH: number;
  readonly lowH: number;
  readonly highH: number;
  /** ISO dates of the end: early, expected, late; null: jobs stand in a circle, or hours a week are not told. */
  readonly early: string | null;
  readonly likely: string | null;
  readonly late: string | null;
  /** Waits without a day. */
  readonly undated: readonly Wait[];
}

/**
 * Three points of each job (PERT): mean (b + 4·m + w)/6, variance ((w − b)/6)², added up, and what all jobs share; the end by a schedule with
 * hours to match.
 */
export function forecast(
  jobs: readonly Job[],
  waits: readonly Wait[],
  { from, hoursPerWeek }: { readonly from: string; readonly hoursPerWeek: number | null },
): Forecast {
  let [mean, variance, usual] = [0, 0, 0];
  for (const job of jobs) {
    const h = leftOf(job);
    usual += h;
    mean += (h * (BEST + 4 + WORST)) / 6;
    variance += ((h * (WORST - BEST)) / 6) ** 2;
  }
  const spread = P90 * Math.sqrt(variance + (COMMON * mean) ** 2);
  const end = (totalH: number): string | null => {
    if (hoursPerWeek === null || usual === 0) return null;
    const made = schedule(jobs, waits, { from, hoursPerWeek, factor: totalH / usual });
    return made.length < jobs.filter(({ done }) => !done).length ? null : (made.at(-1)?.to ?? null);
  };
  const low = Math.max(0, mean - spread);
  return {
    leftH: mean,
    lowH: low,
    highH: mean + spread,
    early: end(low),
    likely: end(mean),
    late: end(mean + spread),
    undated: waits.filter(({ there, expected }) => there === null && expected === null),
  };
}

/** The longest chain of jobs that follow one another, by hours that are left and days that are waited; last job last. */
export function criticalPath(
  jobs: readonly Job[],
  waits: readonly Wait[],
  { from, hoursPerWeek }: { readonly from: string; readonly hoursPerWeek: number },
): readonly Job[] {
  const round = cycles(jobs);
  const known = new Map(jobs.filter((job) => !job.done && !round.has(job.id)).map((job) => [job.id, job]));
  const held = heldBy(waits);
  const waitH = (id: string): number =>
    Math.max(
      0,
      ...(held.get(id) ?? []).map(({ expected }) =>
        expected === null ? 0 : Math.max(0, ((daysTo(from, expected) ?? 0) * hoursPerWeek) / 7),
      ),
    );
  const best = new Map<string, { readonly h: number; readonly by: string | null }>();
  const length = (id: string): number => {
    const found = best.get(id);
    if (found) return found.h;
    const job = known.get(id)!;
    let [most, by]: [number, string | null] = [0, null];
    for (const one of job.after) {
      if (!known.has(one)) continue;
      const h = length(one);
      if (h > most || by === null) [most, by] = [h, one];
    }
    const begins = Math.max(most, waitH(id));
    // Held up longer than by anything before it: the chain begins with the wait.
    const result = { h: begins + leftOf(job), by: waitH(id) > most ? null : by };
    best.set(id, result);
    return result.h;
  };
  let last: string | null = null;
  for (const id of known.keys()) if (last === null || length(id) > length(last)) last = id;
  const path: Job[] = [];
  for (let id = last; id !== null; id = best.get(id)?.by ?? null) path.unshift(known.get(id)!);
  return path;
}
