import fc from 'fast-check';
import { expect, test } from 'vitest';
import { departure } from './departure';

const plan = { readyH: 7, cheap: { fromH: 22, toH: 6 }, chargeS: 4 * 3600, atMostS: 12 * 3600 };

test('four hours ready at seven with cheap hours from 22 to 6: it begins at 2, the last begin that is all cheap', () => {
  expect(departure(plan)).toEqual({ beginH: 2, spareS: 3600, cheapShare: 1 });
});

test('without cheap hours it begins as late as it can', () => {
  expect(departure({ ...plan, cheap: null })).toEqual({ beginH: 3, spareS: 0, cheapShare: 0 });
});

test('ten hours for a charge of nine in eight cheap hours: eight ninths are cheap', () => {
  const late = departure({ ...plan, chargeS: 9 * 3600, atMostS: 10 * 3600 });
  expect(late.cheapShare).toBeCloseTo(8 / 9, 12);
  expect(late.spareS).toBeGreaterThanOrEqual(0);
});

test('a charge longer than the time there is comes late, and by how much is said', () => {
  expect(departure({ ...plan, chargeS: 14 * 3600 }).spareS).toBe(-2 * 3600);
});

test('the share is a share, and it is never late while there is time', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 24, noNaN: true }),
      fc.double({ min: 0, max: 23, noNaN: true }),
      fc.double({ min: 0.1, max: 11, noNaN: true }),
      (readyH, fromH, hours) => {
        const told = departure({ readyH, cheap: { fromH, toH: fromH + 1 }, chargeS: hours * 3600, atMostS: 12 * 3600 });
        expect(told.cheapShare).toBeGreaterThanOrEqual(0);
        expect(told.cheapShare).toBeLessThanOrEqual(1 + 1e-9);
        expect(told.spareS).toBeGreaterThanOrEqual(-1e-6);
      },
    ),
  );
});
