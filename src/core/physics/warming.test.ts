import fc from 'fast-check';
import { expect, test } from 'vitest';
import { warmingTime } from './warming';

const pad = { heatJPerK: 200_000, lossWPerK: 8, powerW: 300, fromC: -5, toC: 5, airC: -5 };

test('without losses it is heat over power: 200 kJ/K · 10 K / 300 W = 6667 s', () => {
  expect(warmingTime({ ...pad, lossWPerK: 0 })).toBeCloseTo(6666.7, 1);
});

test('with losses, against steps of a second of C·dT = (P − G·(T − T_air))·dt', () => {
  let [t, temperature] = [0, -5];
  while (temperature < 5) {
    temperature += ((300 - 8 * (temperature + 5)) / 200_000) * 1;
    t++;
  }
  expect(Math.abs(warmingTime(pad)! / t - 1)).toBeLessThan(1e-3);
});

test('a pad that the cold takes all of never gets there: 8 W/K · 10 K = 80 W', () => {
  expect(warmingTime({ ...pad, powerW: 80 })).toBeNull();
  expect(warmingTime({ ...pad, powerW: 0, lossWPerK: 0 })).toBeNull();
  expect(warmingTime({ ...pad, powerW: 81 })).toBeGreaterThan(0);
});

test('more power is never slower', () => {
  fc.assert(
    fc.property(fc.double({ min: 90, max: 5000, noNaN: true }), (powerW) => {
      expect(warmingTime({ ...pad, powerW: powerW * 1.2 })!).toBeLessThan(warmingTime({ ...pad, powerW })!);
    }),
  );
});
