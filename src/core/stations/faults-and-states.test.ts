import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9, teasel } from '../build/samples';
import { type Check, checkKey } from '../checks';
import { operatingPoint } from '../circuit';
import { cataloguePart } from '../parts';
import { figuresOf } from '../testing/figures-of';
import { groundOf, stamp } from '../vehicle';

/** Firn 9 without regeneration: full charge is then 90 · 4.2 V, by hand. */
const firn = applyEdit(firn9(), { edit: 'setFigure', input: { figure: 'regenerationPower', value: 0 } }).build;
const edited = (...edits: Edit[]): Build => edits.reduce((build, edit) => applyEdit(build, edit).build, firn);
const of = (build: Build, key: string): Check => assess(build).checks.find((check) => checkKey(check) === key)!;
const point = (build: Build, id: Parameters<ReturnType<typeof assess>['vehicle']['caseOf']>[0]) =>
  assess(build).vehicle.caseOf(id)!.point;

test('regeneration into the full pack lifts the bus: V = (E + √(E² + 4·P·R))/2 with the loop’s resistance', () => {
  const power = 23200;
  const build = applyEdit(firn, { edit: 'setFigure', input: { figure: 'regenerationPower', value: power } }).build;
  const { vehicle } = assess(build);
  const solved = vehicle.caseOf('regeneration/warm-new-full/seconds')!;
  const currentA = Math.abs(figuresOf(solved.point).elementCurrentsA.get('inverter')!);
  // What the loop takes: the inverter gives P, the cells store E·I, the rest is R·I².
  const resistanceOhm = (power / currentA - 90 * 4.2) / currentA;
  const byHand = (378 + Math.sqrt(378 ** 2 + 4 * power * resistanceOhm)) / 2;
  const check = of(build, 'device.voltage-max:inverter');
  expect(check.demand!.value).toBeCloseTo(byHand, 6);
  // 90 · (0.52 · 0.8 + 0.08) mΩ in the cells, a few milliohms around them.
  expect(resistanceOhm).toBeGreaterThan(0.0446);
  expect(resistanceOhm).toBeLessThan(0.055);
  expect(check.demand!.value).toBeGreaterThan(378);
});

describe('states', () => {
  const { vehicle } = assess(firn);
  test('in service the pack falls into its boxes; parked it is whole', () => {
    const islands = (id: 'service' | 'parked') =>
      new Set(
        ['box-rear.plus', 'box-front.minus'].map((node) =>
          vehicle.caseOf(`${id}/nominal/sustained`)!.point.referenceOf.get(node),
        ),
      ).size;
    expect(islands('parked')).toBe(1);
    expect(islands('service')).toBe(2);
  });

  test('charging feeds the pack: 4.8 kW come in through the charger’s fuse', () => {
    const { point: charging } = vehicle.caseOf('charging/nominal/sustained')!;
    expect(figuresOf(charging).elementPowersW.get('charger')).toBeCloseTo(-4800, 3);
    expect(Math.sign(figuresOf(charging).elementCurrentsA.get('box-rear')!)).toBe(1);
  });

  test('into a full pack the charger gives nothing: every point of the circuit is where the resting cells put it', () => {
    const { point: full } = vehicle.caseOf('charging/warm-new-full/sustained')!;
    expect([...full.loadsOn]).toEqual([]);
    expect(
      figuresOf(full).nodeVoltagesV.get('inverter.plus')! - figuresOf(full).nodeVoltagesV.get('inverter.minus')!,
    ).toBeCloseTo(
      figuresOf(full).nodeVoltagesV.get('box-rear.plus')! - figuresOf(full).nodeVoltagesV.get('box-front.minus')!,
      9,
    );
    for (const amps of figuresOf(full).elementCurrentsA.values()) expect(Math.abs(amps)).toBeLessThan(1e-6);
  });

  test('every case has exactly the currents of a solver of its own', () => {
    for (const { id, state, corner, point: solved, temperaturesC } of vehicle.cases) {
      const elements = stamp(vehicle, {
        state,
        corner,
        temperatureOf: (conductor) => temperaturesC.get(conductor) ?? 125,
      });
      const alone = figuresOf(operatingPoint({ elements, ground: groundOf(vehicle)! }));
      expect([id, alone.elementCurrentsA.size]).toEqual([id, figuresOf(solved).elementCurrentsA.size]);
      for (const [element, amps] of alone.elementCurrentsA)
        expect(Math.abs(amps - figuresOf(solved).elementCurrentsA.get(element)!)).toBeLessThan(0.02);
    }
  });

  test('a hill takes what lies halfway between cruise and hard acceleration until it is told', () => {
    const watts = (build: Build) =>
      figuresOf(assess(build).vehicle.caseOf('hill/nominal/minutes')!.point).elementPowersW.get('inverter');
    const typed: Edit = { edit: 'setPowersFrom', input: { powersFrom: 'typed' } };
    expect(watts(edited(typed))).toBeCloseTo((32000 + 58000) / 2, 3);
    expect(watts(edited(typed, { edit: 'setFigure', input: { figure: 'hillPower', value: 40000 } }))).toBeCloseTo(
      40000,
      3,
    );
  });
});

