import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../../assess';
import { applyEdit, type Build, type SettableName } from '../../build';
import { firn9, larkspur } from '../../build/samples';
import { cataloguePart } from '../../parts';
import { brakeC } from '../../physics/brake-heat';
import { lampOver, tripRuns } from '../../simulate';

const set = (build: Build, figure: SettableName, value: number): Build =>
  applyEdit(build, { edit: 'setFigure', input: { figure, value } }).build;
const found = (build: Build, id: string) => assess(build).checks.filter((check) => check.id === id);

/** Firn 9 with a compressor on the bus. */
const withCompressor = applyEdit(firn9(), {
  edit: 'addBranch',
  input: {
    seed: 'ac',
    device: { kind: 'compressor', name: 'Compressor', partId: 'compressor-400-2500' },
    part: cataloguePart('compressor-400-2500', 'bus-device'),
    fuse: cataloguePart('fuse-traction-500-32', 'fuse'),
    cable: cataloguePart('cable-plain-4', 'cable'),
    lengthM: 1,
  },
}).build;

describe('brakes', () => {
  test('iron by the closed form: 24 kg · 3 W/(kg·K) lose, 24 kg · 460 J/(kg·K) take up', () => {
    expect(brakeC(24, 9000, 600, 30)).toBeCloseTo(30 + (9000 / 72) * (1 - Math.exp((-600 * 72) / 11040)), 9);
  });

  test('on a pass half the iron rises twice as far, and too little of it fades', () => {
    const pass = (iron: number) => set(set(set(larkspur(), 'hillGrade', 0.1), 'hillSpeed', 12), 'brakeIron', iron);
    const rise = (iron: number) => found(pass(iron), 'brakes.heat')[0]!.demand!.value - 33;
    // Loss and heat capacity both go with the iron.
    expect(rise(12) / rise(24)).toBeCloseTo(2, 9);
    expect(found(pass(24), 'brakes.heat')[0]!.verdict).toBe('holds');
    expect(found(pass(4), 'brakes.heat')[0]!.verdict).toBe('fails');
  });

  test('where a hill is told, iron that is not told is asked for', () => {
    const hill = set(set(larkspur(), 'hillGrade', 0.1), 'hillSpeed', 12);
    const { discKg: _, ...brakes } = hill.brakes!;
    expect(found({ ...hill, brakes }, 'brakes.heat')[0]!.verdict).toBe('needs-data');
  });

  test('pedal force by hand: 150 N · 2.44 / 4.9 · 4', () => {
    expect(found(firn9(), 'brakes.pedal-force')[0]!.demand!.value).toBeCloseTo((150 * 2.44 * 4) / 4.9, 9);
  });
});

describe('air conditioning', () => {
  const answered = (is: boolean): Build =>
    (['acOil', 'acFan', 'acLicensed'] as const).reduce(
      (build, flag) => applyEdit(build, { edit: 'answerAncillary', input: { system: 'cabin', flag, is } }).build,
      withCompressor,
    );
  test('a compressor asks for its oil, its fan and who fills it; each answer counts', () => {
    for (const id of ['aircon.oil', 'aircon.fan', 'aircon.licensed']) {
      expect(found(firn9(), id)).toEqual([]);
      expect(found(withCompressor, id)[0]!.verdict).toBe('needs-data');
      expect(found(answered(true), id)[0]!.verdict).toBe('holds');
      expect(found(answered(false), id)[0]!.verdict).toBe('fails');
    }
  });
});

describe('air conditioning, cold', () => {
  test('heat of the hottest day by hand: (110 + 0.03 · 1006 · 0.7) W/K · 4 K and 1 kW of sun, against 2.5 kW · 2.2', () => {
    const [check] = found(withCompressor, 'aircon.cools');
    expect(check!.demand!.value).toBeCloseTo((110 + 0.03 * 1006 * 0.7) * 4 + 1000, 6);
    expect(check!.limit!.value).toBeCloseTo(5500, 6);
    expect(check!.verdict).toBe('holds');
  });
});

describe('coolant while it charges', () => {
  const { charger } = firn9().circuits.hv.devices;
  const withCharger = (more: object, part: object): Build => {
    const build = firn9();
    const { hv } = build.circuits;
    return {
      ...build,
      parts: { ...build.parts, [charger!.partId!]: { ...build.parts[charger!.partId!]!, ...part } as never },
      circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, charger: { ...charger!, ...more } } } },
    };
  };
  test('by hand: what it gives, times 1/η − 1, over 40 W/K at 28 °C', () => {
    const watts = charger!.powersW!.charging!;
    expect(found(firn9(), 'cooling.charging')[0]!.demand!.value).toBeCloseTo(28 + (watts * (1 / 0.93 - 1)) / 40, 9);
  });

  test('a charger that nobody told gives is asked for, and not taken for none', () => {
    const untold = withCharger({ powersW: {} }, { chargePowerW: undefined });
    expect(found(untold, 'cooling.charging')[0]!.verdict).toBe('needs-data');
  });
});

