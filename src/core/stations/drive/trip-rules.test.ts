import { describe, expect, test } from 'vitest';
import { assessWithRuns } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { type Check, checkKey, say } from '../../checks';
import type { InverterPart } from '../../parts';
import { ruleSetOf } from '../../rules';
import { brakingOf, simulateTrip, tripPack, tripRuns } from '../../simulate';
import { roadModel, vehicleOf } from '../../vehicle';

const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const figure = (
  name: 'startSoc' | 'socFull' | 'socEmpty' | 'hottestDay' | 'regenTorque',
  value: number | null,
): Edit => ({
  edit: 'setFigure',
  input: { figure: name, value },
});
const find = (build: Build, key: string): Check | undefined =>
  assessWithRuns(build).checks.find((check) => checkKey(check) === key);

describe('getting home', () => {
  test('a trip that begins too low stops on the way: where, when, and by how much is said', () => {
    const low = edited(firn9(), figure('startSoc', 0.2));
    const check = find(low, 'drive.gets-home:trip')!;
    const { stop, distanceM } = tripRuns(vehicleOf(low))!.winter;
    expect(check.verdict).toBe('fails');
    expect(stop!.distanceM).toBeGreaterThan(0);
    expect(stop!.distanceM).toBeLessThan(distanceM);
    expect(say(check).line).toContain('in winter it stops after');
  });

  test('the same trip over and over ends where the range says, charge for charge', () => {
    const build = firn9();
    const vehicle = vehicleOf(build);
    const run = tripRuns(vehicle)!;
    const once = { speedsMPerS: [0, ...new Array<number>(9000).fill(20)], grades: new Array<number>(9001).fill(0.02) };
    const result = simulateTrip(
      roadModel(build)!,
      tripPack(vehicle)!,
      { name: 'level', ...once },
      {
        socStart: 0.5,
        socStop: 0.1,
        health: 1,
        ambientC: 15,
        auxiliaryW: 0,
        braking: brakingOf(build),
        mostW: 1e6,
      },
    );
    // Once the cells are empty it stands: what was used is all that there was.
    expect(result.socEnd).toBeLessThanOrEqual(0);
    expect(result.durationS).toBeLessThan(9000);
    const perMetre = 0.5 / result.distanceM;
    expect(result.stop!.distanceM * perMetre).toBeCloseTo(0.4, 1);
    expect(run.socStart).toBe(0.9);
  });

  test('charging to 80 % for life takes its share of the range and of the usable energy', () => {
    const whole = assessWithRuns(firn9());
    const kept = assessWithRuns(edited(firn9(), figure('socFull', 0.8), figure('startSoc', 0.9)));
    expect(kept.trip!.rangeFreshM! / whole.trip!.rangeFreshM!).toBeCloseTo((0.8 - 0.1) / (1 - 0.1), 9);
    expect(kept.results.pack!.usableEnergyJ / whole.results.pack!.usableEnergyJ).toBeCloseTo(0.7 / 0.9, 12);
    // Nobody tells where it begins: not above what it is charged to.
    expect(tripRuns(vehicleOf(edited(firn9(), figure('socFull', 0.8))))!.socStart).toBe(0.8);
  });

  test('a figure that was told can be taken back', () => {
    const told = edited(firn9(), figure('startSoc', 0.5));
    expect(edited(told, figure('startSoc', null)).duty.startSoc).toBeUndefined();
    expect(() => edited(firn9(), figure('socEmpty', null))).toThrow('outside');
  });
});

describe('heat on the usual trip', () => {
  test('the rise of the mild run stands on the hottest day’s air', () => {
    const build = edited(firn9(), figure('hottestDay', 41));
    const { mild } = tripRuns(vehicleOf(build))!;
    const motor = find(build, 'drive.motor-heat:motor')!;
    expect(motor.demand!.value).toBeCloseTo(41 + mild.motorMostC - 15, 9);
    expect(motor.margin).toBeCloseTo((140 - motor.demand!.value) / (140 - 41), 9);
    const pack = find(build, 'drive.pack-heat:pack')!;
    expect(pack.demand!.value).toBeCloseTo(41 + mild.packMostC - 15, 9);
    expect(pack.limit!.value).toBe(60);
    // Lead boils earlier.
    expect(find(teasel(), 'drive.pack-heat:pack')!.limit!.value).toBe(50);
  });
});

