import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  type Chemistry,
  monotoneCubic,
  openCircuitVoltage,
  resistanceAgeFactor,
  resistanceTemperatureFactor,
} from './cell';

test('the curve goes through its points and never falls between them', () => {
  expect(openCircuitVoltage('nmc', 0.5)).toBeCloseTo(3.7, 12);
  expect(openCircuitVoltage('lfp', 1)).toBe(3.4);
  fc.assert(
    fc.property(
      fc.constantFrom<Chemistry>('lfp', 'nmc', 'lto', 'lead-agm'),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (chemistry, p, q) => {
        const [low, high] = p < q ? [p, q] : [q, p];
        expect(openCircuitVoltage(chemistry, high)).toBeGreaterThanOrEqual(openCircuitVoltage(chemistry, low) - 1e-12);
      },
    ),
    { seed: 4, numRuns: 500 },
  );
});

test('the monotone cubic reproduces a straight line and keeps flat data flat', () => {
  const line = monotoneCubic([0, 1, 3, 4], [1, 3, 7, 9]);
  expect(line(2.2)).toBeCloseTo(5.4, 12);
  const step = monotoneCubic([0, 1, 2, 3], [0, 0, 1, 1]);
  expect(step(0.5)).toBe(0);
  expect(step(1.5)).toBeCloseTo(0.5, 12);
  expect(step(2.7)).toBe(1);
});

test('resistance factors meet their stated points', () => {
  expect([-20, 0, 10, 25, 40].map(resistanceTemperatureFactor)).toEqual([4, 2.2, 1.5, 1, 0.8]);
  expect(resistanceTemperatureFactor(-40)).toBe(4);
  expect(resistanceAgeFactor(1)).toBe(1);
  expect(resistanceAgeFactor(0.7)).toBeCloseTo(2, 12);
  expect(resistanceAgeFactor(0.85)).toBeCloseTo(1.5, 12);
});