describe('recharge lamp', () => {
  const points = (volts: readonly number[]) => volts.map((cellV, k) => ({ timeS: 10 * k, cellV, soc: 0.5 - k / 100 }));
  const settings = { onV: 3, offV: 3.2, holdS: 20 };

  test('sag that is shorter than the wait lights nothing; longer lights it once', () => {
    expect(lampOver(points([3.1, 2.9, 2.9, 3.1, 3.1]), settings)).toEqual({ litAt: [], wolf: 0, litAtEnd: false });
    expect(lampOver(points([3.1, 2.9, 2.9, 2.9, 3.1]), settings)).toEqual({ litAt: [0.47], wolf: 0, litAtEnd: true });
  });

  test('rest above where it goes out puts it out: it cried wolf', () => {
    expect(lampOver(points([2.9, 2.9, 2.9, 3.3, 2.9, 2.9, 2.9]), settings)).toMatchObject({ wolf: 1, litAtEnd: true });
  });

  test('a lamp at the voltage of every hill cries wolf on the trip in winter, one with a wait below does not', () => {
    const lamp = (on: number, off: number, hold: number) => {
      const build = set(set(set(larkspur(), 'rechargeOn', on), 'rechargeOff', off), 'rechargeHold', hold);
      return assessWithRuns(build).checks.find(({ id }) => id === 'gauges.recharge')!.verdict;
    };
    expect(lamp(3.2, 3.22, 0)).toBe('fails');
    expect(lamp(2.7, 3.25, 30)).toBe('holds');
  });
});

describe('column assist', () => {
  const withColumn = (full: number, none: number): Build => {
    const chosen = applyEdit(firn9(), { edit: 'setSchool', input: { steering: 'column' } }).build;
    return set(set(set(chosen, 'columnTorque', 10), 'columnFull', full), 'columnNone', none);
  };
  test('force at the rim by hand: 0.4 of what stands still, less 10 Nm over the rim, half of it half-way between the speeds', () => {
    const build = withColumn(4, 14);
    const { column, rim } = assess(build).results.ancillaries;
    const rolling = 0.4 * rim!.forceN;
    const at = (speed: number) => column.find(({ speedMPerS }) => speedMPerS === speed)!;
    expect(at(0).withN).toBeCloseTo(Math.max(0, rolling - 10 / 0.21), 9);
    expect(at(4).withN).toBeCloseTo(Math.max(0, rolling - 10 / 0.21), 9);
    expect(at(14).withN).toBeCloseTo(rolling, 9);
    expect(column.every(({ withoutN }) => withoutN === rim!.forceN * 0.4)).toBe(true);
  });
  test('rule and curve ask the same torque: without the speed it falls back to nothing, or stays light at any speed', () => {
    const told = (build: Build, flag: 'speedTold' | 'safeDefault', is: boolean) =>
      applyEdit(build, { edit: 'answerAncillary', input: { system: 'steering', flag, is } }).build;
    const untold = told(withColumn(4, 14), 'speedTold', false);
    const fallsBack = told(untold, 'safeDefault', true);
    expect(found(fallsBack, 'steering.column-torque')[0]!.limit!.value).toBe(0);
    expect(assess(fallsBack).results.ancillaries.column.every((at) => at.withN === at.withoutN)).toBe(true);
    const light = assess(told(untold, 'safeDefault', false)).results.ancillaries.column;
    expect(new Set(light.map(({ withN }) => withN)).size).toBe(1);
    expect(light.every((at) => at.withN < at.withoutN)).toBe(true);
  });
  test('speeds the wrong way round give no curve, and fail', () => {
    const build = withColumn(14, 4);
    expect(assess(build).results.ancillaries.column).toEqual([]);
    expect(found(build, 'steering.column-curve')[0]!.verdict).toBe('fails');
  });
});

describe('cooling', () => {
  test('the motor first: what it warms the stream by comes to the inverter, by the balance of the loop', () => {
    const motorFirst = applyEdit(firn9(), {
      edit: 'answerAncillary',
      input: { system: 'cooling', flag: 'motorFirst', is: true },
    }).build;
    const [before, after] = [firn9(), motorFirst].map((build) => assess(build).results.ancillaries.loop!);
    // 8 l/min of 1.07 kg/l and 3.4 kJ/(kg·K).
    const stream = (8 / 60) * 1.07 * 3400;
    expect(after!.inletC).toBeCloseTo(before!.inletC, 9);
    expect(after!.inverterInC).toBeCloseTo(before!.inverterInC + after!.motorW / stream, 9);
  });

  test('on the trip too: the coolant at the inverter is warmer by what the motor gives the stream, and by nothing while it stands', () => {
    const trip = (is: boolean) =>
      assessWithRuns(
        applyEdit(firn9(), { edit: 'answerAncillary', input: { system: 'cooling', flag: 'motorFirst', is } }).build,
      ).results.ancillaries.loopTrip!;
    const [first, then] = [trip(false), trip(true)];
    const more = then.curve.map(({ inletC }, k) => inletC - first.curve[k]!.inletC);
    expect(Math.min(...more)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...more)).toBeGreaterThan(0.5);
    expect(then.hottestC).toBeGreaterThan(first.hottestC);
  });

  test('what the cooling carries up the hill brings the coolant to its limit exactly', () => {
    const { carriedW, askedW } = assess(firn9()).results.drive.cooled!;
    expect(askedW).toBeGreaterThan(0);
    const there = assess(set(firn9(), 'hillPower', carriedW)).results.ancillaries.loop!;
    expect(there.inverterInC).toBeCloseTo(there.limitC, 6);
  });
});

test('a belt that takes 900 W at the shaft takes 900 / (0.96 · 0.9) W of the battery all the trip', () => {
  const kept = applyEdit(larkspur(), { edit: 'setSchool', input: { ancillaries: 'belt' } }).build;
  const joules = (build: Build) => tripRuns(assess(build).vehicle)!.mild;
  const [without, withBelt] = [joules(kept), joules(set(kept, 'beltPower', 900))];
  const moreW = (withBelt.energyJ - without.energyJ) / without.durationS;
  // The pack’s own loss comes on top.
  expect(moreW).toBeGreaterThan(900 / 0.864 - 1);
  expect(moreW).toBeLessThan((900 / 0.864) * 1.1);
});
