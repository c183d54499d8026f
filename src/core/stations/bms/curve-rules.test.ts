import { expect, test } from 'vitest';
import { assessWithRuns } from '../../assess';
import { applyEdit, type Build, type CurvePoint, type LimitCurveId } from '../../build';
import { firn9 } from '../../build/samples';
import { makeRun } from '../../simulate';
import { vehicleOf } from '../../vehicle';

const withCurve = (build: Build, curve: LimitCurveId, points: readonly CurvePoint[]): Build =>
  applyEdit(build, { edit: 'setLimitCurve', input: { curve, points } }).build;
const check = (build: Build) => assessWithRuns(build).checks.find(({ id }) => id === 'bms.holds-back')!;
const EVERYWHERE: readonly (readonly [number, number])[] = [
  [-40, 120],
  [80, 120],
];

test('electronics that lets 120 A out hold the trip to 120 A, and the seconds are said', () => {
  const held = withCurve(firn9(), 'dischargeByC', EVERYWHERE);
  const found = check(held);
  expect(found.verdict).toBe('fails');
  const trip = makeRun('trip', vehicleOf(held))!;
  // At 120 A of the pack and no more: the heater’s own draw is not held, and stays far below it.
  expect(trip.winter.currents.peakA).toBeCloseTo(120, 6);
  expect(trip.winter.heldS).toBeGreaterThan(0);
  expect(trip.winter.distanceM).toBeCloseTo(makeRun('trip', vehicleOf(firn9()))!.winter.distanceM, 6);
});

test('as the sample is set nothing is held back, and it is the same trip as without curves', () => {
  expect(check(firn9()).verdict).toBe('holds');
  const { bms, ...bare } = firn9();
  const { curves: _, ...others } = bms!;
  const [told, untold] = [firn9(), { ...bare, bms: others }].map((build) => makeRun('trip', vehicleOf(build))!);
  expect(told!.winter.energyJ).toBe(untold!.winter.energyJ);
  expect(told!.winter.heldS).toBe(0);
});

test('into a pack that lets 10 A in, braking goes back with 10 A at most, and the rest is heat of the brakes', () => {
  const held = withCurve(firn9(), 'chargeBySoc', [
    [0, 10],
    [1, 10],
  ]);
  const [free, less] = [firn9(), held].map((build) => makeRun('trip', vehicleOf(build))!);
  expect(free!.mild.currents.peakRegenA).toBeGreaterThan(20);
  expect(less!.mild.currents.peakRegenA).toBeLessThanOrEqual(10 + 1e-9);
  expect(less!.mild.split.brakes).toBeGreaterThan(free!.mild.split.brakes);
  expect(less!.mild.heldBackJ).toBeGreaterThan(0);
});

test('regulators have no such curves: what was set before holds nothing', () => {
  const held = withCurve(firn9(), 'dischargeByC', EVERYWHERE);
  const regulators = applyEdit(held, { edit: 'setSchool', input: { bms: 'shunts' } }).build;
  expect(makeRun('trip', vehicleOf(regulators))!.winter.heldS).toBe(0);
});
