import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import type { Build, LogEntry } from '../../build';
import { larkspur, teasel } from '../../build/samples';
import { changesOf, claimsOf, stretchOf } from './change';
import { dueList, dueOf, inOrder, standOn } from './due';
import { faultsOf } from './faults';
import { trendOf } from './trends';
import type { UpkeepTask } from './upkeep';

const KM = 1000;
const H = 3600;
const task = (more: Partial<UpkeepTask> = {}): UpkeepTask => ({
  id: 'oil',
  name: 'Oil',
  how: 'drain',
  everyDays: null,
  everyM: null,
  everyRunS: null,
  wear: null,
  safety: false,
  off: null,
  decided: false,
  own: false,
  ...more,
});
const entry = (id: string, date: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id,
  kind: 'work',
  date,
  what: id,
  ...more,
});
const book = (...entries: readonly LogEntry[]): Build => ({
  ...larkspur(),
  health: {},
  logbook: { entries: Object.fromEntries(entries.map((one) => [one.id, one])) },
});

describe('due', () => {
  test('by date: thirty days from the last time, over the end of a leap February', () => {
    const done = entry('a', '2028-02-10', { taskIds: ['oil'] });
    const due = (on: string) => dueOf(task({ everyDays: 30 }), [done], standOn([done], on));
    expect(due('2028-02-20')).toMatchObject({ onDay: '2028-03-11', state: 'fine' });
    expect(due('2028-03-09').state).toBe('soon');
    expect(due('2028-03-11').state).toBe('due');
  });

  test('by distance: from the odometer at the time, the day projected by what is driven a day', () => {
    const entries = [
      entry('a', '2026-01-01', { odometerM: 10_000 * KM, taskIds: ['oil'] }),
      entry('b', '2026-04-11', { odometerM: 15_000 * KM }),
    ];
    // 5,000 km in 100 days: 50 a day; 10,000 km from 10,000 leaves 5,000, a hundred days more.
    expect(dueOf(task({ everyM: 10_000 * KM }), entries, standOn(entries, '2026-04-11'))).toMatchObject({
      atM: 20_000 * KM,
      expected: '2026-07-20',
      used: 0.5,
      state: 'fine',
    });
  });

  test('by hours, and by whichever comes first', () => {
    const entries = [
      entry('a', '2026-01-01', { ranS: 100 * H, taskIds: ['oil'] }),
      entry('b', '2026-01-31', { ranS: 148 * H }),
    ];
    const both = dueOf(task({ everyRunS: 50 * H, everyDays: 365 }), entries, standOn(entries, '2026-01-31'));
    expect(both.used).toBeCloseTo(48 / 50, 9);
    expect(both.state).toBe('soon');
    expect(both.atRunS).toBe(150 * H);
  });

  test('never done it counts from the first entry; without a book nothing is known; off is off', () => {
    const first = [entry('a', '2026-01-01')];
    expect(dueOf(task({ everyDays: 365 }), first, standOn(first, '2027-01-02')).state).toBe('due');
    expect(dueOf(task({ everyDays: 365 }), [], standOn([], '2027-01-02')).state).toBe('unknown');
    expect(dueOf(task({ everyDays: 1, off: 'sealed' }), first, standOn(first, '2027-01-02')).state).toBe('off');
    // By distance alone, and nobody read the odometer: unknown, never fine.
    expect(dueOf(task({ everyM: 1 }), first, standOn(first, '2027-01-02')).state).toBe('unknown');
  });

  test('driven so little that it takes ten thousand years: no day is told, and nothing stumbles', () => {
    const entries = [
      entry('a', '2026-01-01', { odometerM: 0, taskIds: ['oil'] }),
      entry('b', '2027-01-01', { odometerM: 1 }),
    ];
    expect(dueOf(task({ everyM: 1e9 }), entries, standOn(entries, '2027-01-01'))).toMatchObject({
      expected: null,
      state: 'fine',
    });
  });

  test('later is never less due; what was just done is not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 0, max: 900 }),
        fc.integer({ min: 0, max: 900 }),
        (every, p, more) => {
          const day = (k: number) => new Date(Date.UTC(2026, 0, 1 + k)).toISOString().slice(0, 10);
          const done = [entry('a', day(0), { taskIds: ['oil'] })];
          const used = (k: number) => dueOf(task({ everyDays: every }), done, standOn(done, day(k))).used!;
          expect(used(p + more)).toBeGreaterThanOrEqual(used(p));
          expect(used(0)).toBe(0);
        },
      ),
    );
  });

  test('what a car has decides its upkeep: brushes and water of the tractor, neither in the estate', () => {
    const ids = (build: Build) => assess(build).results.logbook.tasks.map(({ id }) => id);
    expect(ids(teasel())).toEqual(expect.arrayContaining(['brushes', 'water', 'equalise', 'chain']));
    for (const id of ['brushes', 'water', 'chain', 'vacuum']) expect(ids(larkspur())).not.toContain(id);
  });

  test('the list begins with what is most used up', () => {
    const { tasks, entries } = assess(larkspur()).results.logbook;
    const used = dueList(tasks, entries, standOn(entries, '2026-12-01')).map((one) => one.used ?? -1);
    expect(used).toEqual([...used].sort((p, q) => q - p));
  });
});

