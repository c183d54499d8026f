import type { JobMark, OpenPoint, OwnJob, PlanData, Wait } from '../types';

const byId = <T extends { readonly id: string }>(list: readonly T[]): Record<string, T> =>
  Object.fromEntries(list.map((one) => [one.id, one]));
const done = (date: string, ...ids: readonly string[]): JobMark[] => ids.map((id) => ({ id, done: date }));

const FIRN_JOBS: readonly JobMark[] = [
  ...done('2026-01-17', 'out.old-engine-loom', 'out.old-tank'),
  ...done(
    '2026-02-08',
    'fetch.box-rear',
    'fetch.box-front',
    'fetch.charger',
    'fetch.inverter',
    'fetch.motor',
    'fetch.heater',
    'fetch.coil-battery',
  ),
  ...done('2026-02-14', 'inspect.box-rear', 'inspect.box-front'),
  ...done('2026-03-07', 'trial-fit'),
  ...done('2026-03-14', 'strip'),
  ...done('2026-04-04', 'paint'),
  ...done(
    '2026-04-19',
    'mount.box-rear',
    'mount.box-front',
    'mount.inverter',
    'mount.charger',
    'mount.coil-battery',
    'mount-small',
    'mount-low',
  ),
];
const FIRN_WAITS: readonly Wait[] = [
  {
    id: 'wait-plate',
    what: 'Adapter plate, at the machinist',
    kind: 'machinist',
    jobs: ['mount.motor'],
    since: '2026-03-09',
    expected: '2026-06-12',
    there: null,
  },
  {
    id: 'wait-hoses',
    what: 'Coolant hoses, second delivery',
    kind: 'delivery',
    jobs: ['mount.heater', 'own-hoses'],
    since: '2026-04-22',
    expected: '2026-05-30',
    there: null,
  },
];
const FIRN_OWN: readonly OwnJob[] = [
  { id: 'own-hoses', name: 'Lay the coolant hoses', stage: 'final-fit', zoneId: 'zone-bay', hours: 5 },
  {
    id: 'own-shaft',
    name: 'Prop shaft to the coupler',
    stage: 'final-fit',
    zoneId: 'zone-underbody',
    hours: 3,
    two: true,
  },
  {
    id: 'own-trim',
    name: 'Floor covering and seats back in',
    stage: 'final-fit',
    zoneId: 'zone-cabin',
    hours: 6,
    two: true,
  },
];
const FIRN_REGISTER: readonly OpenPoint[] = [
  {
    id: 'open-supply',
    kind: 'stand-in',
    what: 'Bench supply of 13.8 V stands in for the converter',
    deviceId: 'charger',
    since: '2026-04-25',
    closed: null,
  },
  { id: 'open-lid', kind: 'lid', what: 'Lid of the front box lies on loose', since: '2026-04-26', closed: null },
  {
    id: 'open-fuel',
    kind: 'gauge',
    what: 'Fuel gauge shows nothing yet',
    since: '2026-04-26',
    closed: null,
    mayStay: 'state of charge is on the dash display',
  },
  {
    id: 'open-fan',
    kind: 'stand-in',
    what: 'Garage fan in place of the radiator fan',
    since: '2026-04-12',
    closed: '2026-04-27',
  },
];

/** The shuttle: painted, most of it mounted; a plate and hoses are waited for. */
export const FIRN_PLAN: PlanData = {
  starts: '2026-01-10',
  hoursPerWeek: 12,
  jobs: byId([...FIRN_JOBS, { id: 'test-charge', hours: 8 }, { id: 'own-shaft', after: ['mount.motor'] }]),
  ownJobs: byId(FIRN_OWN),
  waits: byId(FIRN_WAITS),
  register: byId(FIRN_REGISTER),
};

const BIG = ['box', 'box-bay', 'inverter', 'motor', 'heater', 'converter', 'charger', 'charger-dc', 'coil-battery'];

/** The estate: finished. */
export const LARKSPUR_PLAN: PlanData = {
  starts: '2025-02-01',
  hoursPerWeek: 10,
  jobs: byId([
    ...done('2025-03-01', 'out.old-engine-loom', 'out.old-tank', ...BIG.map((id) => `fetch.${id}`)),
    ...done('2025-03-15', 'inspect.box', 'inspect.box-bay'),
    ...done('2025-04-12', 'trial-fit'),
    ...done('2025-04-26', 'strip'),
    ...done('2025-05-31', 'paint'),
    ...done('2025-07-19', ...BIG.map((id) => `mount.${id}`), 'mount-small', 'mount-low'),
    ...done('2025-09-20', 'test-low', 'test-insulation'),
    ...done('2025-09-27', 'test-precharge', 'test-spin', 'test-charge'),
    ...done('2025-10-04', 'road'),
  ]),
  register: byId([
    {
      id: 'open-cover',
      kind: 'lid',
      what: 'Cover of the hand switch missing',
      since: '2025-09-21',
      closed: '2025-09-28',
    },
  ] as OpenPoint[]),
};
