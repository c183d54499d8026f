import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ingressEnough } from './ingress';

describe('protection classes (IEC 60529)', () => {
  test.each([
    ['IP67', 'IP54', true, 'splashing (4) lies below the jets'],
    ['IP67', 'IP64', true, 'dipping covers splashing'],
    ['IP67', 'IP65', false, 'dipping is no jet'],
    ['IP66/IP67', 'IP65', true, 'both were tested'],
    ['IP66/IP67', 'IP67', true, 'both were tested'],
    ['IP66', 'IP67', false, 'a jet is no dipping'],
    ['IP69K', 'IP66', true, 'the harder jet covers the softer'],
    ['IP20', 'IP20', true, 'the same'],
    ['IP54', 'IP6X', false, 'dust gets in'],
    ['IP6X', 'IP54', false, 'water was not tested'],
  ])('%s where %s is needed: %s (%s)', (has, needs, enough) => {
    expect(ingressEnough(has, needs)).toBe(enough);
  });

  test('every class is enough for itself, and what is no class is not judged', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 9 }), (solids, water) => {
        const one = `IP${solids}${water}`;
        expect(ingressEnough(one, one)).toBe(true);
        expect(ingressEnough(one, 'IP00')).toBe(true);
        // More of solids never does harm.
        if (solids < 6) expect(ingressEnough(`IP${solids + 1}${water}`, one)).toBe(true);
      }),
    );
    for (const text of ['', 'IP', '67', 'IP77', 'IP6', 'IPXXX']) expect(ingressEnough(text, 'IP54')).toBeNull();
  });
});
