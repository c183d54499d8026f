import { expect, test } from 'vitest';
import { curveAt, leastOfCurves } from './limit-curve';

const points = [
  [0, 0],
  [10, 50],
  [25, 200],
] as const;

test('straight between points, held outside: 5 °C of 0…50 A over 10 K is 25 A', () => {
  expect(curveAt(points, 5)).toBe(25);
  expect(curveAt(points, 17.5)).toBe(125);
  expect(curveAt(points, -20)).toBe(0);
  expect(curveAt(points, 60)).toBe(200);
});

test('the lowest of what is told; what is not told bounds nothing', () => {
  expect(
    leastOfCurves(
      [points, 25],
      [
        [
          [0.9, 150],
          [1, 0],
        ],
        0.95,
      ],
    ),
  ).toBeCloseTo(75, 12);
  expect(leastOfCurves([undefined, 25])).toBe(Number.POSITIVE_INFINITY);
});
