import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { tapFaults, tapSpread, tapWords, typedTaps } from './tap-readings';

const LIMITS = { cells: 12, leastV: 2.5, mostV: 3.8 };
/** What a meter reads between neighbouring wires, from where each wire really is tapped. */
const read = (cells: readonly number[], order: readonly number[]): number[] => {
  const at = [0];
  for (const v of cells) at.push(at.at(-1)! + v);
  return cells.map((_, k) => at[order[k + 1]!]! - at[order[k]!]!);
};
const straight = (n: number) => Array.from({ length: n + 1 }, (_, k) => k);
const cellsOf = fc
  .array(fc.integer({ min: 3200, max: 3400 }), { minLength: 12, maxLength: 12 })
  .map((list) => list.map((mv) => mv / 1000));

describe('taps by Kirchhoff’s law of the row', () => {
  test('a row in order has no fault, and its weakest cell is named', () => {
    fc.assert(
      fc.property(cellsOf, (cells) => {
        const found = read(cells, straight(12));
        expect(tapFaults(found, LIMITS)).toEqual([]);
        const spread = tapSpread(found)!;
        expect(found[spread.lowest - 1]).toBe(Math.min(...found));
        expect(spread.spreadV).toBeCloseTo(Math.max(...found) - Math.min(...found), 12);
      }),
    );
  });

  test('two neighbouring wires swapped are found wherever they are, and nothing else is blamed', () => {
    fc.assert(
      fc.property(cellsOf, fc.integer({ min: 0, max: 11 }), (cells, k) => {
        const order = straight(12);
        [order[k], order[k + 1]] = [order[k + 1]!, order[k]!];
        expect(tapFaults(read(cells, order), LIMITS)).toEqual([{ kind: 'swapped', first: k + 1, second: k + 2 }]);
      }),
    );
  });

  test('a floating wire splits two cells between its readings', () => {
    for (const share of [0, 0.1, 1]) {
      const found = Array.from({ length: 12 }, () => 3.3);
      [found[4], found[5]] = [6.6 * share, 6.6 * (1 - share)];
      expect(tapFaults(found, LIMITS)).toEqual([{ kind: 'open', wire: 6 }]);
    }
  });

  test('a missing reading, a dead cell and a plug of another pack', () => {
    expect(tapFaults(Array(11).fill(3.3), LIMITS)).toEqual([{ kind: 'count', read: 11, cells: 12 }]);
    expect(tapFaults([...Array(11).fill(3.3), 0.1], LIMITS)).toEqual([{ kind: 'nothing', cell: 12 }]);
    expect(tapFaults(Array(12).fill(4.1), LIMITS).map(tapWords)[0]).toContain('too much for one cell');
    expect(tapFaults([-3.3, ...Array(11).fill(3.3)], LIMITS)).toEqual([{ kind: 'reversed', cell: 1 }]);
  });
});

describe('readings as they are typed', () => {
  test.each([
    ['3.31 3.30\n3.29', [3.31, 3.3, 3.29]],
    ['3,31; 3,30; 3,29', [3.31, 3.3, 3.29]],
    ['3310 mV\r\n3.3 V\r\n−3.3', [3.31, 3.3, -3.3]],
    ['', []],
  ])('%j', (text, readingsV) => {
    const found = typedTaps(text);
    expect(found.ok && found.readingsV.map((v) => Math.round(v * 1e6) / 1e6)).toEqual(readingsV);
  });

  test('what is no voltage is named with its place', () => {
    expect(typedTaps('3.3 full 3.2')).toMatchObject({ ok: false, reason: 'Reading 2, “full”, is no voltage.' });
    expect(typedTaps('3.3 '.repeat(3000)).ok).toBe(false);
    fc.assert(
      fc.property(fc.string(), (text) => {
        const found = typedTaps(text);
        if (found.ok) expect(found.readingsV.every(Number.isFinite)).toBe(true);
        else expect(found.reason.length).toBeGreaterThan(10);
      }),
    );
  });
});
