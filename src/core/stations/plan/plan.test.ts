import { addDays, formatISO, parseISO } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, type Wait } from '../../build';
import { firn9, larkspur } from '../../build/samples';
import { vehicleOf } from '../../vehicle';
import { doneEdits, type Job, jobsOf } from './jobs';
import { registerOf } from './register';
import { criticalPath, cycles, doable, forecast, schedule } from './schedule';
import { weekNote, weekText } from './week';

const DAY = '2026-05-04';
const job = (id: string, hours: number, after: readonly string[] = [], more: Partial<Job> = {}): Job => ({
  id,
  name: id,
  stage: 'wire',
  hours,
  told: true,
  zoneId: null,
  hv: false,
  two: false,
  after,
  done: false,
  share: 0,
  by: null,
  mark: null,
  own: false,
  ...more,
});
const wait = (id: string, jobs: readonly string[], expected: string | null, there: string | null = null): Wait => ({
  id,
  what: id,
  kind: 'delivery',
  jobs,
  since: '2026-01-01',
  expected,
  there,
});

/** Jobs of which each comes after some earlier ones. */
const net = fc
  .array(
    fc.record({
      hours: fc.integer({ min: 1, max: 40 }),
      after: fc.array(fc.nat(), { maxLength: 3 }),
      done: fc.boolean(),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((list) => {
    const jobs: Job[] = [];
    list.forEach(({ hours, after, done }, k) => {
      const before = k === 0 ? [] : [...new Set(after.map((n) => `j${n % k}`))];
      jobs.push(
        job(`j${k}`, hours, before, { done: done && before.every((id) => jobs.find((one) => one.id === id)!.done) }),
      );
    });
    return jobs;
  });
const waits = fc
  .array(fc.record({ of: fc.nat({ max: 13 }), days: fc.integer({ min: -20, max: 120 }), there: fc.boolean() }), {
    maxLength: 4,
  })
  .map((list) =>
    list.map(({ of, days, there }, k) =>
      wait(
        `w${k}`,
        [`j${of}`],
        formatISO(addDays(parseISO(DAY), days), { representation: 'date' }),
        there ? DAY : null,
      ),
    ),
  );

describe('schedule', () => {
  test('every job once, none at the same time as another, none before what comes first or before what it waits for', () => {
    fc.assert(
      fc.property(net, waits, fc.integer({ min: 1, max: 60 }), (jobs, held, hoursPerWeek) => {
        const made = schedule(jobs, held, { from: DAY, hoursPerWeek });
        expect(made.map(({ job: { id } }) => id).sort()).toEqual(
          jobs
            .filter(({ done }) => !done)
            .map(({ id }) => id)
            .sort(),
        );
        made.forEach(({ fromH }, k) => {
          if (k > 0) expect(fromH).toBeGreaterThanOrEqual(made[k - 1]!.toH - 1e-9);
        });
        for (const { job: one, fromH, from } of made) {
          for (const id of one.after) {
            const before = made.find((other) => other.job.id === id);
            if (before) expect(before.toH).toBeLessThanOrEqual(fromH + 1e-9);
          }
          for (const { jobs: of, expected, there } of held)
            if (of.includes(one.id) && there === null) expect(from >= expected!).toBe(true);
        }
      }),
      { numRuns: 200 },
    );
  });

  test('without waits it takes the sum of its hours', () => {
    fc.assert(
      fc.property(net, (jobs) => {
        const sum = jobs.reduce((all, { hours, done }) => all + (done ? 0 : hours), 0);
        expect(schedule(jobs, [], { from: DAY, hoursPerWeek: 7 }).at(-1)?.toH ?? 0).toBeCloseTo(sum, 9);
      }),
    );
  });

  test('seven hours a week are one a day: ten hours end on the eleventh day', () => {
    const [one] = schedule([job('a', 10)], [], { from: DAY, hoursPerWeek: 7 });
    expect([one!.from, one!.to]).toEqual(['2026-05-04', '2026-05-14']);
  });

  test('while one thing is waited for another job is done; a wait that has ended holds up nothing', () => {
    const jobs = [job('mount', 2), job('crimp', 3)];
    const late = schedule(jobs, [wait('plate', ['mount'], '2026-06-01')], { from: DAY, hoursPerWeek: 7 });
    expect(late.map(({ job: { id }, from }) => [id, from])).toEqual([
      ['crimp', DAY],
      ['mount', '2026-06-01'],
    ]);
    const there = schedule(jobs, [wait('plate', ['mount'], '2026-06-01', DAY)], { from: DAY, hoursPerWeek: 7 });
    expect(there.map(({ job: { id } }) => id)).toEqual(['mount', 'crimp']);
  });
});

describe('longest chain', () => {
  test('as long as the longest of all ways, found by trying them all', () => {
    fc.assert(
      fc.property(net, (jobs) => {
        const left = new Map(jobs.filter(({ done }) => !done).map((one) => [one.id, one]));
        const longest = (id: string): number => {
          const { hours, after } = left.get(id)!;
          return hours + Math.max(0, ...after.filter((one) => left.has(one)).map(longest));
        };
        const most = Math.max(0, ...[...left.keys()].map(longest));
        const path = criticalPath(jobs, [], { from: DAY, hoursPerWeek: 10 });
        expect(path.reduce((sum, { hours }) => sum + hours, 0)).toBe(most);
        for (const [k, one] of path.slice(1).entries()) expect(one.after).toContain(path[k]!.id);
      }),
      { numRuns: 200 },
    );
  });
});

test('jobs in a circle are named, what comes behind it is not in it', () => {
  const jobs = [job('a', 1, ['c']), job('b', 1, ['a']), job('c', 1, ['b']), job('d', 1, ['c']), job('e', 1)];
  expect([...cycles(jobs)].sort()).toEqual(['a', 'b', 'c']);
  expect(schedule(jobs, [], { from: DAY, hoursPerWeek: 10 }).map(({ job: { id } }) => id)).toEqual(['e']);
  expect(forecast(jobs, [], { from: DAY, hoursPerWeek: 10 }).likely).toBeNull();
});

test('one job of ten hours: mean (7 + 40 + 20)/6, spread of 13/6 and 15 % of it together', () => {
  const { leftH, lowH, highH } = forecast([job('a', 10)], [], { from: DAY, hoursPerWeek: 10 });
  const mean = (10 * 6.7) / 6;
  const sd = Math.sqrt(((10 * 1.3) / 6) ** 2 + (0.15 * mean) ** 2);
  expect(leftH).toBeCloseTo(mean, 9);
  expect(highH - leftH).toBeCloseTo(1.2816 * sd, 6);
  expect(leftH - lowH).toBeCloseTo(1.2816 * sd, 6);
});

describe('jobs of a build', () => {
  const now = (build: Build) => {
    const { waits: held = {} } = build.plan ?? {};
    return new Set(doable(jobsOf(vehicleOf(build)), Object.values(held)).map(({ id }) => id));
  };
  const of = (build: Build, id: string) => jobsOf(vehicleOf(build)).find((one) => one.id === id)!;
  const done = (build: Build, id: string) =>
    doneEdits(vehicleOf(build), of(build, id), DAY)!.reduce((one, edit) => applyEdit(one, edit).build, build);

  test('ids are its own, and everything that a job comes after is in the list', () => {
    for (const build of [firn9('x'), larkspur('y')]) {
      const jobs = jobsOf(vehicleOf(build));
      const ids = new Set(jobs.map(({ id }) => id));
      expect(ids.size).toBe(jobs.length);
      for (const { after } of jobs) for (const id of after) expect(ids.has(id)).toBe(true);
      for (const { id } of jobs) expect(id).toMatch(/^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/);
      expect(cycles(jobs).size).toBe(0);
    }
  });

  test('what is waited for arrives: the job is free; it done, what only waited for it is free', () => {
    const build = firn9('x');
    expect(now(build).has('mount.motor')).toBe(false);
    const there = applyEdit(build, {
      edit: 'putInPlan',
      input: { list: 'waits', entries: [{ ...build.plan!.waits!['wait-plate']!, there: DAY }] },
    }).build;
    expect(now(there).has('mount.motor')).toBe(true);
    const free = now(done(there, 'mount.motor'));
    for (const id of ['loom-land.Motor-and-inverter']) expect(free.has(id)).toBe(true);
  });

  test('landed in the plan is landed in the harness, and undone there it is open here again', () => {
    const build = firn9('x');
    const landed = done(build, 'loom-land.Body-12-V');
    expect(of(landed, 'loom-land.Body-12-V').done).toBe(true);
    expect(of(landed, 'loom-make.Body-12-V').done).toBe(true);
    expect(landed.harness!.ends!['low-w4']!.a!.state).toBe('landed');
    const wire = landed.harness!.ends!['low-w4']!;
    const off = applyEdit(landed, {
      edit: 'putInHarness',
      input: { list: 'ends', entries: [{ ...wire, a: { ...wire.a!, state: 'parked' } }] },
    }).build;
    expect(of(off, 'loom-land.Body-12-V').done).toBe(false);
  });

  test('mounted in the plan is fitted on the page of what is in hand', () => {
    const build = applyEdit(firn9('x'), {
      edit: 'listInHand',
      input: { items: [{ id: 'h', name: 'Motor', made: false, state: 'here', count: 1, deviceId: 'motor' }] },
    }).build;
    expect(of(build, 'fetch.motor').by).toBe('parts');
    expect(done(build, 'mount.motor').inHand!.h!.state).toBe('fitted');
  });

  test('the register holds what is written down and what ends tell; a reason to stay opens the road', () => {
    const lines = registerOf(vehicleOf(firn9('x')));
    expect(lines.find(({ id }) => id === 'open-fuel')!.mayStay).not.toBeNull();
    expect(lines.find(({ id }) => id === 'open-fan')).toBeUndefined();
    expect(lines.some(({ what }) => /^Battery and management: \d+ ends open$/.test(what))).toBe(true);
    expect(registerOf(vehicleOf(larkspur('y')))).toEqual([]);
  });

  test('a week is seven days, with what was done in them', () => {
    const build = firn9('x');
    const jobs = jobsOf(vehicleOf(build));
    const note = weekNote(jobs, Object.values(build.plan!.waits!), registerOf(vehicleOf(build)), '2026-04-25');
    expect([note.from, note.to]).toEqual(['2026-04-19', '2026-04-25']);
    expect(note.done.map(({ id }) => id)).toContain('mount.inverter');
    expect(weekNote(jobs, [], [], '2026-04-26').done).toEqual([]);
    expect(weekText('Firn 9', note)).toContain('Adapter plate, at the machinist, expected 2026-06-12');
  });
});
