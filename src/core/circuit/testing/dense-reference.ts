import { Matrix, solve } from 'ml-matrix';
import type { Element, Network } from '../netlist';

/**
 * Second opinion for tests: a plain dense nodal analysis of resistors, real sources and closed switches, every one a
 * conductance, solved by a library. Slow and obvious.
 */
export function denseNodeVoltages(network: Network): Map<string, number> {
  const nodes = [...new Set(network.elements.flatMap((element) => [element.a, element.b]))].filter(
    (node) => node !== network.ground,
  );
  const index = new Map(nodes.map((node, i) => [node, i]));
  const g = Matrix.zeros(nodes.length, nodes.length);
  const i = Matrix.zeros(nodes.length, 1);
  const add = (row: number | undefined, column: number | undefined, value: number) => {
    if (row !== undefined && column !== undefined) g.set(row, column, g.get(row, column) + value);
  };
  for (const element of network.elements) {
    const ohm = resistanceOf(element);
    if (ohm === undefined) continue;
    const a = index.get(element.a);
    const b = index.get(element.b);
    add(a, a, 1 / ohm);
    add(b, b, 1 / ohm);
    add(a, b, -1 / ohm);
    add(b, a, -1 / ohm);
    if (element.kind === 'source') {
      if (a !== undefined) i.set(a, 0, i.get(a, 0) + element.voltageV / ohm);
      if (b !== undefined) i.set(b, 0, i.get(b, 0) - element.voltageV / ohm);
    }
  }
  const v = solve(g, i);
  return new Map([[network.ground, 0], ...nodes.map((node, k) => [node, v.get(k, 0)] as const)]);
}

function resistanceOf(element: Element): number | undefined {
  if (element.kind === 'resistor' || element.kind === 'source') return element.resistanceOhm;
  return element.kind === 'switch' && element.closed ? element.resistanceOhm : undefined;
}
