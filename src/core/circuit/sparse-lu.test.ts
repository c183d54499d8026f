import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { expect, test } from 'vitest';
import { SingularMatrixError, SparseLu } from './sparse-lu';

/** Sparse, unsymmetric, well off singular: a random pattern on top of a permuted dominant diagonal. */
const systems = fc
  .record({
    n: fc.integer({ min: 1, max: 25 }),
    shift: fc.nat(24),
    entries: fc.array(fc.tuple(fc.nat(24), fc.nat(24), fc.double({ min: -1, max: 1, noNaN: true })), { maxLength: 60 }),
    rhs: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 25, maxLength: 25 }),
  })
  .map(({ n, shift, entries, rhs }) => {
    const rows: number[] = [];
    const columns: number[] = [];
    const values: number[] = [];
    for (let i = 0; i < n; i++) {
      rows.push(i);
      columns.push((i + shift) % n);
      values.push(5 + (i % 3));
    }
    for (const [row, column, value] of entries) {
      rows.push(row % n);
      columns.push(column % n);
      values.push(value * 0.05);
    }
    return { n, rows, columns, values, rhs: rhs.slice(0, n) };
  });

const dense = (n: number, rows: readonly number[], columns: readonly number[], values: readonly number[]) => {
  const matrix = Matrix.zeros(n, n);
  rows.forEach((row, i) => {
    matrix.set(row, columns[i]!, matrix.get(row, columns[i]!) + values[i]!);
  });
  return matrix;
};

test('solutions agree with a dense library, also when values change under the same pattern', () => {
  fc.assert(
    fc.property(systems, fc.double({ min: 0.2, max: 5, noNaN: true }), ({ n, rows, columns, values, rhs }, times) => {
      const lu = new SparseLu(n, rows, columns);
      const out = new Float64Array(n);
      for (const scale of [1, times]) {
        const scaled = values.map((value, i) => (i % 2 ? value * scale : value));
        lu.factor(scaled);
        lu.solve(Float64Array.from(rhs), out);
        const expected = solve(dense(n, rows, columns, scaled), Matrix.columnVector(rhs));
        for (let i = 0; i < n; i++)
          expect(Math.abs(out[i]! - expected.get(i, 0))).toBeLessThan(1e-9 * (1 + Math.abs(expected.get(i, 0))));
      }
    }),
    { seed: 71, numRuns: 300 },
  );
});

test('a pivot that becomes zero under new values is chosen anew instead of dividing by it', () => {
  const lu = new SparseLu(2, [0, 0, 1, 1], [0, 1, 0, 1]);
  lu.factor([4, 1, 1, 3]);
  lu.factor([0, 1, 1, 0]);
  const out = new Float64Array(2);
  lu.solve(Float64Array.from([7, 9]), out);
  expect([...out]).toEqual([9, 7]);
});

test('a singular matrix is an error that names the row, not a number', () => {
  const lu = new SparseLu(3, [0, 0, 1, 1, 2], [0, 1, 0, 1, 2]);
  expect(() => lu.factor([1, 2, 2, 4, 1])).toThrow(SingularMatrixError);
  expect(() => new SparseLu(2, [0, 1], [0, 0]).factor([1, 1])).toThrow(SingularMatrixError);
});

test('a nearly floating part is told from a well-tied one by its relative pivot', () => {
  // Two nodes joined by 1e4 S and tied to ground by 1e-13 S: lost in rounding. By 1e-3 S: fine.
  const rows = [0, 0, 1, 1];
  const columns = [0, 1, 0, 1];
  expect(() => new SparseLu(2, rows, columns).factor([1e4, -1e4, -1e4, 1e4 + 1e-13])).toThrow(SingularMatrixError);
  const lu = new SparseLu(2, rows, columns);
  lu.factor([1e4, -1e4, -1e4, 1e4 + 1e-3]);
  const out = new Float64Array(2);
  lu.solve(Float64Array.from([0, 1]), out);
  expect(out[1]! / 1000).toBeCloseTo(1, 6);
});
