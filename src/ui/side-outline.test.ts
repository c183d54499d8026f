import fc from 'fast-check';
import { expect, test } from 'vitest';
import { sideOutline } from './side-outline';

const SHAPES = ['roadster', 'saloon', 'estate', 'van', 'off-roader', 'tractor'];
const points = (path: string) => [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);

test('every body fills its length and its height, stands off the ground and leaves its corners nowhere', () => {
  const size = fc.record({
    left: fc.integer({ min: 0, max: 300 }),
    long: fc.integer({ min: 50, max: 600 }),
    top: fc.integer({ min: 0, max: 100 }),
    high: fc.integer({ min: 30, max: 300 }),
  });
  fc.assert(
    fc.property(fc.constantFrom(...SHAPES), size, (shape, { left, long, top, high }) => {
      const corners = { left, right: left + long, top, ground: top + high };
      const path = sideOutline(shape, corners);
      const [xs, ys] = [points(path).map(([x]) => x!), points(path).map(([, y]) => y!)];
      expect(path.endsWith('Z')).toBe(true);
      expect(Math.min(...xs)).toBeCloseTo(left, 1);
      expect(Math.max(...xs)).toBeCloseTo(left + long, 1);
      expect(Math.min(...ys)).toBeCloseTo(top, 1);
      expect(Math.max(...ys)).toBeLessThan(top + high);
    }),
  );
});

test('a shape that nobody told, and one that nobody knows, are drawn as a saloon', () => {
  const corners = { left: 0, right: 400, top: 0, ground: 150 };
  expect(sideOutline(undefined, corners)).toBe(sideOutline('saloon', corners));
  expect(sideOutline('toString', corners)).toBe(sideOutline('saloon', corners));
});
