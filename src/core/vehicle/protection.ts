import { type Id, TERMINALS } from '../build';
import { Memo } from './memo';
import type { Resolved } from './resolve';
import { nodeOf } from './stamp';
import { topologyKey } from './topology-key';

interface Edge {
  readonly id: Id;
  readonly a: string;
  readonly b: string;
  readonly source: boolean;
}

function edgesOf(resolved: Resolved): Edge[] {
  const edges: Edge[] = [];
  for (const { id, device } of resolved.devices) {
    const terminals = Object.entries(TERMINALS[device.kind])
      .filter(([, circuit]) => circuit === 'hv')
      .map(([terminal]) => terminal);
    if (terminals.length >= 2)
      edges.push({ id, a: `${id}.${terminals[0]}`, b: `${id}.${terminals[1]}`, source: device.kind === 'box' });
  }
  for (const { id, conductor } of resolved.conductors)
    edges.push({ id, a: nodeOf(conductor.a), b: nodeOf(conductor.b), source: false });
  return edges;
}

export interface Protection {
  /** For each conductor the devices whose opening takes it off every source. */
  readonly of: ReadonlyMap<Id, readonly Id[]>;
  /** Conductors that no source can feed. */
  readonly unfed: ReadonlySet<Id>;
}

/** Edges that share a loop with a source when `without` is taken out: they can still be fed. Biconnected components (Hopcroft and Tarjan 1973). */
function fedEdges(edges: readonly Edge[], without: Id | null): Set<Id> {
  const at = new Map<string, Edge[]>();
  for (const edge of edges) {
    if (edge.id === without) continue;
    for (const node of [edge.a, edge.b]) {
      const here = at.get(node);
      if (here) here.push(edge);
      else at.set(node, [edge]);
    }
  }
  const order = new Map<string, number>();
  const low = new Map<string, number>();
  const fed = new Set<Id>();
  const stack: Edge[] = [];
  const used = new Set<Id>();
  const close = (until: Edge) => {
    const block: Edge[] = [];
    for (let edge = stack.pop(); edge; edge = stack.pop()) {
      block.push(edge);
      if (edge === until) break;
    }
    if (block.length > 1 && block.some((edge) => edge.source)) for (const edge of block) fed.add(edge.id);
  };
  for (const start of at.keys()) {
    if (order.has(start)) continue;
    order.set(start, order.size);
    low.set(start, order.get(start)!);
    const path: { node: string; next: number; by: Edge | null }[] = [{ node: start, next: 0, by: null }];
    while (path.length > 0) {
      const here = path.at(-1)!;
      const edge = (at.get(here.node) ?? [])[here.next++];
      if (edge) {
        if (used.has(edge.id)) continue;
        used.add(edge.id);
        stack.push(edge);
        const other = edge.a === here.node ? edge.b : edge.a;
        const seen = order.get(other);
        if (seen === undefined) {
          order.set(other, order.size);
          low.set(other, order.get(other)!);
          path.push({ node: other, next: 0, by: edge });
        } else low.set(here.node, Math.min(low.get(here.node)!, seen));
        continue;
      }
      path.pop();
      const parent = path.at(-1);
      if (!parent || !here.by) continue;
      low.set(parent.node, Math.min(low.get(parent.node)!, low.get(here.node)!));
      if (low.get(here.node)! >= order.get(parent.node)!) close(here.by);
    }
  }
  return fed;
}

/**
 * For each conductor the series devices of `kind` that take it off every source when they open: its fuses, or the resistors that limit
 * its current. A conductor that no source can feed has an empty list and is listed in `unfed`.
 */
export function protectingFuses(resolved: Resolved, kind: 'fuse' | 'precharge-resistor'): Protection {
  // Only the topology counts: lengths, parts and powers may change without looking again.
  return found[kind].get(topologyKey(resolved), () => findProtection(resolved, edgesOf(resolved), kind));
}

const found = { fuse: new Memo<Protection>(12), 'precharge-resistor': new Memo<Protection>(12) };

function findProtection(resolved: Resolved, edges: readonly Edge[], kind: 'fuse' | 'precharge-resistor'): Protection {
  const normally = fedEdges(edges, null);
  const of = new Map<Id, Id[]>(resolved.conductors.map((conductor) => [conductor.id, []]));
  for (const { id, device } of resolved.devices) {
    if (device.kind !== kind) continue;
    const still = fedEdges(edges, id);
    for (const conductor of resolved.conductors)
      if (normally.has(conductor.id) && !still.has(conductor.id)) of.get(conductor.id)!.push(id);
  }
  return {
    of,
    unfed: new Set(
      resolved.conductors.filter((conductor) => !normally.has(conductor.id)).map((conductor) => conductor.id),
    ),
  };
}
