import fc from 'fast-check';
import { expect, test } from 'vitest';
import { airPressurePa } from './air';
import { BAR_LIMIT_C, barAmpacityA } from './bar';

const SEA = airPressurePa(0);

/** Continuous current of one flat bar of bright copper on edge, DIN 43671 table 1: 65 °C in air of 35 °C, width · thickness in mm, A. */
const DIN = [
  [20, 3, 204],
  [20, 5, 274],
  [30, 5, 379],
  [40, 5, 482],
  [50, 5, 583],
] as const;

test('a rod of the same section carries less than each flat bar of DIN 43671, and no less than three fifths', () => {
  // Brought from 90 °C to the 65 °C of the table: current goes with rise^0.61 (Copper Development Association) and with 1/√R.
  const ohm = (warmC: number) => 1 + 0.00393 * (warmC - 20);
  const toTable = (30 / 55) ** 0.61 * Math.sqrt(ohm(90) / ohm(65));
  for (const [wide, thick, amps] of DIN) {
    const rod = barAmpacityA(wide * thick, 35, SEA) * toTable;
    expect(rod / amps, `${wide} × ${thick}`).toBeLessThan(1);
    expect(rod / amps, `${wide} × ${thick}`).toBeGreaterThan(0.6);
  }
});

test('more copper carries more, warmer or thinner air less, and in a place as hot as its limit nothing', () => {
  const section = fc.double({ min: 2, max: 1000, noNaN: true });
  fc.assert(
    fc.property(section, section, fc.double({ min: -20, max: 85, noNaN: true }), (p, q, ambientC) => {
      fc.pre(Math.abs(p - q) > 1e-6);
      const [thin, thick] = p < q ? [p, q] : [q, p];
      expect(barAmpacityA(thin, ambientC, SEA)).toBeLessThan(barAmpacityA(thick, ambientC, SEA));
      expect(barAmpacityA(thin, ambientC + 4, SEA)).toBeLessThan(barAmpacityA(thin, ambientC, SEA));
      expect(barAmpacityA(thin, ambientC, airPressurePa(2500))).toBeLessThan(barAmpacityA(thin, ambientC, SEA));
    }),
  );
  expect(barAmpacityA(100, BAR_LIMIT_C, SEA)).toBe(0);
});
