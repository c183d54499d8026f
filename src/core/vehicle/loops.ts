import { type Conductor, type Device, type Id, TERMINALS } from '../build';
import { nodeOf } from './node';

export interface Edge {
  readonly id: Id;
  readonly a: string;
  readonly b: string;
  readonly source: boolean;
}

/** What is joined to what: a resolved circuit, or one of the document. */
export interface Wired {
  readonly devices: readonly { readonly id: Id; readonly device: Device }[];
  readonly conductors: readonly { readonly id: Id; readonly conductor: Conductor }[];
}

/** Devices with two terminals and conductors as edges; what a source is, a box. */
export function edgesOf(resolved: Wired): Edge[] {
  const edges: Edge[] = [];
  for (const { id, device } of resolved.devices) {
    const terminals = Object.entries(TERMINALS[device.kind])
      .filter(([, circuit]) => circuit === 'hv')
      .map(([terminal]) => terminal);
    if (terminals.length >= 2)
      edges.push({ id, a: `${id}.${terminals[0]}`, b: `${id}.${terminals[1]}`, source: device.kind === 'box' });
  }
  // The body is one piece of metal, wherever a wire meets it.
  const body = resolved.devices.filter(({ device }) => device.kind === 'chassis');
  for (const { id } of body.slice(1)) edges.push({ id, a: `${body[0]!.id}.n`, b: `${id}.n`, source: false });
  for (const { id, conductor } of resolved.conductors)
    edges.push({ id, a: nodeOf(conductor.a), b: nodeOf(conductor.b), source: false });
  return edges;
}

/** The circuit as numbered nodes and edges: looked through many times, so it is built once. */
export class Loops {
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

  /** 1 for each edge that shares a loop with a source when `without` are taken out: it can still be fed. Biconnected components (Hopcroft and Tarjan 1973). */
  fed(without: readonly number[] = []): Uint8Array {
    const { ends, source, at } = this;
    const fed = new Uint8Array(ends.length);
    const used = new Uint8Array(ends.length);
    for (const edge of without) used[edge] = 1;
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
