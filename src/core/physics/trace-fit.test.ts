import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fitReaches, fitTrace, fittedAt, isFit, type TraceFit, thinned } from './trace-fit';

/** Deterministic noise of a given size: a linear congruential sequence. */
function noise(size: number) {
  let seed = 1;
  return () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return size * (seed / 1073741824 - 1);
  };
}

const grid = (from: number, to: number, n: number) =>
  Array.from({ length: n }, (_, k) => from + ((to - from) * k) / (n - 1));
const fitted = (fit: ReturnType<typeof fitTrace>): TraceFit => {
  if (!isFit(fit)) throw new Error(fit.why);
  return fit;
};

describe('fit of a course that tends to an end', () => {
  test('closed form back: end, begin and τ of a sampled exponential, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.002, max: 300, noNaN: true }),
        fc.double({ min: 20, max: 800, noNaN: true }),
        fc.double({ min: 1.2, max: 8, noNaN: true }),
        fc.boolean(),
        (tau, volts, spans, up) => {
          const t = grid(0, tau * spans, 60);
          const [begin, end] = up ? [0, volts] : [volts, 0];
          const fit = fitted(
            fitTrace(
              t,
              t.map((s) => end + (begin - end) * Math.exp(-s / tau)),
            ),
          );
          expect(fit.tauS / tau).toBeCloseTo(1, 4);
          expect(fit.end).toBeCloseTo(end, 1);
          expect(fit.rms).toBeLessThan(1e-3 * volts);
        },
      ),
      { numRuns: 120 },
    );
  });

  test('a precharge: at rest, then up, then the main contactor closes: only the middle is fitted', () => {
    const [tau, packV, startS, closeS] = [0.12, 330, 0.2, 0.2 + 3 * 0.12];
    const t = grid(0, 1, 500);
    const shake = noise(0.8);
    const v = t.map(
      (s) => shake() + (s < startS ? 0 : s < closeS ? packV * (1 - Math.exp(-(s - startS) / tau)) : packV),
    );
    const fit = fitted(fitTrace(t, v));
    expect(fit.tauS).toBeGreaterThan(0.97 * tau);
    expect(fit.tauS).toBeLessThan(1.03 * tau);
    expect(fit.untilS).toBeLessThan(closeS + 0.01);
    expect(fit.t0S).toBeGreaterThan(startS - 0.02);
    expect(fit.t0S).toBeLessThan(startS + 0.02);
  });

  test('the standard error holds the truth: |τ̂ − τ| within four of them, and grows with the noise', () => {
    const tau = 2;
    const t = grid(0, 8, 200);
    const errors = [0.2, 2].map((size) => {
      const shake = noise(size);
      const fit = fitted(
        fitTrace(
          t,
          t.map((s) => 100 * Math.exp(-s / tau) + shake()),
          0,
        ),
      );
      expect(Math.abs(fit.tauS - tau)).toBeLessThan(4 * fit.tauErrorS);
      return fit.tauErrorS;
    });
    expect(errors[1]! / errors[0]!).toBeGreaterThan(5);
    expect(errors[1]! / errors[0]!).toBeLessThan(20);
  });

  test('time to a level: τ·ln(V/60) for a discharge, and never for one that ends above it', () => {
    const t = grid(0, 40, 100);
    const fit = fitted(
      fitTrace(
        t,
        t.map((s) => 330 * Math.exp(-s / 15)),
        0,
      ),
    );
    expect(fitReaches(fit, 60)).toBeCloseTo(15 * Math.log(330 / 60), 2);
    expect(fittedAt(fit, 15)).toBeCloseTo(330 / Math.E, 1);
    const stays = fitted(
      fitTrace(
        t,
        t.map((s) => 100 + 230 * Math.exp(-s / 5)),
      ),
    );
    expect(fitReaches(stays, 60)).toBeNull();
  });

  test.each([
    ['nothing moves', grid(0, 1, 50), grid(0, 1, 50).map(() => 12), /stays where it is/],
    ['a straight line', grid(0, 1, 50), grid(0, 1, 50).map((s) => 12 + 3 * s), /straight line/],
    ['three points', [0, 1, 2], [0, 5, 6], /3 points/],
  ])('%s is no course: said, not guessed', (_, t, v, why) => {
    const fit = fitTrace(t, v);
    expect(isFit(fit)).toBe(false);
    expect((fit as { why: string }).why).toMatch(why);
  });
});

test('thinned to 400 points the fit stays within a thousandth, and first and last point stay', () => {
  const t = grid(0, 5, 50_000);
  const v = t.map((s) => (s < 1 ? 0 : 300 * (1 - Math.exp(-(s - 1) / 0.3))));
  const few = thinned(t, v, 400);
  expect(few.times.length).toBeLessThanOrEqual(400);
  expect(few.times[0]).toBe(0);
  expect(few.times.at(-1)).toBe(5);
  expect(fitted(fitTrace(few.times, few.values)).tauS).toBeCloseTo(0.3, 3);
});
