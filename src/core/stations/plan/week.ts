import { formatISO, parseISO, subDays } from 'date-fns';
import type { Wait } from '../../build';
import type { Job } from './jobs';
import type { RegisterLine } from './register';
import { doable } from './schedule';

/** What a weekly note says. */
export interface WeekNote {
  readonly from: string;
  readonly to: string;
  readonly done: readonly Job[];
  /** Of them, as worked or else as usual, h. */
  readonly hours: number;
  readonly next: readonly Job[];
  readonly waits: readonly Wait[];
  readonly open: readonly RegisterLine[];
}

/** The seven days up to and with `today` (ISO date): done, next, waited for, open. */
export function weekNote(
  jobs: readonly Job[],
  waits: readonly Wait[],
  register: readonly RegisterLine[],
  today: string,
): WeekNote {
  const from = formatISO(subDays(parseISO(today), 6), { representation: 'date' });
  const done = jobs.filter(({ mark }) => mark?.done !== undefined && mark.done >= from && mark.done <= today);
  return {
    from,
    to: today,
    done,
    hours: done.reduce((sum, { mark, hours }) => sum + (mark?.spentH ?? hours), 0),
    next: doable(jobs, waits).slice(0, 8),
    waits: waits.filter(({ there }) => there === null),
    open: register,
  };
}

/** The note as plain text. */
export const weekText = (name: string, { from, to, done, hours, next, waits, open }: WeekNote): string =>
  [
    `${name}, ${from} to ${to}`,
    '',
    `Done (${Math.round(hours * 10) / 10} h):`,
    ...(done.length > 0 ? done.map((job) => `- ${job.name}`) : ['- nothing']),
    '',
    'Next:',
    ...(next.length > 0
      ? next.map((job) => `- ${job.name}, about ${job.hours} h${job.two ? ', two people' : ''}${job.hv ? ', HV' : ''}`)
      : ['- nothing can be done now']),
    '',
    'Waiting for:',
    ...(waits.length > 0
      ? waits.map(({ what, expected }) => `- ${what}${expected ? `, expected ${expected}` : ', no date entered'}`)
      : ['- nothing']),
    '',
    'Stand-ins and loose ends:',
    ...(open.length > 0
      ? open.map(({ what, mayStay }) => `- ${what}${mayStay ? ` (may stay: ${mayStay})` : ''}`)
      : ['- none']),
    '',
  ].join('\n');
