import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cleanTrack } from './trip-clean';

interface P {
  readonly t: number;
  readonly x: number;
}
/** No faster than 70 m/s along a line. */
const fits = (p: P, q: P) => Math.abs(q.x - p.x) <= 70 * (q.t - p.t);
const steady = (n: number): P[] => Array.from({ length: n }, (_, k) => ({ t: k, x: 20 * k }));

describe('a track is cleaned', () => {
  test('one that goes on is left as it is', () => {
    const points = steady(50);
    expect(cleanTrack(points, fits)).toEqual({ kept: points, rejected: [], gaps: new Set() });
  });

  test('strays anywhere are left out and nothing else is', () => {
    const stray = fc.record({
      at: fc.integer({ min: 0, max: 59 }),
      dt: fc.constantFrom(-500, 0, 86400),
      dx: fc.constantFrom(-1e5, 1e5),
    });
    fc.assert(
      fc.property(fc.uniqueArray(stray, { maxLength: 6, selector: ({ at }) => Math.floor(at / 10) }), (strays) => {
        const points = steady(60);
        const wrong = new Set<P>();
        for (const { at, dt, dx } of strays) {
          // Not in the first or last of a stretch of ten, so that strays stand apart and have something before and after them.
          const k = Math.floor(at / 10) * 10 + 3 + (at % 4);
          const bad = { t: points[k]!.t + dt, x: points[k]!.x + dx };
          points[k] = bad;
          wrong.add(bad);
        }
        const { kept, rejected, gaps } = cleanTrack(points, fits);
        expect(new Set(rejected.map(({ point }) => point))).toEqual(wrong);
        expect(kept).toHaveLength(60 - wrong.size);
        expect(gaps.size).toBe(0);
      }),
    );
  });

  test('whatever comes, each point is kept or rejected, and the clock of what is kept goes forward', () => {
    const any = fc.record({ t: fc.integer({ min: 0, max: 300 }), x: fc.integer({ min: -5000, max: 5000 }) });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 120 }), (points) => {
        const { kept, rejected, gaps } = cleanTrack(points, fits);
        expect(kept.length + rejected.length).toBe(points.length);
        for (let k = 1; k < kept.length; k++) {
          expect(kept[k]!.t).toBeGreaterThan(kept[k - 1]!.t);
          if (!gaps.has(k)) expect(fits(kept[k - 1]!, kept[k]!)).toBe(true);
        }
      }),
    );
  });

  test('a receiver that was carried away and back makes two gaps', () => {
    const away = steady(60).map((p, k) => (k >= 20 && k < 40 ? { ...p, x: p.x + 1e6 } : p));
    const { rejected, gaps } = cleanTrack(away, fits);
    expect(rejected).toEqual([]);
    expect([...gaps]).toEqual([20, 40]);
  });
});
