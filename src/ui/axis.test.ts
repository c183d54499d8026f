import fc from 'fast-check';
import { expect, test } from 'vitest';
import { axisOf, extent } from './axis';

const read = (axis: ReturnType<typeof axisOf>) => axis.ticks.map(axis.format);

test('ticks are round in the unit that is read, whatever it is kept in', () => {
  // 136 km/h are 37.8 m/s and 84.5 mph.
  expect(read(axisOf(0, 37.8, 'speed', 'metric'))).toEqual([0, 50, 100, 150].map((value) => `${value}\u00a0km/h`));
  expect(read(axisOf(0, 37.8, 'speed', 'us'))).toEqual([0, 20, 40, 60, 80, 100].map((value) => `${value}\u00a0mph`));
  expect(read(axisOf(20, 118, 'temperature', 'metric'))).toEqual(
    [20, 40, 60, 80, 100, 120].map((value) => `${value}\u00a0°C`),
  );
  expect(read(axisOf(20, 118, 'temperature', 'us'))).toEqual(
    [50, 100, 150, 200, 250].map((value) => `${value}\u00a0°F`),
  );
});

test('time ends where the data end, in steps of a clock', () => {
  const axis = axisOf(0, 50 * 60, 'time', 'metric', { whole: false, most: 6 });
  expect(read(axis)).toEqual([0, 10, 20, 30, 40, 50].map((value) => `${value}\u00a0min`));
  expect(axis.domain).toEqual([0, 3000]);
  expect(read(axisOf(0, 87 * 60, 'time', 'metric', { whole: false, most: 6 }))).toEqual(
    ['0', '0.25', '0.5', '0.75', '1', '1.25'].map((value) => `${value}\u00a0h`),
  );
});

test('a line that is level, and nothing at all, still have an axis', () => {
  expect(axisOf(5, 5, 'current', 'metric').ticks).toEqual([5]);
  expect(extent([null, Number.NaN, undefined])).toEqual([0, 0]);
  expect(extent([3, null, -1, Number.POSITIVE_INFINITY])).toEqual([-1, 3]);
});

test('any axis holds its data, has few ticks, evenly apart, and none that reads like a remainder', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1e5, max: 1e5, noNaN: true }),
      fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
      fc.constantFrom('voltage' as const, 'speed' as const, 'temperature' as const, 'force' as const, 'time' as const),
      fc.constantFrom('metric' as const, 'us' as const),
      (least, span, dimension, system) => {
        const axis = axisOf(least, least + span, dimension, system);
        const [low, high] = axis.domain;
        const slack = 1e-6 * span;
        expect(low).toBeLessThanOrEqual(least + slack);
        expect(high).toBeGreaterThanOrEqual(least + span - slack);
        expect(axis.ticks.length).toBeGreaterThanOrEqual(2);
        expect(axis.ticks.length).toBeLessThanOrEqual(8);
        const gaps = axis.ticks.slice(1).map((tick, k) => tick - axis.ticks[k]!);
        for (const gap of gaps) expect(Math.abs(gap - gaps[0]!)).toBeLessThanOrEqual(1e-6 * Math.abs(gaps[0]!) + slack);
      },
    ),
    { seed: 19, numRuns: 2000 },
  );
});
