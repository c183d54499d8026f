import { Matrix, solve } from 'ml-matrix';
import type { Element, Network } from '../netlist';

/**
 * Second opinion for constant-power loads: full nodal Newton on a dense matrix from the no-load solution upward in small load
 * steps, no reduction, no ports. Slow and obvious. Null when it stops converging before the whole load.
 */
export function denseLoadFlow(network: Network, factor = 1): Map<string, number> | null {
  const nodes = [...new Set(network.elements.flatMap((element) => [element.a, element.b]))].filter(
    (node) => node !== network.ground,
  );
  const index = new Map(nodes.map((node, i) => [node, i]));
  let v = Matrix.zeros(nodes.length, 1);
  const across = (element: Element) =>
    (index.has(element.a) ? v.get(index.get(element.a)!, 0) : 0) -
    (index.has(element.b) ? v.get(index.get(element.b)!, 0) : 0);
  for (const share of [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 1]) {
    let settled = false;
    for (let round = 0; round < 60 && !settled; round++) {
      const g = Matrix.zeros(nodes.length, nodes.length);
      const rhs = Matrix.zeros(nodes.length, 1);
      const stamp = (element: Element, conductance: number, sourceA: number) => {
        const a = index.get(element.a);
        const b = index.get(element.b);
        const put = (row: number | undefined, column: number | undefined, value: number) => {
          if (row !== undefined && column !== undefined) g.set(row, column, g.get(row, column) + value);
        };
        put(a, a, conductance);
        put(b, b, conductance);
        put(a, b, -conductance);
        put(b, a, -conductance);
        if (a !== undefined) rhs.set(a, 0, rhs.get(a, 0) + sourceA);
        if (b !== undefined) rhs.set(b, 0, rhs.get(b, 0) - sourceA);
      };
      for (const element of network.elements) {
        if (element.kind === 'resistor') stamp(element, 1 / element.resistanceOhm, 0);
        if (element.kind === 'source')
          stamp(element, 1 / (element.resistanceOhm ?? 1e-9), element.voltageV / (element.resistanceOhm ?? 1e-9));
        if (element.kind === 'power' && share > 0) {
          const u = across(element);
          const power = element.powerW * (element.powerW > 0 ? share * factor : share);
          // i = P/u linearised: slope −P/u², intercept 2P/u.
          stamp(element, -power / (u * u), (-2 * power) / u);
        }
      }
      const next = solve(g, rhs);
      const moved = Matrix.sub(next, v).norm();
      v = next;
      settled = moved < 1e-10 * (1 + v.norm());
    }
    if (!settled) return null;
  }
  return new Map([[network.ground, 0], ...nodes.map((node, i) => [node, v.get(i, 0)] as const)]);
}
