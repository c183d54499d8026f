import { expect, test } from 'vitest';
import { firn9 } from '../build/samples';
import { steadyTemperature } from '../physics/cable';
import { isSolved, vehicleOf } from '../vehicle';
import { PROFILE_STEP_S } from './trip';
import { packCurrentA, tripHeat } from './trip-heat';
import { tripRuns } from './trip-runs';

const vehicle = vehicleOf(firn9());
const { winter, heat } = tripRuns(vehicle)!;
const plus = vehicle.conductorOf.get('c-plus')!;

test('the drawn curve has the peak that is judged, runs over both trips, and begins at the place’s temperature', () => {
  expect(Object.keys(heat.curveC).sort()).toEqual(Object.keys(heat.peakC).sort());
  for (const [id, curve] of Object.entries(heat.curveC)) {
    expect(Math.max(...curve.map(([, c]) => c))).toBeCloseTo(heat.peakC[id]!, 9);
    expect(curve.length).toBeLessThanOrEqual(301);
    for (let k = 1; k < curve.length; k++) expect(curve[k]![0]).toBeGreaterThan(curve[k - 1]![0]);
    expect(curve.at(-1)![0]).toBeGreaterThan(1.9 * winter.profileA.length * PROFILE_STEP_S);
    expect(curve[0]![1]).toBeGreaterThanOrEqual(vehicle.conductorOf.get(id)!.zone!.ambientC);
  }
});

test('a trip of nothing but one current for hours ends at the steady temperature of that current', () => {
  const hours = { ...winter, profileA: new Array<number>((6 * 3600) / PROFILE_STEP_S).fill(180) };
  const curve = tripHeat(vehicle, 'made up', hours).curveC['c-plus']!;
  const cruise = vehicle.caseOf('cruise/nominal/sustained')!;
  if (!isSolved(cruise)) throw new Error('cruise has no solution');
  const share = Math.abs(cruise.point.elementCurrentsA.get('c-plus')!) / packCurrentA(vehicle, cruise);
  const steady = steadyTemperature(plus.thermal!.build, plus.thermal!.place, 180 * share).conductorTemperatureC!;
  expect(curve.at(-1)![1]).toBeCloseTo(steady, 1);
});
