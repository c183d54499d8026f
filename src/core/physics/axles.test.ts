import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lowering, springRate, wheelLoads } from './axles';
import { boltShearN, boltTensionN } from './bolts';
import { sideLoadN } from './stage';

describe('wheel loads', () => {
  test('a weight over an axle loads that axle alone, one over a wheel’s side that side', () => {
    expect(wheelLoads([{ massKg: 100, xM: 0, yM: 0 }], 2.4, 1.4)).toMatchObject({ frontKg: 100, rearKg: 0 });
    expect(wheelLoads([{ massKg: 100, xM: 2.4, yM: 0.7 }], 2.4, 1.4)).toMatchObject({
      rearKg: 100,
      leftKg: 100,
      rightKg: 0,
    });
  });

  test('behind the rear axle the front is relieved: levers by hand, 60 kg half a metre behind 2 m', () => {
    const loads = wheelLoads([{ massKg: 60, xM: 2.5, yM: 0 }], 2, null);
    expect(loads.rearKg).toBeCloseTo(75, 12);
    expect(loads.frontKg).toBeCloseTo(-15, 12);
  });

  const weight = fc.record({
    massKg: fc.double({ min: 0.1, max: 500, noNaN: true }),
    xM: fc.double({ min: -1, max: 4, noNaN: true }),
    yM: fc.double({ min: -1, max: 1, noNaN: true }),
  });
  test('moments round the front axle and the middle are those of the weights, whatever they are', () => {
    fc.assert(
      fc.property(fc.array(weight, { minLength: 1, maxLength: 12 }), (weights) => {
        const loads = wheelLoads(weights, 2.4, 1.5);
        const along = weights.reduce((sum, { massKg, xM }) => sum + massKg * xM, 0);
        const across = weights.reduce((sum, { massKg, yM }) => sum + massKg * yM, 0);
        expect(loads.rearKg * 2.4).toBeCloseTo(along, 6);
        expect((loads.leftKg - loads.rightKg) * 0.75).toBeCloseTo(across, 6);
        expect(loads.frontKg + loads.rearKg).toBeCloseTo(loads.totalKg, 6);
      }),
    );
  });
});

test('a spring rate that was measured lowers by what it was measured with', () => {
  expect(lowering(80, springRate(80, 0.021))).toBeCloseTo(0.021, 12);
  // 80 kg · 9.80665 / 0.02 m.
  expect(springRate(80, 0.02)).toBeCloseTo(39226.6, 1);
});

test('an M10 of class 8.8 holds 22.27 kN in shear and 33.4 kN in tension (EN 1993-1-8 by hand)', () => {
  expect(boltShearN('M10', '8.8')).toBeCloseTo((0.6 * 800 * 58) / 1.25, 6);
  expect(boltTensionN('M10', '8.8')).toBeCloseTo(33408, 6);
  expect(boltShearN('M8', '10.9')).toBeCloseTo(14640, 6);
});

test('a chain with no slack tension pulls little more than the working force; a V-belt twice as much', () => {
  expect(sideLoadN('chain', 100, 0.1)).toBeCloseTo(2100, 9);
  expect(sideLoadN('v-belt', -100, 0.1)).toBeCloseTo(4000, 9);
});
