import fc from 'fast-check';
import { expect, test } from 'vitest';
import { coolingTimeConstant, heatAfterPulses, waitForNextPulse } from './pulse-heat';

const resistor = { pulseEnergyJ: 750, ratedPowerW: 50 };

test('750 J at 50 W is a time constant of 15 s', () => {
  expect(coolingTimeConstant(resistor)).toBe(15);
});

test('six starts of 100 J in 30 s: the sum of the six by hand', () => {
  const byHand = [0, 5, 10, 15, 20, 25].reduce((sum, ago) => sum + 100 * Math.exp(-ago / 15), 0);
  expect(heatAfterPulses(resistor, 100, 6, 5)).toBeCloseTo(byHand, 9);
  expect(heatAfterPulses(resistor, 100, 1, 5)).toBeCloseTo(100, 12);
  expect(heatAfterPulses(resistor, 100, 6, 0)).toBe(600);
});

test('after the wait one more pulse brings it to its limit exactly', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 700, noNaN: true }), fc.integer({ min: 1, max: 40 }), (energyJ, count) => {
      const heat = heatAfterPulses(resistor, energyJ, count, 1);
      const waitS = waitForNextPulse(resistor, energyJ, heat)!;
      const then = heat * Math.exp(-waitS / 15) + energyJ;
      if (waitS === 0) expect(then).toBeLessThanOrEqual(750 + 1e-9);
      else expect(then).toBeCloseTo(750, 6);
    }),
    { seed: 97, numRuns: 200 },
  );
  expect(waitForNextPulse(resistor, 800, 0)).toBeNull();
});
