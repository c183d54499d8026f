import type { Build, JobMark, OpenPoint, Wait } from '../../build';
import { both, type Change, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const WORK = 'Work at the car';

const mark = (entry: JobMark): Change => edit({ edit: 'putInPlan', input: { list: 'jobs', entries: [entry] } });
const point = (entry: OpenPoint): Change => edit({ edit: 'putInPlan', input: { list: 'register', entries: [entry] } });
/** As a file may hold it: no edit puts such days down. */
const waitOf =
  (more: Partial<Wait>): Change =>
  (build: Build) => ({
    ...build,
    plan: {
      ...build.plan,
      waits: {
        ...build.plan?.waits,
        w: {
          id: 'w',
          what: 'Plug kit',
          kind: 'delivery',
          jobs: [],
          since: '2026-04-01',
          expected: null,
          there: null,
          ...more,
        },
      },
    },
  });
const lid: OpenPoint = {
  id: 'lid',
  kind: 'lid',
  what: 'Lid of the boot box missing',
  since: '2025-11-02',
  closed: null,
};

export const PLAN_MISTAKES: readonly Mistake[] = [
  {
    kind: WORK,
    did: 'painting put after the road test that waits for it',
    on: 'firn',
    plant: mark({ id: 'paint', after: ['road'] }),
    speaks: 'plan.order:plan',
    says: 'Jobs wait for one another',
  },
  {
    kind: WORK,
    did: 'a delivery expected before it was ordered',
    on: 'firn',
    plant: waitOf({ expected: '2026-03-01' }),
    speaks: 'plan.dates:plan',
    says: 'Days of the plan contradict one another',
  },
  {
    kind: WORK,
    did: 'a delivery there before it was ordered',
    on: 'firn',
    plant: waitOf({ there: '2026-03-01' }),
    speaks: 'plan.dates:plan',
    says: 'Days of the plan contradict one another',
  },
  {
    kind: WORK,
    did: 'first HV ticked before the insulation that comes first, by a clock that was set back',
    on: 'larkspur',
    plant: mark({ id: 'test-precharge', done: '2025-09-01' }),
    speaks: 'plan.dates:plan',
    says: 'Days of the plan contradict one another',
  },
  {
    kind: WORK,
    did: 'on the road with a lid missing',
    on: 'larkspur',
    plant: point(lid),
    speaks: 'plan.road:plan',
    says: 'The road test was driven with open points',
  },
  {
    kind: WORK,
    did: 'the road test ticked with the bench supply still in',
    on: 'firn',
    plant: mark({ id: 'road', done: '2026-05-03' }),
    speaks: 'plan.road:plan',
    says: 'The road test was driven with open points',
  },
  {
    kind: WORK,
    did: 'the road test driven before insulation was measured',
    on: 'larkspur',
    // Neither ticked nor signed for.
    plant: both(
      mark({ id: 'test-insulation' }),
      edit({ edit: 'dropFromCommission', input: { list: 'signs', id: 'sign-insulation' } }),
    ),
    speaks: 'plan.road:plan',
    says: 'The road test was driven with open points',
  },
];

export const PLAN_HARMLESS: readonly Harmless[] = [
  {
    did: 'a job of one’s own',
    on: 'firn',
    change: edit({
      edit: 'putInPlan',
      input: {
        list: 'ownJobs',
        entries: [{ id: 'own-9', name: 'Tow eye', stage: 'final-fit', zoneId: null, hours: 1 }],
      },
    }),
  },
  {
    did: 'a lid missing that may stay, with its reason',
    on: 'larkspur',
    change: point({ ...lid, mayStay: 'it lies under the seat, nobody gets there' }),
  },
  { did: 'a lid missing and put on again', on: 'larkspur', change: point({ ...lid, closed: '2025-11-03' }) },
  { did: 'a job that takes longer', on: 'firn', change: mark({ id: 'test-spin', hours: 5 }) },
  {
    did: 'a delivery that came later than expected',
    on: 'firn',
    change: waitOf({ expected: '2026-04-10', there: '2026-04-20' }),
  },
];
