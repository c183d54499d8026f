import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { TRIP_IDS } from '../build';
import { builtInTrip, stopsPerKmOf, withStops } from './trips';

/** Distances between stands, m, by the trapezoid. */
function betweenStops(speeds: readonly number[]): number[] {
  const ways: number[] = [];
  let metres = 0;
  for (let k = 1; k < speeds.length; k++) {
    metres += (speeds[k]! + speeds[k - 1]!) / 2;
    if (speeds[k] === 0 && metres > 0) {
      ways.push(metres);
      metres = 0;
    }
  }
  return ways;
}

describe('stops of a trip', () => {
  test('counted by hand: three stands in 90 m', () => {
    const speedsMPerS = [0, 10, 10, 10, 0, 0, 10, 10, 10, 0, 10, 10, 10, 0];
    // Each hump is 5 + 10 + 10 + 5 m.
    expect(stopsPerKmOf({ name: '', speedsMPerS, grades: speedsMPerS.map(() => 0) })).toBeCloseTo(3 / 0.09, 9);
  });

  test('no stretch is longer than what was asked, and changes of speed stay gentle', () => {
    fc.assert(
      fc.property(fc.constantFrom(...TRIP_IDS), fc.double({ min: 0.2, max: 8, noNaN: true }), (id, stopsPerKm) => {
        const trace = builtInTrip(id, 25);
        const made = withStops(trace, stopsPerKm);
        // A stop may come later by the way that one second takes, and by the way of pulling away to the speed before.
        for (const way of betweenStops(made.speedsMPerS))
          expect(way).toBeLessThan(1000 / stopsPerKm + 25 * 2 + 25 ** 2 / 1.8 + 25 ** 2 / 2);
        expect(stopsPerKmOf(made)).toBeGreaterThanOrEqual(stopsPerKmOf(trace) * 0.9);
        for (let k = 1; k < made.speedsMPerS.length; k++)
          expect(Math.abs(made.speedsMPerS[k]! - made.speedsMPerS[k - 1]!)).toBeLessThanOrEqual(1.3 + 1e-9);
        expect(made.grades).toHaveLength(made.speedsMPerS.length);
      }),
      { numRuns: 40 },
    );
  });

  test('on an even road the stops stand where they are asked, and none asked for changes nothing', () => {
    const speedsMPerS = [0, ...Array.from({ length: 10 }, (_, k) => k + 1), ...new Array<number>(600).fill(10), 5, 0];
    const even = { name: 'even', speedsMPerS, grades: speedsMPerS.map(() => 0) };
    expect(withStops(even, 0)).toBe(even);
    const ways = betweenStops(withStops(even, 2).speedsMPerS);
    for (const way of ways.slice(0, -1)) expect(Math.abs(way - 500)).toBeLessThan(12);
  });
});
