import { differenceInCalendarDays, isValid, parseISO } from 'date-fns';
import type { LogEntry } from '../../build';
import { type Finding, marginAtLeast, quantityText as q, type Ref } from '../../checks';
import { inverterPowerW } from '../../vehicle';
import { fromRules } from '../context';
import { defineRule } from '../define';
import { claimsOf } from './change';
import { type DueTask, dueList, inOrder, standOn } from './due';
import { faultsOf } from './faults';
import { TREND_DIMENSION, trendOf } from './trends';
import { upkeepOf } from './upkeep';

const BOOK: Ref = { kind: 'build', id: 'logbook', name: 'Logbook' };
const some = (names: readonly string[], most = 4): string =>
  names.length <= most ? names.join('; ') : `${names.slice(0, most).join('; ')}; and ${names.length - most} more`;

/** A long descent fills a pack that the motor brakes into by so much at most: 2.5 t down 2,000 m are 13.6 kWh, of a usual pack a quarter. */
const DOWNHILL = 0.25;

const order = defineRule({
  id: 'logbook.order',
  endangers: 'comfort',
  work: true,
  says: {
    fails: 'Entries of the logbook contradict one another',
    holds: 'Entries of the logbook agree',
    line: '{detail}',
    open: 'Entries of the logbook',
  },
  sources: ['Odometer and hour meter never run backwards; a day is in the calendar'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { logbook } = vehicle.build;
    if (logbook === undefined) return [];
    const entries = inOrder(logbook);
    const downhill = inverterPowerW(vehicle.build, 'regeneration') < 0 ? DOWNHILL : 0;
    const back = (read: (entry: LogEntry) => number | undefined, dimension: 'distance' | 'time', what: string) => {
      let high: LogEntry | null = null;
      return entries.flatMap((entry) => {
        const value = read(entry);
        if (value === undefined) return [];
        if (high && value < read(high)! - 1 && entry.date > high.date)
          return [
            `${what} ${q(value, dimension)} on ${entry.date}, ${q(read(high)!, dimension)} before, on ${high.date}`,
          ];
        if (!high || value >= read(high)!) high = entry;
        return [];
      });
    };
    const wrong = [
      ...entries.flatMap(({ date, what }) => (isValid(parseISO(date)) ? [] : [`${what}: ${date} is in no calendar`])),
      ...entries.flatMap(({ kind, socFrom, socTo, what, date }) =>
        socFrom === undefined || socTo === undefined
          ? []
          : kind === 'drive' && socTo > socFrom + downhill
            ? [`${what}, ${date}: fuller after the drive than before`]
            : kind === 'charge' && socTo < socFrom
              ? [`${what}, ${date}: emptier after the charge than before`]
              : [],
      ),
      ...back(({ odometerM }) => odometerM, 'distance', 'odometer'),
      ...back(({ ranS }) => ranS, 'time', 'hour meter'),
    ];
    return [
      {
        subject: BOOK,
        holds: wrong.length === 0,
        figures: { detail: wrong.length > 0 ? some(wrong) : `${entries.length} entries` },
      },
    ];
  },
  remedies: 'Correct the entry; where another instrument was fitted, say so with a change of the car.',
});

/** What is due by the last entry of the book: nobody knows today’s day here. */
const overdue = (context: Parameters<typeof upkeepOf>[0]): readonly DueTask[] => {
  const entries = inOrder(context.vehicle.build.logbook ?? {}).filter(({ date }) => isValid(parseISO(date)));
  const last = entries.at(-1);
  return last ? dueList(upkeepOf(context), entries, standOn(entries, last.date)) : [];
};
const dueText = ({ task, last }: DueTask): string => `${task.name}${last ? `, last ${last.date}` : ', never entered'}`;

const dueJudge =
  (safety: boolean) =>
  (context: Parameters<typeof upkeepOf>[0]): Finding<'detail'>[] => {
    const tasks = overdue(context).filter(({ task, state }) => task.safety === safety && state !== 'off');
    if (tasks.length === 0) return [];
    const due = tasks.filter(({ state }) => state === 'due');
    const subject: Ref = safety
      ? { ...BOOK, id: 'upkeep-safety', name: 'Upkeep, safety' }
      : { ...BOOK, id: 'upkeep', name: 'Upkeep' };
    return [
      {
        subject,
        holds: due.length === 0,
        figures: {
          detail: due.length > 0 ? some(due.map(dueText)) : `${tasks.length} in their time, by the last entry`,
        },
      },
    ];
  };

const safetyUpkeep = defineRule({
  id: 'logbook.safety-upkeep',
  endangers: 'people',
  work: true,
  says: { fails: 'Upkeep that keeps people safe is overdue', holds: 'Upkeep that keeps people safe', line: '{detail}' },
  sources: ['Intervals by date, distance and hours; practice of the trade, or as decided in Logbook'],
  judge: dueJudge(true),
  remedies: 'Do it and enter it; or decide another interval, for a reason that you stand by.',
});
const upkeep = defineRule({
  id: 'logbook.upkeep',
  endangers: 'parts',
  work: true,
  says: { fails: 'Upkeep is overdue', holds: 'Upkeep', line: '{detail}' },
  sources: ['Intervals by date, distance and hours; practice of the trade, or as decided in Logbook'],
  judge: dueJudge(false),
  remedies: 'Do it and enter it; or decide another interval, for a reason that you stand by.',
});

