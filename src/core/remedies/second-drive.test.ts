import { expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9, larkspur } from '../build/samples';
import type { MotorPart } from '../parts';
import { driveEfficiency, gangOf, peakTorqueNm } from '../physics/motor';
import { tripRuns } from '../simulate';
import { driveTrainOf, isSolved, vehicleOf } from '../vehicle';
import { secondDriveEdit } from './second-drive';

const motorIn = (build: Build): MotorPart => driveTrainOf(build).units[0]!.part!;
const half = (motor: MotorPart, share: number, id: string): MotorPart => ({
  ...motor,
  id,
  peakTorqueNm: motor.peakTorqueNm * share,
  peakPowerW: motor.peakPowerW * share,
  continuousPowerW: motor.continuousPowerW * share,
  massKg: motor.massKg * share,
});

/** Larkspur with its motor as two, each with an inverter of its own. */
function asTwo(share: number): Build {
  const base = larkspur();
  const motor = motorIn(base);
  const less = applyEdit(base, {
    edit: 'fitPart',
    input: { deviceId: 'motor', part: half(motor, share, 'motor-a') },
  }).build;
  const assessment = assess(less);
  const inverter = assessment.vehicle.deviceOf.get('inverter')!.part as Parameters<typeof secondDriveEdit>[1];
  return applyEdit(less, secondDriveEdit(assessment, inverter, half(motor, 1 - share, 'motor-b'), 'm')).build;
}

test('a motor cut in two gives the torque and takes the power of the whole one: the shares add up', () => {
  const motor = motorIn(larkspur());
  for (const share of [0.5, 0.3]) {
    const both = gangOf(motor, [
      { motor: half(motor, share, 'a'), share, gearing: 1 },
      { motor: half(motor, 1 - share, 'b'), share: 1 - share, gearing: 1 },
    ]);
    for (const rpm of [0, 1500, motor.baseSpeedRpm, 5500])
      for (const volts of [90, 130, 160]) {
        const whole = peakTorqueNm(motor, rpm, volts);
        expect(peakTorqueNm(both, rpm, volts)).toBeCloseTo(whole, 9);
        expect(driveEfficiency(both, whole * 0.7, rpm)).toBeCloseTo(driveEfficiency(motor, whole * 0.7, rpm), 12);
      }
  }
});

test('shares that do not fit the motors bound all by the one that is asked too much: T = least of T_i / share', () => {
  const motor = motorIn(larkspur());
  const both = gangOf(motor, [
    { motor, share: 0.8, gearing: 1 },
    { motor, share: 0.2, gearing: 1 },
  ]);
  expect(peakTorqueNm(both, 500, 130)).toBeCloseTo(peakTorqueNm(motor, 500, 130) / 0.8, 9);
});

test('gearing trades turns for torque: at k turns for one it gives k times its torque, and stops at 1/k of its speed', () => {
  const motor = motorIn(larkspur());
  const both = gangOf(motor, [
    { motor, share: 0.5, gearing: 1 },
    { motor, share: 0.5, gearing: 2 },
  ]);
  const geared = 2 * peakTorqueNm(motor, 2 * 700, 130);
  expect(peakTorqueNm(both, 700, 130)).toBeCloseTo(Math.min(peakTorqueNm(motor, 700, 130), geared) / 0.5, 9);
  expect(both.maximumSpeedRpm).toBe(motor.maximumSpeedRpm / 2);
  expect(peakTorqueNm(both, motor.maximumSpeedRpm * 0.6, 130)).toBe(0);
});

test('each inverter takes its share of the current, and both together what one took (Kirchhoff)', () => {
  const build = asTwo(0.3);
  const train = driveTrainOf(build);
  expect(train.open).toEqual([]);
  expect(train.inverterShare('inverter')).toBeCloseTo(0.3, 12);
  expect(train.inverterShare('m-device')).toBeCloseTo(0.7, 12);
  const solved = vehicleOf(build).caseOf('cruise/nominal/sustained')!;
  if (!isSolved(solved)) throw new Error('the circuit has no solution');
  const through = (id: string) => Math.abs(solved.point.elementCurrentsA.get(id) ?? Number.NaN);
  const { conductors } = build.circuits.hv;
  const first = Object.values(conductors).find(({ b }) => b.deviceId === 'inverter' && b.terminal === 'plus')!;
  // The two links are at nearly the same voltage: the way to each drops well under a volt.
  expect(through('m-plus') / through(first.id)).toBeCloseTo(0.7 / 0.3, 1);
});

test('the trip of a motor in two halves is that of the whole one, but for the mass and the wires that it brings', () => {
  const runOf = (build: Build) => tripRuns(vehicleOf(build))!.mild;
  const whole = runOf(larkspur());
  const two = runOf(asTwo(0.5));
  expect(two.energyPerKmWh! / whole.energyPerKmWh!).toBeGreaterThan(0.99);
  expect(two.energyPerKmWh! / whole.energyPerKmWh!).toBeLessThan(1.02);
  expect(two.distanceM).toBe(whole.distanceM);
});

test('a motor with magnets and an inverter of its own beside the first has its part of the work', () => {
  const base = assess(firn9());
  const [inverter, motor] = ['inverter', 'motor'].map((id) => base.vehicle.deviceOf.get(id)!.part);
  const { build } = applyEdit(base.build, secondDriveEdit(base, inverter as never, motor as never, 'm'));
  const said = assess(build).checks.filter(({ id }) => id === 'drive.several');
  expect(said.map(({ verdict, subject }) => `${subject.id} ${verdict}`).sort()).toEqual([
    'm-motor holds',
    'motor holds',
  ]);
});

test('a hand switch that takes one of two inverters off stops nothing: the other drives on', () => {
  const base = assess(larkspur());
  const [inverter, motor] = ['inverter', 'motor'].map((id) => base.vehicle.deviceOf.get(id)!.part);
  const two = applyEdit(base.build, secondDriveEdit(base, inverter as never, motor as never, 'm')).build;
  const stopOf = (build: Build) => {
    const byPull = applyEdit(build, { edit: 'setSchool', input: { emergencyStop: 'mechanical' } }).build;
    return assess(byPull).checks.find(({ id }) => id === 'emergency.stop')!.verdict;
  };
  expect(stopOf(two)).toBe('holds');
  // The second one straight on the cells of one box, past the hand switch.
  const { hv } = two.circuits;
  const past = (id: string, end: 'a' | 'b', deviceId: string, terminal: string) => ({
    ...hv.conductors[id]!,
    [end]: { deviceId, terminal },
  });
  const wired: Build = {
    ...two,
    circuits: {
      ...two.circuits,
      hv: {
        ...hv,
        conductors: {
          ...hv.conductors,
          'm-tap': past('m-tap', 'a', 'box', 'plus'),
          'm-minus': past('m-minus', 'b', 'box', 'minus'),
        },
      },
    },
  };
  expect(stopOf(wired)).toBe('fails');
});