describe('wear', () => {
  const MM = 1e-3;
  const brushes = (limitM: number | null, newM: number | null = null) =>
    task({ id: 'brushes', wear: { what: 'Shortest brush', way: 'falls', limitM, newM } });
  const read = (id: string, date: string, mm: number) =>
    entry(id, date, { wear: [{ taskId: 'brushes', valueM: mm * MM }] });

  test('two readings make a line: 30 to 26 mm in forty days are at 20 mm in sixty more', () => {
    const entries = [read('a', '2026-01-01', 30), read('b', '2026-02-10', 26)];
    const due = dueOf(brushes(20 * MM), entries, standOn(entries, '2026-02-10'));
    expect(due.used).toBeCloseTo(0.4, 9);
    expect(due).toMatchObject({ expected: '2026-04-11', state: 'fine' });
    // It wears on while nobody looks: at the day of the line it is due to be measured.
    expect(dueOf(brushes(20 * MM), entries, standOn(entries, '2026-04-11')).state).toBe('due');
    // From what is new: 32 to 20, of which 6 are gone.
    expect(dueOf(brushes(20 * MM, 32 * MM), entries, standOn(entries, '2026-02-10')).used).toBeCloseTo(0.5, 9);
  });

  test('below its limit it is due, whatever its date says; a chain that has grown past its limit as well', () => {
    const worn = [read('a', '2026-01-01', 19)];
    expect(dueOf({ ...brushes(20 * MM), everyDays: 365 }, worn, standOn(worn, '2026-01-01')).state).toBe('due');
    const chain = task({ id: 'brushes', wear: { what: 'Links', way: 'rises', limitM: 0.39, newM: 0.381 } });
    const grown = [read('a', '2026-01-01', 391)];
    expect(dueOf(chain, grown, standOn(grown, '2026-01-01')).state).toBe('due');
    const good = [read('a', '2026-01-01', 384)];
    expect(dueOf(chain, good, standOn(good, '2026-01-01')).used).toBeCloseTo(1 / 3, 9);
  });

  test('what nobody told is not known: no limit, no reading, or a single one of something whose beginning nobody knows', () => {
    const one = [read('a', '2026-01-01', 30)];
    for (const [made, entries] of [
      [brushes(null, 32 * MM), one],
      [brushes(20 * MM), one],
      [brushes(20 * MM, 32 * MM), [entry('a', '2026-01-01')]],
    ] as const)
      expect(dueOf(made, entries, standOn(entries, '2026-06-01'))).toMatchObject({ used: null, state: 'unknown' });
  });

  test('new ones begin anew; a reading to come counts on its day only', () => {
    const entries = [read('a', '2026-01-01', 30), read('b', '2026-03-01', 19), read('c', '2026-03-02', 32)];
    expect(dueOf(brushes(20 * MM, 32 * MM), entries, standOn(entries, '2026-03-02')).used).toBeCloseTo(0, 9);
    expect(dueOf(brushes(20 * MM, 32 * MM), entries, standOn(entries, '2026-03-01')).state).toBe('due');
  });

  test('a new chain begins anew, though it is hardly shorter than the old one', () => {
    const chain = task({ id: 'brushes', wear: { what: 'Links', way: 'rises', limitM: 0.39, newM: 0.381 } });
    const entries = [read('a', '2026-01-01', 384), read('b', '2026-03-01', 391), read('c', '2026-03-02', 381)];
    expect(dueOf(chain, entries, standOn(entries, '2026-03-01')).state).toBe('due');
    expect(dueOf(chain, entries, standOn(entries, '2026-03-02')).used).toBeCloseTo(0, 9);
  });

  test('more wear is never less due', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 32, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 400 }),
        (mm, less, day) => {
          const used = (value: number) => {
            const on = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10);
            const entries = [read('a', '2026-01-01', 32), read('b', on, value)];
            return dueOf(brushes(8 * MM, 32 * MM), entries, standOn(entries, on)).used!;
          };
          // Above 5 % of what it was it counts as new; here it only ever falls.
          expect(used(Math.max(0, mm - less))).toBeGreaterThanOrEqual(used(mm) - 1e-9);
        },
      ),
    );
  });
});