describe('faults, opening, discharge', () => {
  test('a bleed of 22 kΩ takes 1.33 mF from 378 to 60 V in 53.9 s', () => {
    const check = of(firn, 'discharge.passive:link');
    expect(check.demand!.value).toBeCloseTo(22000 * 0.00133 * Math.log(378 / 60), 2);
    expect(check.verdict).toBe('holds');
  });

  test('leakages lie side by side: six devices of 10 MΩ, the motor with them, are 1.67 MΩ, one of 150 kΩ fails', () => {
    expect(of(firn, 'insulation.resistance:pack').demand!.value).toBeCloseTo(10e6 / 6, 3);
    const { devices } = firn.circuits.hv;
    const wet = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...devices, heater: { ...devices.heater!, insulationOhm: 150e3 } } },
      },
    };
    const check = of(wet, 'insulation.resistance:pack');
    // 1/(1/150k + 5/10M) = 139.5 kΩ against 500 · 378 = 189 kΩ.
    expect(check.demand!.value).toBeCloseTo(139535, 0);
    expect(check.verdict).toBe('fails');
  });

  test('one device whose leakage nobody measured leaves the insulation open; a known leak that is too large fails anyway', () => {
    const open = applyEdit(firn, { edit: 'setLeakage', input: { deviceId: 'heater', insulationOhm: null } }).build;
    expect(of(open, 'insulation.resistance:pack')).toMatchObject({
      verdict: 'needs-data',
      missing: [{ ref: { id: 'heater' } }],
    });
    const wet = applyEdit(open, { edit: 'setLeakage', input: { deviceId: 'inverter', insulationOhm: 100e3 } }).build;
    expect(of(wet, 'insulation.resistance:pack').verdict).toBe('fails');
  });

  test('Y-capacitors of 3 µF and the 0.21 µF of the others hold 0.229 J at 378 V: too much; one that is not told leaves it open', () => {
    const { devices } = firn.circuits.hv;
    const full = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...devices, inverter: { ...devices.inverter!, yCapacitanceF: 3e-6 } } },
      },
    };
    expect(of(full, 'insulation.y-capacitance:pack')).toMatchObject({ verdict: 'fails' });
    expect(of(full, 'insulation.y-capacitance:pack').demand!.value).toBeCloseTo(0.5 * 3.21e-6 * 378 ** 2, 3);
    const untold = applyEdit(firn, { edit: 'setLeakage', input: { deviceId: 'motor', yCapacitanceF: null } }).build;
    expect(of(untold, 'insulation.y-capacitance:pack')).toMatchObject({
      verdict: 'needs-data',
      missing: [{ ref: { id: 'motor' } }],
    });
  });

  test('the disconnect between 54 and 36 cells leaves 54 · 4.2 V in one part', () => {
    expect(of(firn, 'disconnect.left:s-mid').demand!.value).toBeCloseTo(226.8, 6);
  });

  test('a fuse of 2 kA can’t break 8 kA, and its clearing I²t waits; a traction fuse can', () => {
    const tractor = applyEdit(teasel(), {
      edit: 'fitPart',
      input: { deviceId: 'f-main', part: cataloguePart('fuse-strip-70-300', 'fuse') },
    }).build;
    expect(of(tractor, 'fuse.breaking-capacity:f-main')).toMatchObject({ verdict: 'fails', limit: { value: 2000 } });
    expect(of(tractor, 'fuse.cable-short:f-main').verdict).toBe('waits');
    expect(of(teasel(), 'fuse.breaking-capacity:f-main').verdict).toBe('holds');
    expect(of(teasel(), 'fuse.cable-short:f-main').verdict).toBe('holds');
  });

  test('a contactor without a short-time rating needs data, one that opens less than the hardest current fails', () => {
    const { 'contactor-450-250': part } = firn.parts;
    const { shortTimeI2tA2s: _i, shortTimePeakA: _p, ...bare } = part as Extract<typeof part, { kind: 'contactor' }>;
    const build = { ...firn, parts: { ...firn.parts, 'contactor-450-250': { ...bare, breakCurrentA: 100 } } } as Build;
    expect(of(build, 'fuse.contactor-withstand:k-plus').verdict).toBe('needs-data');
    const opens = of(build, 'contactor.break:k-plus');
    expect(opens.verdict).toBe('fails');
    expect(opens.demand!.value).toBeCloseTo(
      Math.abs(figuresOf(point(build, 'hard-acceleration/cold-old-empty/seconds')).elementCurrentsA.get('k-plus')!),
      9,
    );
  });

  test('a contactor is held against the fault right behind it and the fuse of its own loop, not a branch’s', () => {
    const check = of(firn, 'fuse.contactor-withstand:k-plus');
    expect(check.says.figures.fuse).toBe('Mid fuse');
    expect(check.limit!.value).toBe(50 * 250);
    // Peak of a 300 A fuse on its slow edge lies between its 1 ms point and the prospective 14 kA.
    expect(check.demand!.value).toBeGreaterThan(14 * 330);
    expect(check.demand!.value).toBeLessThan(14500);
    const weak = applyEdit(teasel(), {
      edit: 'fitPart',
      input: { deviceId: 'f-main', part: cataloguePart('fuse-strip-70-300', 'fuse') },
    }).build;
    expect(of(weak, 'fuse.contactor-withstand:k-main').verdict).toBe('waits');
  });

  test('a branch fuse as slow as the main one takes it along', () => {
    const build = edited({
      edit: 'fitPart',
      input: { deviceId: 'f-heater', part: cataloguePart('fuse-strip-70-200', 'fuse') },
    });
    expect(['fails', 'waits']).toContain(of(build, 'fuse.selectivity:f-heater').verdict);
    expect(of(firn, 'fuse.selectivity:f-heater').verdict).toBe('holds');
  });
});

