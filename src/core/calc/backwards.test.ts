import fc from 'fast-check';
import { expect, test } from 'vitest';
import { backwards, nextResistors } from './backwards';

test('the resistor for a precharge time: R = t / (C · ln 20) by hand', () => {
  const found = backwards((ohm) => ohm * 0.002 * Math.log(20), 1, 1000, 0.6);
  expect(found).toMatchObject({ ok: true, more: false });
  expect(found.ok && found.value).toBeCloseTo(0.6 / (0.002 * Math.log(20)), 4);
});

test('whatever rises or falls is found again: x from f(x) for powers', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.02, max: 50, noNaN: true }),
      fc.constantFrom(-2, -1, -0.5, 0.5, 1, 3),
      (x, power) => {
        const found = backwards((at) => at ** power, 0.01, 100, x ** power);
        expect(found.ok && Math.abs(found.value / x - 1)).toBeLessThan(1e-6);
      },
    ),
  );
});

test('what is passed twice is found at its first place, and that there is another is said', () => {
  const found = backwards((x) => (x - 3) ** 2, 0.1, 100, 1);
  expect(found).toMatchObject({ ok: true, more: true });
  expect(found.ok && found.value).toBeCloseTo(2, 5);
});

test('what is never reached says how far it goes; a law that is silent has no reach', () => {
  expect(backwards((x) => 2 * x, 1, 10, 100)).toEqual({ ok: false, reaches: [2, 20] });
  expect(backwards(() => null, 1, 10, 100)).toEqual({ ok: false, reaches: null });
  // Silent in the stretch in which it would pass: no place is made up.
  expect(backwards((x) => (x > 4 && x < 6 ? null : x < 5 ? 0 : 10), 1, 10, 5)).toMatchObject({ ok: false });
});

test('a law that jumps past what is wanted, or falls silent where it would pass it, does not give it', () => {
  expect(backwards((x) => (x < 5 ? 0 : 10), 1, 10, 5)).toEqual({ ok: false, reaches: [0, 10] });
  expect(backwards((x) => (Math.abs(x - 5) < 0.01 ? null : x), 1, 10, 5)).toMatchObject({ ok: false });
});

test('resistors that are sold, from the row of IEC 60063', () => {
  expect(nextResistors(100)).toEqual([100, 100]);
  expect(nextResistors(105)).toEqual([100, 120]);
  expect(nextResistors(9.1)).toEqual([8.2, 10]);
  expect(nextResistors(0.5)).toEqual([0.47, 0.56]);
  expect(nextResistors(4700)).toEqual([4700, 4700]);
});
