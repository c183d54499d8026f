import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, emptyBuild } from '../build';
import { readBuild } from '../build/schema';
import type { Check } from '../checks';
import { catalogueOf } from '../parts';
import { planStarter, starterLayout } from './index';

const inverters = catalogueOf('inverter');
/** Every cell with the usual classes, and every class with a cell of each usual chemistry. */
const USUAL = ['inverter-400-300', 'inverter-144-400', 'inverter-96-450', 'chopper-96-450'];
const SPREAD = ['cell-nmc-module-176', 'cell-lfp-180', 'cell-lead-220'];
const pairs = catalogueOf('cell').flatMap((cell) =>
  inverters
    .filter((inverter) => USUAL.includes(inverter.id) || SPREAD.includes(cell.id))
    .map((inverter) => [cell, inverter] as const),
);
/** As many cells as charge to 94 % of what the inverter works with. */
const choices = pairs.map(([cell, inverter]) => ({
  cell,
  inverter,
  cellsInSeries: Math.floor((0.94 * inverter.window.workingMaxV) / cell.fullV),
  cellsInParallel: 1,
  runLengthM: 2,
}));

describe('a first layout is whole and chosen for its voltage', () => {
  test.each(
    choices.map(
      (choice) => [`${choice.cellsInSeries} × ${choice.cell.name}, ${choice.inverter.name}`, choice] as const,
    ),
  )('%s', (_, choice) => {
    const start = applyEdit(emptyBuild('b', 'New'), {
      edit: 'setFigure',
      input: { figure: 'hardPower', value: 12000 },
    }).build;
    const { build } = applyEdit(start, { edit: 'layOut', input: starterLayout(start, choice, 'seed') });
    expect(readBuild(JSON.parse(JSON.stringify(build)))).toMatchObject({ ok: true });
    const { checks, vehicle } = assess(build);
    expect(vehicle.unsolved).toBeNull();
    const failing = (ids: readonly string[]) =>
      checks
        .filter((check) => ids.includes(check.id) && check.verdict !== 'holds' && check.verdict !== 'thin')
        .map((check) => `${check.id} ${check.subject.name}`);
    expect(
      failing([
        'circuit.solved',
        'disconnect.present',
        'live.parked',
        'circuit.open',
        'device.voltage-max',
        'fuse.dc-rating',
        'fuse.dc-voltage',
        'fuse.present',
        'contactor.voltage',
        'contactor.both-poles',
        'cable.voltage',
        'precharge.reaches',
        'precharge.voltage',
      ]),
    ).toEqual([]);
  });
});

test('a circuit is laid out only where none is', () => {
  const start = emptyBuild('b', 'New');
  const input = starterLayout(start, choices[0]!, 'seed');
  const once = applyEdit(start, { edit: 'layOut', input }).build;
  expect(() => applyEdit(start, { edit: 'layOut', input: { ...input, cellsInSeries: 5000 } })).toThrow('1 to 500');
  expect(() => applyEdit(start, { edit: 'layOut', input: { ...input, runLengthM: -2 } })).toThrow('at most 100 m');
  expect(() => applyEdit(once, { edit: 'layOut', input: { ...input, seed: 'other' } })).toThrow('not empty');
});

test.each([
  ['both-poles', 'mid-string', 'electrical'],
  ['both-poles', 'both', 'both'],
  ['single-pole', 'pack-terminal', 'mechanical'],
  ['single-pole', 'mid-string', 'mechanical'],
] as const)(
  'two boxes, %s, fuse %s, stop %s: laid out by the schools, solved, and the coils judged',
  (contactors, fusePosition, emergencyStop) => {
    const choice = { ...choices.find(({ inverter }) => inverter.id === 'inverter-144-400')!, boxes: 2 as const };
    const start = applyEdit(emptyBuild('b', 'New'), {
      edit: 'setSchool',
      input: { contactors, fusePosition, emergencyStop },
    }).build;
    const { build } = applyEdit(start, { edit: 'layOut', input: starterLayout(start, choice, 'seed') });
    expect(readBuild(JSON.parse(JSON.stringify(build)))).toMatchObject({ ok: true });
    const {
      vehicle,
      checks,
      results: { pack },
    } = assess(build);
    expect(vehicle.unsolved).toBeNull();
    expect(pack!.cellsInSeries).toBe(choice.cellsInSeries);
    const fuses = vehicle.devices.filter(({ device }) => device.kind === 'fuse').map(({ id }) => id);
    expect(fuses).toEqual(
      { 'mid-string': ['seed-midfuse'], both: ['seed-fuse', 'seed-midfuse'], 'pack-terminal': ['seed-fuse'] }[
        fusePosition
      ],
    );
    const coils = checks.filter(({ id }) => id === 'contactor.coil');
    expect(coils.length).toBe(contactors === 'both-poles' ? 3 : 2);
    for (const { verdict } of coils) expect(['holds', 'thin']).toContain(verdict);
    expect(checks.find(({ id }) => id === 'circuit.open')?.verdict ?? 'holds').not.toBe('fails');
  },
);

describe('the starter never hands over a circuit that fails by its own doing', () => {
  const SCHOOLS = [
    { contactors: 'both-poles', fusePosition: 'pack-terminal', emergencyStop: 'electrical' },
    { contactors: 'single-pole', fusePosition: 'pack-terminal', emergencyStop: 'mechanical' },
    { contactors: 'both-poles', fusePosition: 'mid-string', emergencyStop: 'both' },
  ] as const;
  /** Of the design choice, not of what was fitted for it. */
  const BY_CHOICE = /^(contactor\.both-poles|emergency\.stop|live\.welded|fuse\.unprotected-length)$/;
  /** So many cells in series sag below the inverter’s window before anything else can give: no smaller power is left. */
  const HOPELESS = [
    'LTO cell, 40 Ah, Inverter, 400 V class, 300 A battery',
    // At so few volts the resistance of a bad fault alone keeps its current below what melts a fuse of any use.
    'Salvaged NMC module cell, 176 Ah, Inverter, 36 V class, 300 A battery',
    'LFP prismatic cell, 180 Ah, Inverter, 36 V class, 300 A battery',
  ];

  test.each(choices.map((choice, k) => [`${choice.cell.name}, ${choice.inverter.name}`, choice, k] as const))(
    '%s',
    (name, choice, k) => {
      const schools = SCHOOLS[(k + Math.floor(k / SCHOOLS.length)) % SCHOOLS.length]!;
      const start = applyEdit(emptyBuild('b', 'New'), { edit: 'setSchool', input: schools }).build;
      const boxes = schools.fusePosition === 'mid-string' ? 2 : 1;
      const plan = planStarter(start, { ...choice, boxes }, 'seed');
      const { build } = applyEdit(start, { edit: 'layOut', input: plan.input });
      const key = (checks: readonly Check[]) => checks.map(({ id, subject }) => `${id} ${subject.name}`).sort();
      const fails = assess(build).checks.filter(({ verdict }) => verdict === 'fails');
      expect(plan.hardPowerW).toBeLessThanOrEqual(start.duty.hardAccelerationPowerW);
      expect(build.duty.hardAccelerationPowerW).toBe(plan.hardPowerW);
      // What fails is said before anything is laid out.
      expect(key(plan.failing)).toEqual(key(fails));
      if (!HOPELESS.includes(name)) expect(key(fails.filter(({ id }) => !BY_CHOICE.test(id)))).toEqual([]);
      else expect(fails.length).toBeGreaterThan(0);
    },
  );
});
