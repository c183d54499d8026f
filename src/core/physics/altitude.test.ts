import { describe, expect, test } from 'vitest';
import { airCoolingShare, gapFactor } from './altitude';

describe('thin air', () => {
  test('clearances grow as IEC 60664-1, table F.10, says', () => {
    expect([0, 2000, 3000, 4000, 5000].map((altitudeM) => gapFactor(altitudeM))).toEqual([1, 1, 1.14, 1.29, 1.48]);
    // Halfway between two rows.
    expect(gapFactor(2500)).toBeCloseTo(1.07, 12);
  });
  test('a part that is stated for more altitude loses less, and one stated for less nothing below 2000 m', () => {
    expect(gapFactor(4000, 4000)).toBe(1);
    expect(gapFactor(4000, 3000)).toBeCloseTo(1.29 / 1.14, 12);
    expect(gapFactor(1500, 500)).toBe(1);
    expect(gapFactor(3000, 5000)).toBe(1);
  });
  test('air cools 1 % less for each 100 m above 1000 m (IEC 60034-1)', () => {
    expect([-200, 1000, 1900, 3000].map(airCoolingShare)).toEqual([1, 1, 0.91, 0.8]);
  });
});
