import { isValid, parseISO } from 'date-fns';
import type { Finding, Ref } from '../../checks';
import { harnessOf } from '../../vehicle';
import { defineRule } from '../define';
import { jobsOf } from './jobs';
import { gating, registerOf } from './register';
import { cycles } from './schedule';

const PLAN_REF: Ref = { kind: 'build', id: 'plan', name: 'Plan' };
const some = (names: readonly string[], most = 4): string =>
  names.length <= most ? names.join('; ') : `${names.slice(0, most).join('; ')}; and ${names.length - most} more`;

const circle = defineRule({
  id: 'plan.order',
  endangers: 'comfort',
  work: true,
  says: {
    fails: 'Jobs wait for one another',
    holds: 'Each job can be begun once others are done',
    line: '{detail}',
    open: 'Order of jobs',
  },
  sources: ['What comes before what, followed to its end'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (vehicle.build.plan === undefined) return [];
    const jobs = jobsOf(vehicle);
    const round = cycles(jobs);
    return [
      {
        subject: PLAN_REF,
        holds: round.size === 0,
        figures: {
          detail:
            round.size === 0
              ? `${jobs.length} jobs`
              : `${some(jobs.filter(({ id }) => round.has(id)).map(({ name }) => name))}: each waits for the next, and the last for the first`,
        },
      },
    ];
  },
  remedies: 'Take one of the “comes after” away again, at the job.',
});

const dates = defineRule({
  id: 'plan.dates',
  endangers: 'comfort',
  work: true,
  says: {
    fails: 'Days of the plan contradict one another',
    holds: 'Days of the plan agree',
    line: '{detail}',
    open: 'Days of the plan',
  },
  sources: ['Ordered before expected and there; what comes first done first'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { plan } = vehicle.build;
    if (plan === undefined) return [];
    const jobs = jobsOf(vehicle);
    const ofId = new Map(jobs.map((job) => [job.id, job]));
    const noDay = (what: string, ...days: readonly (string | null | undefined)[]): string[] =>
      days.flatMap((day) =>
        typeof day === 'string' && !isValid(parseISO(day)) ? [`${what}: ${day} is in no calendar`] : [],
      );
    const wrong = [
      ...noDay('begin of the work', plan.starts),
      ...Object.values(plan.waits ?? {}).flatMap(({ what, since, expected, there }) =>
        noDay(what, since, expected, there),
      ),
      ...Object.values(plan.register ?? {}).flatMap(({ what, since, closed }) => noDay(what, since, closed)),
      ...jobs.flatMap(({ name, mark }) => noDay(name, mark?.begun, mark?.done)),
      ...Object.values(plan.waits ?? {}).flatMap(({ what, since, expected, there }) => [
        ...(expected !== null && expected < since ? [`${what}: expected ${expected}, ordered only ${since}`] : []),
        ...(there !== null && there < since ? [`${what}: there ${there}, ordered only ${since}`] : []),
      ]),
      ...Object.values(plan.register ?? {}).flatMap(({ what, since, closed }) =>
        closed !== null && closed < since ? [`${what}: closed ${closed}, open only since ${since}`] : [],
      ),
      ...jobs.flatMap(({ name, mark, after }) => {
        const done = mark?.done;
        if (done === undefined) return [];
        const early = after
          .map((id) => ofId.get(id)!)
          .find((one) => one.mark?.done !== undefined && one.mark.done > done);
        return early ? [`${name}: done ${done}, before ${early.name} on ${early.mark!.done}`] : [];
      }),
    ];
    return [
      {
        subject: PLAN_REF,
        holds: wrong.length === 0,
        figures: { detail: wrong.length > 0 ? some(wrong) : 'orders, deliveries and jobs' },
      },
    ];
  },
  remedies: 'Correct the day where it is written; a clock that was set back wrote it, perhaps.',
});

const road = defineRule({
  id: 'plan.road',
  endangers: 'people',
  work: true,
  says: {
    fails: 'The road test was driven with open points',
    holds: 'Nothing in the register keeps it off the road',
    line: '{detail}',
    open: 'Road test',
  },
  sources: ['Stand-ins and loose ends go before the road, or somebody says why they may stay'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (vehicle.build.plan === undefined) return [];
    const open = gating(registerOf(vehicle));
    const jobs = jobsOf(vehicle);
    const test = jobs.find(({ id }) => id === 'road');
    const before = jobs.filter(({ id, done }) => !done && test?.after.includes(id));
    const detail = some(open.map(({ what }) => what));
    const { wires, begun } = harnessOf(vehicle);
    // Where no end is ticked, nothing tells that none hangs loose.
    const untold =
      wires.length > 0 && !begun ? [{ ref: PLAN_REF, what: 'which ends of wires are landed, in Harness' }] : [];
    if (test?.done) {
      if (open.length > 0) return [{ subject: PLAN_REF, holds: false, figures: { detail } }];
      if (before.length > 0)
        return [
          {
            subject: PLAN_REF,
            holds: false,
            figures: { detail: `not done before it: ${some(before.map(({ name }) => name))}` },
          },
        ];
      if (untold.length > 0) return [{ subject: PLAN_REF, missing: untold }];
      return [
        { subject: PLAN_REF, holds: true, figures: { detail: 'stand-ins gone, ends landed, tests done before it' } },
      ];
    }
    if (open.length + untold.length > 0)
      return [
        {
          subject: PLAN_REF,
          missing: [...open.slice(0, 12).map(({ what }) => ({ ref: PLAN_REF, what })), ...untold],
        },
      ];
    return [{ subject: PLAN_REF, holds: true, figures: { detail: 'no stand-in, no loose end' } }];
  },
  remedies: 'Put in the real part, land or park the end, close the lid; then close the line in the register.',
});

export const PLAN_RULES = [circle, dates, road] as const;
