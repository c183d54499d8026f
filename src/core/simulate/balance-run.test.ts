import fc from 'fast-check';
import { expect, test } from 'vitest';
import { balanceRun } from './balance-law';
import { type Evening, type RowCell, rowRun, seeded } from './balance-run';

const cell = (soc: number, capacityAh = 100): RowCell => ({ capacityAh, resistanceOhm: 0.0005, soc, leaksA: 0 });
const charger = { powerW: 1e9, currentA: 20, voltageV: 4 * 3.5, cutoffA: 1 };
const regulators: Evening = {
  by: 'regulators',
  fromV: 3.45,
  shuntA: 1,
  duty: 1,
  deltaV: 0,
  stopV: 3.6,
  releaseV: 3.5,
  atStop: 'throttle',
};

test('even cells: 50 Ah at 20 A take 2.5 h to full, before the voltage limit', () => {
  const run = rowRun('lfp', [cell(0.5), cell(0.5), cell(0.5), cell(0.5)], charger, { ...regulators, by: 'none' }, 8);
  const full = run.curve.find(({ lowestV }) => lowestV > 3.45)!;
  // 100 % is 2.5 h by the ampere-hours alone; the taper to 3.5 V takes less than 1 % more.
  expect(full.timeS / 9000).toBeGreaterThan(0.98);
  expect(run.end).toBe('cut-off');
  expect(run.balancedS).toBe(0);
  expect(run.highestSoc).toBeLessThan(1.008);
});

test('a throttled charge: 2 Ah at 1 A are 2 h after the first is full (the law of top balancing says the same)', () => {
  const cells = [cell(0.98), cell(0.96), cell(0.98), cell(0.98)];
  const full = { ...regulators, stopV: 3.46, releaseV: 3.45 };
  const run = rowRun('lfp', cells, { ...charger, currentA: 10, voltageV: 100 }, full, 12);
  const law = balanceRun({
    mode: 'top-throttled',
    cells: cells.map(({ capacityAh, soc }) => ({ capacityAh, soc })),
    balanceCurrentA: 1,
    balanceDuty: 1,
    chargeCurrentA: 10,
    socTolerance: 0.005,
    // 3.45 V on the last piece of the curve, from 3.40 V at 1 to 3.75 V at 1.008.
    thresholdSoc: 1 + (0.05 / 0.35) * 0.008,
    overLimitSoc: Number.POSITIVE_INFINITY,
  });
  expect(run.end).toBe('all-full');
  expect(Math.abs(run.endS / law.timeUntilAllFullS! - 1)).toBeLessThan(0.05);
  expect(run.order.map(({ cell: k }) => k).at(-1)).toBe(1);
});

test('a full cell that nobody tells the charger of goes on rising', () => {
  const run = rowRun(
    'lfp',
    [cell(0.95), cell(0.9), cell(0.9), cell(0.9)],
    charger,
    { ...regulators, atStop: 'nothing' },
    12,
  );
  expect(run.highestCell).toBe(0);
  expect(run.highestV).toBeGreaterThan(3.6);
});

test('charge in less charge out is what the cells have more', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.double({ min: 0.1, max: 3, noNaN: true }), (seed, shuntA) => {
      const random = seeded(seed);
      const cells = Array.from({ length: 4 }, () => cell(0.8 + 0.03 * random()));
      const run = rowRun(
        'nmc',
        cells,
        { ...charger, voltageV: 4 * 4.15 },
        { ...regulators, fromV: 4.05, stopV: 4.25, releaseV: 4.2, shuntA },
        10,
      );
      // No cell is ever bled below what it began with: shunts take what the charger gives.
      expect(run.lowestSoc).toBeGreaterThanOrEqual(Math.min(...cells.map(({ soc }) => soc)) - 1e-9);
      expect(run.heatJ.every((joule) => joule >= 0)).toBe(true);
    }),
    { numRuns: 20 },
  );
});

test('the same seed makes the same spread, another one another, both between −1 and 1', () => {
  const draw = (seed: number) => Array.from({ length: 50 }, seeded(seed));
  expect(draw(7)).toEqual(draw(7));
  expect(draw(7)).not.toEqual(draw(8));
  expect(draw(7).every((one) => Math.abs(one) <= 1)).toBe(true);
});
