import type { Element, NodeName } from './netlist';

type Branch = Extract<Element, { kind: 'resistor' | 'source' | 'switch' }>;

const isBranch = (element: Element): element is Branch =>
  element.kind === 'resistor' || element.kind === 'source' || (element.kind === 'switch' && element.closed);
/** Voltage from a to b at no current. */
const emf = (branch: Branch): number => (branch.kind === 'source' ? branch.voltageV : 0);
const ohm = (branch: Branch): number => branch.resistanceOhm ?? 0;
const otherEnd = (element: Element, node: NodeName): NodeName => (element.a === node ? element.b : element.a);

/**
 * A smaller network with the same behaviour at the nodes that stay: chains of resistances, real sources and closed switches become one
 * element, dead ends go, open switches go. `keep` names elements and nodes that must stay as they are. The collapsed
 * element carries the id of its first member; currents of the others equal its own. A capacitor behind a resistance with a time
 * constant below `quickS` (seconds, well under what is asked of the transient) is put in front of it; capacitors side by side add up.
 */
export function collapseChains(elements: readonly Element[], keep: ReadonlySet<string>, quickS = 0): Element[] {
  const at = new Map<NodeName, Set<Element>>();
  const alive = new Set<Element>();
  const add = (element: Element) => {
    alive.add(element);
    for (const node of [element.a, element.b]) {
      const here = at.get(node);
      if (here) here.add(element);
      else at.set(node, new Set([element]));
    }
  };
  const drop = (element: Element) => {
    alive.delete(element);
    at.get(element.a)!.delete(element);
    at.get(element.b)!.delete(element);
  };
  for (const element of elements) if (element.kind !== 'switch' || element.closed || keep.has(element.id)) add(element);
  const queue = [...at.keys()];
  for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
    if (keep.has(node)) continue;
    const around = at.get(node)!;
    if (around.size > 2) continue;
    const here = [...around];
    if (here.some((element) => keep.has(element.id))) continue;
    const moved = here.length === 2 ? quickCapacitor(here, node, quickS) : null;
    if (moved) {
      for (const element of here) drop(element);
      add(moved);
      queue.push(moved.a, moved.b);
      continue;
    }
    if (!here.every(isBranch)) continue;
    if (here.length === 1) {
      drop(here[0]!);
      queue.push(otherEnd(here[0]!, node));
    } else if (here.length === 2) {
      const [p, q] = here as [Branch, Branch];
      const a = otherEnd(p, node);
      const b = otherEnd(q, node);
      if (a === b) continue;
      const voltageV = emf(p) * (p.a === a ? 1 : -1) + emf(q) * (q.b === b ? 1 : -1);
      const resistanceOhm = ohm(p) + ohm(q);
      drop(p);
      drop(q);
      const isSource = p.kind === 'source' || q.kind === 'source';
      add(
        isSource
          ? { id: p.id, kind: 'source', a, b, voltageV, resistanceOhm }
          : { id: p.id, kind: 'resistor', a, b, resistanceOhm },
      );
      queue.push(a, b);
    }
  }
  return mergeCapacitors([...alive], keep);
}

/** The capacitor of a node that holds just it and a small resistance, moved to the resistance's other end. */
function quickCapacitor(here: readonly Element[], node: NodeName, quickS: number): Element | null {
  const capacitor = here.find((element) => element.kind === 'capacitor');
  const branch = here.find((element) => element.kind === 'resistor' || (element.kind === 'switch' && element.closed));
  if (
    capacitor?.kind !== 'capacitor' ||
    !branch ||
    !isBranch(branch) ||
    !(ohm(branch) * capacitor.capacitanceF < quickS)
  )
    return null;
  const to = otherEnd(branch, node);
  if (to === otherEnd(capacitor, node)) return null;
  return capacitor.a === node ? { ...capacitor, a: to } : { ...capacitor, b: to };
}

/** Capacitors between the same nodes at the same voltage become one, under the first one's id. */
function mergeCapacitors(elements: readonly Element[], keep: ReadonlySet<string>): Element[] {
  const merged = new Map<string, number>();
  const out: Element[] = [];
  for (const element of elements) {
    if (element.kind !== 'capacitor' || keep.has(element.id)) {
      out.push(element);
      continue;
    }
    const key = JSON.stringify([element.a, element.b, element.initialVoltageV ?? 0]);
    const known = merged.get(key);
    const first = known === undefined ? undefined : out[known];
    if (first?.kind === 'capacitor')
      out[known!] = { ...first, capacitanceF: first.capacitanceF + element.capacitanceF };
    else {
      merged.set(key, out.length);
      out.push(element);
    }
  }
  return out;
}
