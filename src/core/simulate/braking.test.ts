import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cataloguePart } from '../parts';
import type { RoadModel } from '../vehicle';
import { type Braking, mostBrakingN, regenerated } from './braking';

const motor = { ...cataloguePart('motor-induction-50', 'motor') };
const model: RoadModel = {
  road: { massKg: 1200, rotatingMassFactor: 1.05, rollingCoefficient: 0.012, dragAreaM2: 0.7, airDensityKgPerM3: 1.2 },
  massKg: 1200,
  wheelRadiusM: 0.3,
  ratios: [8, 4],
  drivelineEfficiency: 0.92,
  motor,
  assumed: [],
};
const free: Braking = { share: 1, torqueShare: 1, mostW: 1e9, unlitMPerS2: null };
const LINK_V = motor.baseLinkV;

describe('braking by the motor', () => {
  test('at a crawl its force is torque times the greatest ratio over the radius, the driveline helping: by hand', () => {
    const expected = (0.4 * motor.peakTorqueNm * 8) / 0.3 / 0.92;
    expect(mostBrakingN(model, 0.4, 3, LINK_V)).toBeCloseTo(expected, 6);
  });

  test('with dark lamps it stays at 1.3 m/s² of the vehicle’s mass', () => {
    const dark = regenerated(model, { ...free, unlitMPerS2: 1.3 }, -6000, 10, LINK_V);
    expect(dark.forceN).toBeCloseTo(-1.3 * 1200, 9);
    expect(regenerated(model, free, -6000, 10, LINK_V).forceN).toBeLessThan(dark.forceN);
  });

  test('what the battery does not take, the brakes do: force and power shrink together', () => {
    const whole = regenerated(model, free, -1500, 12, LINK_V);
    const bounded = regenerated(model, { ...free, mostW: -whole.batteryW / 2 }, -1500, 12, LINK_V);
    expect(bounded.batteryW).toBeCloseTo(whole.batteryW / 2, 6);
    expect(bounded.forceN).toBeCloseTo(whole.forceN / 2, 6);
  });

  test('slower than a walk, pulling, or with no share it takes nothing', () => {
    expect(regenerated(model, free, -1500, 1.9, LINK_V)).toEqual({ forceN: 0, batteryW: 0 });
    expect(regenerated(model, free, 1500, 12, LINK_V)).toEqual({ forceN: 0, batteryW: 0 });
    expect(regenerated(model, { ...free, share: 0 }, -1500, 12, LINK_V)).toEqual({ forceN: 0, batteryW: 0 });
  });

  test('never more comes back than the wheels lose, and never more than is asked of it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20000, noNaN: true }),
        fc.double({ min: 0.1, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 60000, noNaN: true }),
        (lossN, speed, share, torqueShare, mostW) => {
          const back = regenerated(model, { share, torqueShare, mostW, unlitMPerS2: 1.3 }, -lossN, speed, LINK_V);
          expect(-back.batteryW).toBeLessThanOrEqual(-back.forceN * speed + 1e-6);
          expect(-back.forceN).toBeLessThanOrEqual(lossN * share + 1e-6);
          expect(-back.batteryW).toBeLessThanOrEqual(mostW);
          expect(-back.forceN).toBeLessThanOrEqual(1.3 * 1200 + 1e-6);
        },
      ),
    );
  });
});
