import type { Build, Claim, LogEntry } from '../../build';
import { type Change, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const BOOK = 'Logbook';
const KM = 1000;

const put = (...entries: readonly LogEntry[]): Change =>
  edit({ edit: 'putInLogbook', input: { list: 'entries', entries } });
/** Entries that name a task lose it: it was never done. */
const neverDone =
  (taskId: string): Change =>
  (build: Build) =>
    put(
      ...Object.values(build.logbook!.entries!).flatMap((entry) =>
        entry.taskIds?.includes(taskId) ? [{ ...entry, taskIds: entry.taskIds.filter((id) => id !== taskId) }] : [],
      ),
    )(build);
const claim = (entry: Omit<Claim, 'id'>): Change =>
  edit({ edit: 'putInLogbook', input: { list: 'claims', entries: [{ id: 'mine', ...entry }] } });
const drive = (more: Partial<LogEntry>): LogEntry => ({
  id: 'one-more',
  kind: 'drive',
  date: '2026-10-03',
  what: 'To the lake',
  ...more,
});

/** A figure measured on the brakes’ linings, m. */
const lining = (id: string, date: string, valueM: number): LogEntry => ({
  id,
  kind: 'inspection',
  date,
  what: 'Linings measured',
  wear: [{ taskId: 'brakes', valueM }],
});

export const LOGBOOK_MISTAKES: readonly Mistake[] = [
  {
    kind: BOOK,
    did: 'brake linings measured thinner than they may be, soon after the yearly service',
    on: 'larkspur',
    plant: put(lining('worn', '2026-10-02', 0.0018)),
    speaks: 'logbook.safety-upkeep:upkeep-safety',
    says: 'Upkeep that keeps people safe is overdue',
  },
  {
    kind: BOOK,
    did: 'brake linings that wear so fast that they are through before the yearly look',
    on: 'larkspur',
    plant: put(
      lining('w1', '2026-09-12', 0.0085),
      lining('w2', '2026-09-26', 0.0045),
      drive({ date: '2026-10-30', odometerM: 72500 * KM }),
    ),
    speaks: 'logbook.safety-upkeep:upkeep-safety',
    says: 'Upkeep that keeps people safe is overdue',
  },
  {
    kind: BOOK,
    did: 'an odometer that runs backwards',
    on: 'larkspur',
    plant: put(drive({ odometerM: 61300 * KM })),
    speaks: 'logbook.order:logbook',
    says: 'Entries of the logbook contradict one another',
  },
  {
    kind: BOOK,
    did: 'fuller after a drive than before',
    on: 'larkspur',
    plant: put(drive({ socFrom: 0.4, socTo: 0.8 })),
    speaks: 'logbook.order:logbook',
    says: 'Entries of the logbook contradict one another',
  },
  {
    kind: BOOK,
    did: 'emergency stop not tried since it was built',
    on: 'larkspur',
    plant: neverDone('stops'),
    speaks: 'logbook.safety-upkeep:upkeep-safety',
    says: 'Upkeep that keeps people safe is overdue',
  },
  {
    kind: BOOK,
    did: 'so far driven in a year that the torque list is due by distance',
    on: 'larkspur',
    plant: put(drive({ odometerM: 95000 * KM })),
    speaks: 'logbook.safety-upkeep:upkeep-safety',
    says: 'Upkeep that keeps people safe is overdue',
  },
  {
    kind: BOOK,
    did: 'spread of the cells never read',
    on: 'larkspur',
    plant: neverDone('spread'),
    speaks: 'logbook.upkeep:upkeep',
    says: 'Upkeep is overdue',
  },
  {
    kind: BOOK,
    did: 'a code that was cleared comes back',
    on: 'larkspur',
    plant: put({
      id: 'f2',
      kind: 'fault',
      date: '2026-09-01',
      what: 'Charger stopped by itself again',
      code: 'c-14',
    }),
    speaks: 'logbook.faults:logbook',
    says: 'Faults are open, or have come back',
  },
  {
    kind: BOOK,
    did: 'insulation read at 40 kΩ after a wet winter',
    on: 'larkspur',
    plant: put({
      id: 'h9',
      kind: 'inspection',
      date: '2026-10-02',
      what: 'Insulation after rain',
      insulationOhm: 40e3,
    }),
    speaks: 'logbook.insulation:logbook',
    says: 'Insulation has fallen too low',
  },
  {
    kind: BOOK,
    did: 'the last reading of the insulation is older than a year',
    on: 'larkspur',
    plant: put(drive({ date: '2028-01-10' })),
    speaks: 'logbook.insulation:logbook',
    says: 'Insulation over time',
    asks: true,
  },
  {
    kind: BOOK,
    did: 'a range of 260 km, claimed by a seller',
    on: 'larkspur',
    plant: claim({ kind: 'range', value: 260 * KM, by: 'a seller', since: '2025-10-04' }),
    speaks: 'logbook.claim:claim-mine',
    says: 'The logbook refutes what a seller claimed',
  },
];

export const LOGBOOK_HARMLESS: readonly Harmless[] = [
  {
    did: 'one more drive',
    on: 'larkspur',
    change: put(drive({ odometerM: 71800 * KM, distanceM: 30 * KM, socFrom: 0.95, socTo: 0.77 })),
  },
  {
    did: 'linings renewed: what was worn before them counts no longer',
    on: 'larkspur',
    change: put(
      lining('w1', '2026-09-26', 0.0019),
      lining('w2', '2026-09-28', 0.01),
      lining('w3', '2026-10-02', 0.00995),
    ),
  },
  {
    did: 'linings measured a little thicker than last time: a calliper’s error',
    on: 'larkspur',
    change: put(lining('w1', '2026-10-02', 0.0094)),
  },
  {
    did: 'a fault that was cleared on the day it came',
    on: 'larkspur',
    change: put({ id: 'f3', kind: 'fault', date: '2026-10-02', what: 'Door contact loose', cleared: '2026-10-02' }),
  },
  {
    did: 'an upkeep that is not done here, with its reason, and never was',
    on: 'larkspur',
    change: (build) =>
      edit({
        edit: 'putInLogbook',
        input: { list: 'upkeep', entries: [{ id: 'filters', off: 'sealed, nothing to blow out' }] },
      })(neverDone('filters')(build)),
  },
  {
    did: 'a consumption that was claimed and is kept',
    on: 'larkspur',
    change: claim({ kind: 'consumption', value: 150, by: 'the builder', since: '2025-10-04' }),
  },
  {
    did: 'a long way down from the hut, the motor braking: a little fuller below',
    on: 'firn',
    change: put(drive({ socFrom: 0.6, socTo: 0.66, distanceM: 14 * KM })),
  },
  {
    did: 'the first drive of a car without a book',
    on: 'teasel',
    change: put(drive({ ranS: 3600 * 12 })),
  },
];
