import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { FUSE_FAMILIES, fuseLossW, pulseCurrent, rmsCurrent } from './fuse';
import { clearing, meltingTime, SLOW_EDGE } from './fuse-clearing';
import { adiabaticI2t, CURVE_TIMES_S, meltingMultiple, preArcingTime } from './fuse-curve';

const { traction, strip } = FUSE_FAMILIES;
const family = fc.constantFrom(...Object.values(FUSE_FAMILIES));

describe('the time-current curve', () => {
  test('passes through its points, and an hour at the fusing multiple', () => {
    traction.multiples.forEach((multiple, i) => {
      expect(preArcingTime(traction, multiple)).toBeCloseTo(CURVE_TIMES_S[i]!, 9);
    });
    expect(preArcingTime(traction, traction.fusingMultiple)).toBeCloseTo(3600, 6);
    expect(preArcingTime(traction, traction.fusingMultiple - 0.001)).toBeNull();
  });

  test('halfway between two points in the logarithms lies halfway', () => {
    expect(preArcingTime(traction, Math.sqrt(5.2 * 3.6))).toBeCloseTo(Math.sqrt(0.1 * 1), 9);
  });

  test('above the first point I²t is constant: twice the current melts it in a quarter of the time', () => {
    expect(preArcingTime(traction, 28)).toBeCloseTo(0.25e-3, 12);
    expect(preArcingTime(strip, 650)).toBeCloseTo(1e-5, 12);
  });

  test('time and multiple are inverse, and more current never takes longer', () => {
    fc.assert(
      fc.property(family, fc.double({ min: 1.5, max: 500, noNaN: true }), (curve, multiple) => {
        const timeS = preArcingTime(curve, multiple);
        if (timeS === null) return;
        expect(meltingMultiple(curve, timeS)).toBeCloseTo(multiple, 6);
        expect(preArcingTime(curve, multiple * 1.01)!).toBeLessThan(timeS);
      }),
      { seed: 62, numRuns: 300 },
    );
  });
});

describe('melting with a rising current', () => {
  test('agrees with a plain sum of small steps', () => {
    fc.assert(
      fc.property(
        family,
        fc.double({ min: 2.2, max: 120, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
        (curve, multiple, tau) => {
          const prospectiveA = 100 * multiple;
          const found = meltingTime(curve, 100, prospectiveA, tau)!;
          // Midpoint rule in ten thousand steps over the time found: the sum has to be 1 there.
          let sum = 0;
          const steps = 10000;
          for (let k = 0; k < steps; k++) {
            const i = prospectiveA * (1 - Math.exp(-((k + 0.5) * found) / steps / tau));
            const time = preArcingTime(curve, i / 100);
            if (time !== null) sum += found / steps / time;
          }
          expect(Math.abs(sum - 1)).toBeLessThan(2e-3);
        },
      ),
      { seed: 63, numRuns: 60 },
    );
  });

  test('far above the curve the I²t let through is the adiabatic one, whatever the time constant', () => {
    const fuse = { ...traction, ratedCurrentA: 100, ratedVoltageDcV: 500 };
    const adiabatic = adiabaticI2t(fuse, 100 * SLOW_EDGE);
    const { preArcingI2tA2s } = clearing(fuse, { prospectiveA: 60000, timeConstantS: 0.001, voltageV: 400 });
    expect(preArcingI2tA2s! / adiabatic).toBeGreaterThan(0.98);
    expect(preArcingI2tA2s! / adiabatic).toBeLessThan(1.02);
  });

  test('without inductance it is the curve itself, and below the fusing current never', () => {
    expect(meltingTime(traction, 110, 3.6 * 110, 0)).toBeCloseTo(1, 9);
    expect(meltingTime(traction, 110, 1.4 * 110, 0.01)).toBeNull();
    expect(
      clearing(
        { ...traction, ratedCurrentA: 100, ratedVoltageDcV: 500 },
        { prospectiveA: 150, timeConstantS: 0, voltageV: 400 },
      ).meltTimeS,
    ).toBeNull();
  });

  test('arcing adds the stated ratio at the rated voltage, and no more than the current can bring in 3 τ', () => {
    const fuse = { ...traction, ratedCurrentA: 100, ratedVoltageDcV: 500 };
    const at = clearing(fuse, { prospectiveA: 9000, timeConstantS: 0.002, voltageV: 500 });
    expect(at.totalI2tA2s! - at.preArcingI2tA2s!).toBeCloseTo(3 * 14 ** 2 * 1e-3 * 110 ** 2, 3);
    const short = clearing(fuse, { prospectiveA: 500, timeConstantS: 0, voltageV: 500 });
    expect(short.totalI2tA2s! - short.preArcingI2tA2s!).toBeCloseTo(500 ** 2 * 1e-3, 6);
    expect(
      clearing({ ...fuse, ratedVoltageDcV: null }, { prospectiveA: 9000, timeConstantS: 0.002, voltageV: 500 })
        .totalI2tA2s,
    ).toBeNull();
  });
});

test('pulses by life: 0.7 to ten thousand, 0.6 to a hundred thousand, 0.5 beyond', () => {
  const fuse = { ...traction, ratedCurrentA: 200 };
  expect(pulseCurrent(fuse, 10, 1e4)).toBeCloseTo(0.7 * 2.6 * 200, 9);
  expect(pulseCurrent(fuse, 10, 10001)).toBeCloseTo(0.6 * 2.6 * 200, 9);
  expect(pulseCurrent(fuse, 10, 1e6)).toBeCloseTo(0.5 * 2.6 * 200, 9);
});

test('the loss at rated current is drop times current; rms of a profile weighs by time', () => {
  expect(fuseLossW({ dropAtRatedV: 0.11, ratedCurrentA: 300 }, 300)).toBeCloseTo(33, 9);
  expect(
    rmsCurrent([
      { currentA: 300, durationS: 10 },
      { currentA: 0, durationS: 30 },
    ]),
  ).toBeCloseTo(150, 9);
  expect(rmsCurrent([])).toBe(0);
});