describe('brake lamps in regeneration', () => {
  const asked = (input: { asked?: 'none' | 'brake-pedal' | 'lift-off'; lampLit?: boolean }): Edit => ({
    edit: 'setRegeneration',
    input,
  });
  const bare = (): Build => {
    const { regeneration: _, ...rest } = larkspur();
    return rest;
  };
  const lamp = (build: Build) => find(build, 'drive.brake-lamp:motor');

  test('what nobody told is open; the pedal’s switch, own lamps and no regeneration settle it', () => {
    expect(lamp(bare())!.verdict).toBe('needs-data');
    expect(lamp(edited(bare(), asked({ asked: 'brake-pedal' })))!.verdict).toBe('holds');
    expect(lamp(edited(bare(), asked({ asked: 'lift-off', lampLit: true })))!.verdict).toBe('holds');
    expect(lamp(edited(bare(), asked({ asked: 'none' })))).toBeUndefined();
    expect(lamp(teasel())).toBeUndefined();
  });

  test('dark lamps: torque over the lightest vehicle against 1.3 m/s², by hand', () => {
    const dark = edited(bare(), asked({ asked: 'lift-off', lampLit: false }), figure('regenTorque', 0.2));
    const model = roadModel(dark)!;
    const byTorque = (0.2 * model.motor!.peakTorqueNm * Math.max(...model.ratios)) / model.wheelRadiusM! / 0.92;
    const byPower = brakingOf(dark).mostW / 2 / 0.8;
    const expected = Math.min(byTorque, byPower) / (dark.vehicle.massEmptyKg! + 75);
    const check = lamp(dark)!;
    expect(check.margin).toBeCloseTo((1.3 - expected) / 1.3, 2);
    const soft = lamp(edited(dark, figure('regenTorque', 0.02)))!;
    expect(soft.verdict).toBe('holds');
  });

  test('a limit of one’s own counts in the check and in the trip; the rest is the strictest known', () => {
    const own = edited(
      bare(),
      asked({ asked: 'lift-off', lampLit: false }),
      { edit: 'setRuleSet', input: { ruleSet: 'own' } },
      { edit: 'setOwnLimit', input: { limit: 'lampFromMPerS2', value: 0.7 } },
    );
    expect(brakingOf(own).unlitMPerS2).toBe(0.7);
    expect(brakingOf(edited(bare(), asked({ asked: 'lift-off' }))).unlitMPerS2).toBe(
      ruleSetOf('iec').lampFromMPerS2.value,
    );
    expect(lamp(own)!.working.sources.join()).toContain('Own limit, stated in Survey');
    expect(ruleSetOf('own', { meltingS: 1 }).meltingS.value).toBe(1);
    expect(ruleSetOf('own', { meltingS: 1 }).passiveDischargeS.source).toContain('the stricter known one is used');
    expect(() => edited(bare(), { edit: 'setOwnLimit', input: { limit: 'meltingS', value: -1 } })).toThrow(
      'above zero',
    );
    expect(() =>
      edited(bare(), { edit: 'setOwnLimit', input: { limit: '__proto__' as 'meltingS', value: 1 } }),
    ).toThrow('no limit called');
  });
});

test('an inverter too small on its motor side cuts the torque, whatever its battery side gives', () => {
  const build = firn9();
  const part = { ...(build.parts['inverter-400-300'] as InverterPart), id: 'small', maxMotorCurrentA: 200 };
  const small = edited(build, { edit: 'fitPart', input: { deviceId: 'inverter', part } });
  const [wide, tight] = [find(build, 'drive.motor-current:motor')!, find(small, 'drive.motor-current:motor')!];
  expect(wide.verdict).toBe('holds');
  expect(tight.verdict).toBe('fails');
  expect(tight.demand!.value).toBe(wide.demand!.value);
  // Torque in proportion with the amperes.
  expect(say(tight).line).toContain(`${((290 * 200) / wide.demand!.value).toFixed(0)}\u00a0Nm`);
});
