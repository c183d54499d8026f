import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { parallelOhm, timeToVoltage, voltageAfter } from './discharge';
import { faultCurrentAt, faultI2t } from './fault-current';
import { temperatureAfterI2t, withstandFactor, withstandI2t } from './withstand';

describe('discharge', () => {
  test('time to a voltage is RC·ln(V/V0), and the voltage then is that voltage', () => {
    const link = { startVoltageV: 400, capacitanceF: 1e-3, resistanceOhm: 22000 };
    // 22 s · ln(400/60) = 22 · 1.89712 = 41.737 s by hand.
    expect(timeToVoltage(link, 60)).toBeCloseTo(41.737, 2);
    expect(voltageAfter(link, timeToVoltage(link, 60)!)).toBeCloseTo(60, 9);
  });

  test('a link that starts below is there already, one without a resistor never', () => {
    expect(timeToVoltage({ startVoltageV: 48, capacitanceF: 1e-3, resistanceOhm: 100 }, 60)).toBe(0);
    expect(timeToVoltage({ startVoltageV: 48, capacitanceF: 1e-3, resistanceOhm: null }, 60)).toBe(0);
    expect(timeToVoltage({ startVoltageV: 400, capacitanceF: 1e-3, resistanceOhm: null }, 60)).toBeNull();
    expect(voltageAfter({ startVoltageV: 400, capacitanceF: 1e-3, resistanceOhm: null }, 5)).toBe(400);
    expect(timeToVoltage({ startVoltageV: 400, capacitanceF: 1e-3, resistanceOhm: 100 }, 0)).toBeNull();
  });

  test('resistances side by side', () => {
    expect(parallelOhm(30, 60, null)).toBeCloseTo(20, 12);
    expect(parallelOhm(null, undefined)).toBeNull();
  });
});

describe('rising fault current', () => {
  test('I²t is the midpoint sum of its own square, at any ratio of time to time constant', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 1e-5, max: 1, noNaN: true }),
        fc.double({ min: 1e-4, max: 50, noNaN: true }),
        (prospectiveA, tau, ratio) => {
          const timeS = ratio * tau;
          const steps = 4000;
          let sum = 0;
          for (let k = 0; k < steps; k++) {
            const t = ((k + 0.5) * timeS) / steps;
            sum += ((prospectiveA * (1 - Math.exp(-t / tau))) ** 2 * timeS) / steps;
          }
          expect(faultI2t(prospectiveA, tau, timeS) / sum).toBeGreaterThan(0.9999);
          expect(faultI2t(prospectiveA, tau, timeS) / sum).toBeLessThan(1.0001);
        },
      ),
      { seed: 61, numRuns: 200 },
    );
  });

  test('63 % after one time constant, all of it at once without inductance', () => {
    expect(faultCurrentAt(1000, 0.01, 0.01)).toBeCloseTo(632.12, 2);
    expect(faultCurrentAt(1000, 0, 0)).toBe(1000);
    expect(faultI2t(1000, 0, 0.02)).toBeCloseTo(20000, 9);
  });
});

describe('adiabatic withstand', () => {
  test.each([
    ['copper', 70, 160, 115],
    ['copper', 90, 250, 143],
    ['copper', 180, 350, 132],
    ['copper', 90, 160, 100],
    ['aluminium', 70, 160, 76],
    ['aluminium', 90, 250, 94],
  ] as const)('%s from %d to %d °C has k = %d (IEC 60364-5-54 table A.54.4, rounded)', (metal, from, to, k) => {
    expect(Math.abs(withstandFactor(metal, from, to) - k)).toBeLessThan(0.9);
  });

  test('the I²t that it stands brings it to the very limit', () => {
    expect(temperatureAfterI2t('copper', 35, 90, withstandI2t('copper', 35, 90, 250))).toBeCloseTo(250, 9);
    expect(temperatureAfterI2t('aluminium', 50, 40, 0)).toBe(40);
  });
});
