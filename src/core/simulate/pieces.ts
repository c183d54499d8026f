import type { Id } from '../build';
import type { Resolved, ResolvedConductor } from '../vehicle';

/** What current passes without meeting a fuse, cells or a load. */
const PASSES: ReadonlySet<string> = new Set(['contactor', 'disconnect', 'sensor']);

/** A piece of the circuit that is one in a short: no fuse and no cells in it, everything that can be closed is. */
export interface Piece {
  readonly nodes: readonly string[];
  readonly conductors: readonly ResolvedConductor[];
}

export interface Pieces {
  readonly all: readonly Piece[];
  readonly at: (node: string) => Piece;
  /** Two pieces with only cells between them: a short from one to the other meets no fuse. */
  readonly unfused: (p: Piece, q: Piece) => boolean;
  /** Pieces by the cells that join them without a fuse, with the boxes of each such group. */
  readonly groups: readonly { readonly boxIds: readonly Id[]; readonly pieces: readonly Piece[] }[];
}

class Union {
  private readonly parent = new Map<string, string>();
  find(node: string): string {
    let root = node;
    for (let up = this.parent.get(root); up !== undefined && up !== root; up = this.parent.get(root)) root = up;
    if (root !== node) this.parent.set(node, root);
    return root;
  }
  join(a: string, b: string): void {
    this.parent.set(this.find(a), this.find(b));
  }
}

/** The high-voltage circuit in pieces. */
export function piecesOf(vehicle: Resolved): Pieces {
  const union = new Union();
  for (const { nodeA, nodeB } of vehicle.conductors) union.join(nodeA, nodeB);
  for (const { id, device } of vehicle.devices) if (PASSES.has(device.kind)) union.join(`${id}.a`, `${id}.b`);
  const byRoot = new Map<string, { nodes: Set<string>; conductors: ResolvedConductor[] }>();
  const pieceAt = (node: string) => {
    const root = union.find(node);
    const known = byRoot.get(root) ?? { nodes: new Set<string>(), conductors: [] };
    byRoot.set(root, known);
    known.nodes.add(node);
    return known;
  };
  for (const conductor of vehicle.conductors) {
    pieceAt(conductor.nodeA).conductors.push(conductor);
    pieceAt(conductor.nodeB);
  }
  const boxes = vehicle.devices.filter(({ device, part }) => device.kind === 'box' && part !== null);
  for (const { id } of boxes) for (const end of ['plus', 'minus']) pieceAt(`${id}.${end}`);
  const pieces = new Map([...byRoot].map(([root, { nodes, conductors }]) => [root, { nodes: [...nodes], conductors }]));
  const at = (node: string): Piece => pieces.get(union.find(node)) ?? { nodes: [node], conductors: [] };
  const cells = new Union();
  for (const { id } of boxes) cells.join(union.find(`${id}.plus`), union.find(`${id}.minus`));
  const rootOf = new Map([...pieces].map(([root, piece]) => [piece as Piece, root]));
  const groupOf = (piece: Piece): string | null => {
    const root = rootOf.get(piece);
    return root === undefined ? null : cells.find(root);
  };
  const groups = new Map<string, { boxIds: Id[]; pieces: Set<Piece> }>();
  for (const { id } of boxes) {
    const key = groupOf(at(`${id}.plus`))!;
    const known = groups.get(key) ?? { boxIds: [], pieces: new Set<Piece>() };
    groups.set(key, known);
    known.boxIds.push(id);
    for (const end of ['plus', 'minus']) known.pieces.add(at(`${id}.${end}`));
  }
  return {
    all: [...pieces.values()],
    at,
    unfused: (p, q) => {
      const group = groupOf(p);
      return group !== null && group === groupOf(q);
    },
    groups: [...groups.values()].map(({ boxIds, pieces: own }) => ({ boxIds, pieces: [...own] })),
  };
}