test('entries stand by their days, however they were written', () => {
  const { logbook } = book(entry('c', '2026-03-01'), entry('a', '2026-01-01'), entry('b', '2026-02-01'));
  expect(inOrder(logbook!).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
});

describe('trends', () => {
  test('points on a line give the line back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 0, max: 1500 }), { minLength: 2, maxLength: 12 }),
        (aYear, days) => {
          const day = (k: number) => new Date(Date.UTC(2024, 0, 1 + k)).toISOString().slice(0, 10);
          const entries = days.map((k, n) =>
            entry(`h${n}`, day(k), { kind: 'health', capacityAh: 500 + (aYear * k) / 365.25 }),
          );
          expect(trendOf(book(...entries), 'capacity').aYear!).toBeCloseTo(aYear, 6);
        },
      ),
    );
  });

  test('one reading is no trend, and two of one day are none either', () => {
    expect(trendOf(book(entry('a', '2026-01-01', { capacityAh: 100 })), 'capacity').aYear).toBeNull();
    expect(
      trendOf(
        book(entry('a', '2026-01-01', { capacityAh: 100 }), entry('b', '2026-01-01', { capacityAh: 90 })),
        'capacity',
      ).aYear,
    ).toBeNull();
  });

  test('consumption in Wh/km: 7.2 MJ over 20 km are 100', () => {
    const [point] = trendOf(
      book(entry('a', '2026-01-01', { kind: 'drive', distanceM: 20 * KM, energyJ: 7.2e6 })),
      'consumption',
    ).points;
    expect(point!.value).toBeCloseTo(100, 9);
  });

  test('a drive that used next to nothing tells no range', () => {
    expect(
      trendOf(book(entry('a', '2026-01-01', { kind: 'drive', distanceM: 9 * KM, socFrom: 0.9, socTo: 0.85 })), 'range')
        .points,
    ).toEqual([]);
  });
});

describe('before and after', () => {
  const drive = (id: string, date: string, km: number, used: number): LogEntry =>
    entry(id, date, { kind: 'drive', distanceM: km * KM, socFrom: 0.9, socTo: 0.9 - used });

  test('range is all distance over all charge, not the mean of ranges', () => {
    const { rangeM } = stretchOf([drive('a', '2026-01-01', 10, 0.2), drive('b', '2026-01-02', 60, 0.4)]);
    expect(rangeM).toBeCloseTo((70 / 0.6) * KM, 6);
  });

  test('a change parts the book; the one after it bounds it', () => {
    const build = book(
      drive('a', '2026-01-01', 20, 0.4),
      entry('x', '2026-02-01', { kind: 'change' }),
      drive('b', '2026-02-02', 40, 0.4),
      entry('y', '2026-03-01', { kind: 'change' }),
      drive('c', '2026-03-02', 60, 0.4),
    );
    const [first, second] = changesOf(build);
    const km = (m: number | null) => Math.round(m! / KM);
    expect([km(first!.before.rangeM), km(first!.after.rangeM)]).toEqual([50, 100]);
    expect([km(second!.before.rangeM), km(second!.after.rangeM)]).toEqual([100, 150]);
  });

  test('a claim speaks of the car until it is changed, and falls short by its share', () => {
    const claim = { id: 'c', kind: 'range', value: 125 * KM, by: 'seller', since: '2026-01-01' } as const;
    const build = book(
      drive('a', '2026-01-02', 40, 0.4),
      entry('x', '2026-02-01', { kind: 'change' }),
      drive('b', '2026-02-02', 200, 0.4),
    );
    const [found] = claimsOf({ ...build, logbook: { ...build.logbook, claims: { c: claim } } });
    expect(found!.measured).toBeCloseTo(100 * KM, 6);
    expect(found!.short).toBeCloseTo(0.2, 9);
  });

  test('less is better where it is: a consumption below what was said is no shortfall', () => {
    const claim = { id: 'c', kind: 'consumption', value: 150, by: 'seller', since: '2026-01-01' } as const;
    const build = book(entry('a', '2026-01-02', { kind: 'drive', distanceM: 36 * KM, energyJ: 36 * 3600 * 120 }));
    expect(claimsOf({ ...build, logbook: { ...build.logbook, claims: { c: claim } } })[0]!.short).toBeCloseTo(-0.2, 9);
  });
});

test('faults: open, cleared, and cleared before it came again', () => {
  const fault = (id: string, date: string, code: string, cleared?: string) =>
    entry(id, date, { kind: 'fault', code, ...(cleared ? { cleared } : {}) });
  const { logbook } = book(
    fault('a', '2026-01-01', 'P1', '2026-01-02'),
    fault('b', '2026-02-01', 'p1 '),
    fault('c', '2026-01-01', 'P2', '2026-01-03'),
    fault('d', '2026-01-01', 'P3'),
  );
  expect(Object.fromEntries(faultsOf(logbook!).map(({ code, state }) => [code.toUpperCase(), state]))).toEqual({
    P1: 'returned',
    P2: 'cleared',
    P3: 'open',
  });
});