describe('where fuses stand', () => {
  test('between cells and the mid fuse 0.15 m lie in the open on either side; half a metre fails and names the wire', () => {
    expect(of(firn, 'fuse.unprotected-length:box-rear').demand!.value).toBeCloseTo(0.15, 9);
    const long = edited({ edit: 'setConductor', input: { conductorId: 'c-rear-minus', lengthM: 0.5 } });
    const check = of(long, 'fuse.unprotected-length:box-rear');
    expect(check).toMatchObject({ verdict: 'fails' });
    expect(check.demand!.value).toBeCloseTo(0.5, 9);
    expect(check.says.figures.cables).toBe('Rear box minus to mid fuse');
  });

  test('half a metre is guarded when it is sheathed, in a conduit, and covered where something gets at it; each by itself is not enough', () => {
    const lies = (zoneId: string, conduit: boolean, part = 'cable-shielded-70') => {
      const long = edited({
        edit: 'setConductor',
        input: {
          conductorId: 'c-rear-minus',
          lengthM: 0.5,
          laid: { zoneId, arrangement: 'single', loadedCircuits: 1, conduit },
        },
      });
      const made = applyEdit(long, {
        edit: 'fitCable',
        input: { conductorIds: ['c-rear-minus'], part: cataloguePart(part, 'cable') },
      }).build;
      return of(made, 'fuse.unprotected-length:box-rear').verdict;
    };
    expect(lies('zone-bay', true)).toBe('holds');
    expect(lies('zone-bay', false)).toBe('fails');
    expect(lies('zone-bay', true, 'cable-plain-70')).toBe('fails');
    // Cargo moves in the boot: a conduit without a cover before it does not count.
    expect(lies('zone-boot', true)).toBe('fails');
  });

  test('a conduit on the way of a long run does not excuse it: more than 3 m before a fuse count whole', () => {
    const far = edited({ edit: 'setConductor', input: { conductorId: 'c-mid', lengthM: 3.5 } });
    const check = of(far, 'fuse.unprotected-length:box-front');
    expect(check.verdict).toBe('fails');
    // With the 0.15 m between fuse and disconnect.
    expect(check.demand!.value).toBeCloseTo(3.65, 9);
  });

  test('without the mid fuse the whole run counts: the pack’s own cables have no fuse at all', () => {
    const bare = edited({ edit: 'takeOutDevice', input: { deviceId: 'f-mid' } });
    const checks = assess(bare).checks.filter(({ id }) => id === 'fuse.unprotected-length');
    expect(checks.map(({ verdict }) => verdict)).toEqual(['fails']);
  });

  test('pulses of hard acceleration stay below 0.6 · 2.6 · I_n for ten seconds', () => {
    expect(of(firn, 'fuse.cyclic:f-mid').limit!.value).toBeCloseTo(0.6 * 2.6 * 300, 6);
  });

  test('a heater on the main fuse alone has no fuse of its own', () => {
    expect(of(firn, 'fuse.branch:heater').verdict).toBe('holds');
    const bare = edited({ edit: 'takeOutDevice', input: { deviceId: 'f-heater' } });
    expect(of(bare, 'fuse.branch:heater').verdict).toBe('fails');
  });
});
