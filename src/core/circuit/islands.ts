import type { Capacitor, Element, NodeName } from './netlist';
import { solveSmall } from './ports';
import type { SolvedPoint } from './solved-point';

/**
 * Islands that only capacitors tie to the rest have no direct-current potential of their own. Charge decides: each keeps
 * the charge of its capacitors' initial voltages (none by default), so that a floating body sits where its capacitances put it.
 * Volts to add to every node of an island, by its reference; the island of `ground` has 0.
 */
export function islandOffsets(
  elements: readonly Element[],
  point: SolvedPoint,
  ground: NodeName,
): Map<NodeName, number> {
  const tied = elements.filter(
    (element): element is Capacitor =>
      element.kind === 'capacitor' && point.referenceOf.get(element.a) !== point.referenceOf.get(element.b),
  );
  const islands = [...new Set(tied.flatMap(({ a, b }) => [point.referenceOf.get(a)!, point.referenceOf.get(b)!]))];
  const grounded = islands.includes(ground);
  // Without a tie to ground one island of the group stays where it is.
  const free = islands.filter((island) => island !== ground).slice(grounded ? 0 : 1);
  const index = new Map(free.map((island, k) => [island, k]));
  const matrix = free.map(() => free.map(() => 0));
  const charge = free.map(() => 0);
  for (const capacitor of tied) {
    const { capacitanceF } = capacitor;
    const i = index.get(point.referenceOf.get(capacitor.a)!);
    const j = index.get(point.referenceOf.get(capacitor.b)!);
    const own =
      point.nodeVoltagesV.get(capacitor.a)! - point.nodeVoltagesV.get(capacitor.b)! - (capacitor.initialVoltageV ?? 0);
    for (const [here, there, sign] of [
      [i, j, 1],
      [j, i, -1],
    ] as const) {
      if (here === undefined) continue;
      matrix[here]![here]! += capacitanceF;
      if (there !== undefined) matrix[here]![there]! -= capacitanceF;
      charge[here]! -= sign * capacitanceF * own;
    }
  }
  const solvable = free.length > 0 && solveSmall(matrix, charge) !== 0;
  return new Map(free.map((island, k) => [island, solvable && Number.isFinite(charge[k]!) ? charge[k]! : 0]));
}