const faults = defineRule({
  id: 'logbook.faults',
  endangers: 'people',
  work: true,
  says: {
    fails: 'Faults are open, or have come back',
    holds: 'Faults of the logbook are cleared',
    line: '{detail}',
    open: 'Faults',
  },
  sources: ['A code that was cleared and comes again was not mended'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const list = faultsOf(vehicle.build.logbook ?? {});
    if (list.length === 0) return [];
    const open = list.filter(({ state }) => state !== 'cleared');
    return [
      {
        subject: BOOK,
        holds: open.length === 0,
        figures: {
          detail:
            open.length > 0
              ? some(
                  open.map(
                    ({ code, what, state, last }) =>
                      `${code || what} ${state === 'returned' ? 'came back' : 'open'}, ${last}`,
                  ),
                )
              : `${list.length} cleared`,
        },
      },
    ];
  },
  remedies: 'Find the cause; a code that is only cleared comes again. Enter what was mended, and the day.',
});

/** A reading of insulation older than so many days tells little of today (practice: once a year, and some grace). */
const OLD_DAYS = 400;

const insulation = defineRule({
  id: 'logbook.insulation',
  endangers: 'people',
  work: true,
  says: {
    fails: 'Insulation has fallen too low',
    holds: 'Insulation as last read',
    line: '{demand} on {day}, at least {limit}',
    open: 'Insulation over time',
  },
  sources: ['The last reading in the book counts, not the best one'],
  sourcesIn: fromRules('insulationOhmPerV'),
  judge: ({ vehicle, rules, fullV }): Finding<'day'>[] => {
    const { build } = vehicle;
    if (build.logbook === undefined || fullV === null || fullV <= rules.classBDcV.value) return [];
    const { points, aYear } = trendOf(build, 'insulation');
    const last = points.at(-1);
    if (!last) return [];
    const latest = inOrder(build.logbook).at(-1)!.date;
    const age = differenceInCalendarDays(parseISO(latest), parseISO(last.date));
    if (age > OLD_DAYS)
      return [
        { subject: BOOK, missing: [{ ref: BOOK, what: `a reading of the insulation: the last is of ${last.date}` }] },
      ];
    const limit = rules.insulationOhmPerV.value * fullV;
    return [
      {
        subject: BOOK,
        demand: { value: last.value, dimension: 'resistance' },
        limit: { value: limit, dimension: 'resistance' },
        margin: marginAtLeast(last.value, limit),
        figures: { day: last.date },
        assumed: [`Insulation as it was read on ${last.date}: nothing newer is known.`],
        lines: () => [
          {
            formula: 'R_i ≥ least Ω/V · V_full',
            figures: `${rules.insulationOhmPerV.value} · ${q(fullV, 'voltage')}`,
            result: { value: limit, dimension: 'resistance' },
            ...(aYear === null
              ? {}
              : {
                  note: `By a straight line through ${points.length} readings it goes ${aYear < 0 ? 'down' : 'up'} by ${q(Math.abs(aYear), 'resistance')} a year.`,
                }),
          },
        ],
      },
    ];
  },
  remedies: 'Pull branches until it recovers: the last one leaks. Dry and clean, read again, enter it.',
});

/** A claim is refuted when the book falls short of it by more than this (engineering judgement: weather, driver). */
const SHORT = 0.1;
/** From so many drives on. */
const ENOUGH = 3;

const claims = defineRule({
  id: 'logbook.claim',
  endangers: 'comfort',
  work: true,
  says: {
    fails: 'The logbook refutes what {by} claimed',
    holds: 'What {by} claimed, by the logbook',
    line: '{detail}',
    open: 'What {by} claimed',
  },
  sources: [
    'Range: all distance over all charge used; consumption: all energy over all distance; since the day of the claim, up to the next change',
  ],
  judge: ({ vehicle }): Finding<'by' | 'detail'>[] =>
    claimsOf(vehicle.build).map(({ claim, measured, short, drives }): Finding<'by' | 'detail'> => {
      const subject: Ref = { kind: 'build', id: `claim-${claim.id}`, name: `Claim: ${claim.kind.replace('-', ' ')}` };
      const dimension = claim.kind === 'charge-time' ? ('time' as const) : TREND_DIMENSION[claim.kind];
      const figures = { by: claim.by };
      const few = (claim.kind === 'range' || claim.kind === 'consumption') && drives < ENOUGH;
      if (measured === null || short === null || few)
        return {
          subject,
          figures: { ...figures, detail: '' },
          missing: [{ ref: subject, what: few && drives > 0 ? `${ENOUGH} drives at least` : 'entries that tell it' }],
        };
      return {
        subject,
        holds: short <= SHORT,
        figures: { ...figures, detail: `${q(measured, dimension)}, claimed ${q(claim.value, dimension)}` },
      };
    }),
  remedies:
    'It is what it is: the book of drives is worth more than a word. Look at tyres, brakes and cells before you blame.',
});

export const LOGBOOK_RULES = [order, safetyUpkeep, upkeep, faults, insulation, claims] as const;
