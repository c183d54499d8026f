import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { expect, test } from 'vitest';
import { SingularMatrixError } from './sparse-lu';
import { StarMesh } from './star-mesh';

/** Every node hangs on one before it or on the reference; some more links go anywhere. */
const networks = fc
  .record({
    parents: fc.array(fc.nat(), { minLength: 1, maxLength: 20 }),
    siemens: fc.array(fc.double({ min: 0.01, max: 100, noNaN: true }), { minLength: 45, maxLength: 45 }),
    more: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 25 }),
    currents: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 20, maxLength: 20 }),
  })
  .map(({ parents, siemens, more, currents }) => {
    const n = parents.length;
    const ends = [
      ...parents.map((parent, node) => [node, (parent % (node + 1)) - 1] as const),
      ...more.map(([p, q]) => [p % n, (q % (n + 1)) - 1] as const).filter(([p, q]) => p !== q),
    ];
    return { n, branches: ends.map(([a, b], k) => ({ a, b, siemens: siemens[k]! })), currents: currents.slice(0, n) };
  });

const meshOf = (n: number, branches: readonly { a: number; b: number; siemens: number }[]) => {
  const down = new Float64Array(n);
  for (const { a, b, siemens } of branches) if (b < 0) down[a]! += siemens;
  return new StarMesh(
    n,
    down,
    branches.filter(({ b }) => b >= 0),
  );
};

test('voltages agree with a dense library solving the nodal equations', () => {
  fc.assert(
    fc.property(networks, ({ n, branches, currents }) => {
      const matrix = Matrix.zeros(n, n);
      const put = (i: number, j: number, v: number) => matrix.set(i, j, matrix.get(i, j) + v);
      for (const { a, b, siemens } of branches) {
        put(a, a, siemens);
        if (b >= 0) {
          put(b, b, siemens);
          put(a, b, -siemens);
          put(b, a, -siemens);
        }
      }
      const expected = solve(matrix, Matrix.columnVector(currents));
      const x = Float64Array.from(currents);
      meshOf(n, branches).solve(x);
      for (let i = 0; i < n; i++)
        expect(Math.abs(x[i]! - expected.get(i, 0))).toBeLessThan(1e-8 * (1 + Math.abs(expected.get(i, 0))));
    }),
    { seed: 72, numRuns: 300 },
  );
});

test('a joint of a nano-ohm at the end of ten giga-ohm loses no digit (Ohm, by hand)', () => {
  const x = Float64Array.from([0, 1e-9]);
  meshOf(2, [
    { a: 0, b: -1, siemens: 1e-10 },
    { a: 1, b: 0, siemens: 1e9 },
  ]).solve(x);
  expect(x[0]).toBeCloseTo(10, 12);
  expect(x[1]).toBeCloseTo(10, 12);
});

test('nodes that nothing joins to the reference are refused', () => {
  expect(() => meshOf(2, [{ a: 0, b: -1, siemens: 1 }])).toThrow(SingularMatrixError);
});
