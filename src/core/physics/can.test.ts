import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { canFrameBits, canMostStubM, canMostTrunkM } from './can';

describe('bits of a frame', () => {
  test('eight bytes with an 11-bit identifier: 111 without stuffing, 135 with the most (Tindell and Burns 1994)', () => {
    expect(canFrameBits(8, false)).toEqual({ least: 111, most: 135 });
  });
  test('with a 29-bit identifier: 131 and 160', () => {
    // 67 + 64 bits; ⌊(54 + 64 − 1)/4⌋ = 29.
    expect(canFrameBits(8, true)).toEqual({ least: 131, most: 160 });
  });
  test('no bytes: 47 and 55', () => {
    // ⌊(34 − 1)/4⌋ = 8.
    expect(canFrameBits(0, false)).toEqual({ least: 47, most: 55 });
  });

  test('stuffing counted bit by bit never gives more than the most', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 8 }),
        fc.boolean(),
        fc.infiniteStream(fc.boolean()),
        (bytes, extended, bits) => {
          const { least, most } = canFrameBits(bytes, extended);
          const inside = least - 13;
          let [stuffed, run, last] = [0, 0, null as boolean | null];
          const next = bits[Symbol.iterator]();
          for (let k = 0; k < inside; k++) {
            const bit = next.next().value as boolean;
            run = bit === last ? run + 1 : 1;
            last = bit;
            if (run === 5) {
              // The bit that is put in is the other one, and begins a run itself.
              stuffed++;
              [run, last] = [1, !bit];
            }
          }
          expect(least + stuffed).toBeLessThanOrEqual(most);
        },
      ),
      { numRuns: 300 },
    );
  });
});

test('lengths by bit rate: the table, and never longer at a faster rate', () => {
  expect([1e6, 500e3, 250e3].map(canMostTrunkM)).toEqual([40, 100, 250]);
  expect([1e6, 500e3, 250e3].map(canMostStubM)).toEqual([0.3, 1, 2]);
  fc.assert(
    fc.property(fc.integer({ min: 10_000, max: 1_000_000 }), fc.integer({ min: 10_000, max: 1_000_000 }), (p, q) => {
      const [slow, fast] = p < q ? [p, q] : [q, p];
      expect(canMostTrunkM(fast)).toBeLessThanOrEqual(canMostTrunkM(slow));
      expect(canMostStubM(fast)).toBeLessThanOrEqual(canMostStubM(slow));
    }),
  );
});
