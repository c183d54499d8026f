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

/** The circuit as numbered nodes and edges: looked through once for each fuse, so it is built once. */
class Loops {
  private readonly ends: readonly (readonly [number, number])[];
  private readonly source: readonly boolean[];
  /** Edges at each node. */
  private readonly at: readonly (readonly number[])[];

  constructor(edges: readonly Edge[]) {
    const number = new Map<string, number>();
    const nodeNumber = (node: string): number => {
      const known = number.get(node) ?? number.size;
      number.set(node, known);
      return known;
    };
    this.ends = edges.map(({ a, b }) => [nodeNumber(a), nodeNumber(b)] as const);
    this.source = edges.map((edge) => edge.source);
    const at: number[][] = Array.from({ length: number.size }, () => []);
    this.ends.forEach(([a, b], edge) => {
      at[a]!.push(edge);
      at[b]!.push(edge);
    });
    this.at = at;
  }

  /** 1 for each edge that shares a loop with a source when `without` is taken out: it can still be fed. Biconnected components (Hopcroft and Tarjan 1973). */
  fed(without: number): Uint8Array {
    const { ends, source, at } = this;
    const fed = new Uint8Array(ends.length);
    const used = new Uint8Array(ends.length);
    if (without >= 0) used[without] = 1;
    const order = new Int32Array(at.length).fill(-1);
    const low = new Int32Array(at.length);
    const next = new Int32Array(at.length);
    const open: number[] = [];
    let count = 0;
    const close = (until: number) => {
      const from = open.lastIndexOf(until);
      const block = open.splice(from);
      if (block.length > 1 && block.some((edge) => source[edge])) for (const edge of block) fed[edge] = 1;
    };
    for (let start = 0; start < at.length; start++) {
      if (order[start]! >= 0) continue;
      order[start] = low[start] = count++;
      const path = [start];
      const by = [-1];
      while (path.length > 0) {
        const here = path[path.length - 1]!;
        const edge = at[here]![next[here]!++];
        if (edge !== undefined) {
          if (used[edge]) continue;
          used[edge] = 1;
          open.push(edge);
          const [a, b] = ends[edge]!;
          const other = a === here ? b : a;
          if (order[other]! < 0) {
            order[other] = low[other] = count++;
            path.push(other);
            by.push(edge);
          } else low[here] = Math.min(low[here]!, order[other]!);
          continue;
        }
        path.pop();
        const entry = by.pop()!;
        const parent = path[path.length - 1];
        if (parent === undefined) continue;
        low[parent] = Math.min(low[parent]!, low[here]!);
        if (low[here]! >= order[parent]!) close(entry);
      }
    }
    return fed;
  }
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
  const loops = new Loops(edges);
  const numberOf = new Map(edges.map((edge, i) => [edge.id, i]));
  const conductors = resolved.conductors.map(({ id }) => ({ id, edge: numberOf.get(id)! }));
  const normally = loops.fed(-1);
  const of = new Map<Id, Id[]>(conductors.map(({ id }) => [id, []]));
  for (const { id, device } of resolved.devices) {
    if (device.kind !== kind) continue;
    const still = loops.fed(numberOf.get(id)!);
    for (const conductor of conductors)
      if (normally[conductor.edge] && !still[conductor.edge]) of.get(conductor.id)!.push(id);
  }
  return {
    of,
    unfed: new Set(conductors.filter(({ edge }) => !normally[edge]).map(({ id }) => id)),
  };
}
