import {
  Follows,
  type LowVoltage,
  type LowWiring,
  lowProtecting,
  lowVoltage,
  lowWiring,
  type ResolvedConductor,
  type Vehicle,
} from '../../vehicle';

/**
 * Wires that each fuse has to save: downstream until the next fuse or the load, and the returns and straps that carry nothing but what it
 * lets through.
 */
export const wiresOf = (vehicle: Vehicle): ReadonlyMap<string, readonly ResolvedConductor[]> =>
  behindFuses.get(lowWiring(vehicle), () => findWires(vehicle));

const behindFuses = new Follows<LowWiring, ReadonlyMap<string, readonly ResolvedConductor[]>>();

function findWires(vehicle: Vehicle): ReadonlyMap<string, readonly ResolvedConductor[]> {
  const { lv } = lowVoltage(vehicle);
  const sources = new Set<string>([
    ...lv.devices.filter(({ device }) => device.kind === 'auxiliary-battery').map(({ id }) => `${id}.plus`),
    ...lowVoltage(vehicle).converters.map(({ id }) => `${id}.lvPlus`),
  ]);
  const pieceAt = piecesOf(lv, sources);
  const fuses = lv.devices.filter(({ device }) => device.kind === 'lv-fuse');
  const across = new Map<Piece, { readonly id: string; readonly to: Piece }[]>();
  for (const { id } of fuses) {
    const [p, q] = [pieceAt(`${id}.a`), pieceAt(`${id}.b`)];
    for (const [from, to] of [
      [p, q],
      [q, p],
    ] as const)
      across.set(from, [...(across.get(from) ?? []), { id, to }]);
  }
  /** Any source reached from a piece through every fuse but one. */
  const fedWithout = (from: Piece, fuseId: string): boolean => {
    const seen = new Set([from]);
    for (const piece of seen) {
      if (piece.fed) return true;
      for (const { id, to } of across.get(piece) ?? []) if (id !== fuseId) seen.add(to);
    }
    return false;
  };
  const protecting = lowProtecting(vehicle);
  const returns = new Map<string, ResolvedConductor[]>();
  for (const wire of lv.conductors) {
    const fuse = protecting.get(wire.id);
    if (fuse !== undefined) returns.set(fuse, [...(returns.get(fuse) ?? []), wire]);
  }
  const result = new Map<string, readonly ResolvedConductor[]>();
  for (const { id } of fuses) {
    const sides = [pieceAt(`${id}.a`), pieceAt(`${id}.b`)] as const;
    // Its own source is the one on a side with no fuse between; else the side from which any source is reached.
    const own = sides.findIndex((side) => side.fed);
    const behind = own >= 0 ? sides[1 - own]! : (sides.find((side) => !fedWithout(side, id)) ?? sides[1]);
    result.set(id, [...new Set([...behind.wires, ...(returns.get(id) ?? [])])]);
  }
  return result;
}

/** What hangs together without a fuse between. */
interface Piece {
  readonly nodes: ReadonlySet<string>;
  readonly wires: readonly ResolvedConductor[];
  /** A source feeds it. */
  readonly fed: boolean;
}

/** Between fuses every node reaches the same: each piece is looked through once. */
function piecesOf(lv: Lv, sources: ReadonlySet<string>): (node: string) => Piece {
  const byNode = byNodeOf(lv);
  const pieces = new Map<string, Piece>();
  return (node) => {
    const known = pieces.get(node);
    if (known) return known;
    const found = reach(byNode, lv, node);
    const piece = { ...found, fed: [...found.nodes].some((one) => sources.has(one)) };
    for (const one of found.nodes) pieces.set(one, piece);
    return piece;
  };
}

/** Wires on one side of a fuse, through switches and relays until the next fuse, load or earth. */
export const wiresBeside = (vehicle: Vehicle, fuseId: string, terminal: 'a' | 'b'): readonly ResolvedConductor[] => {
  const { lv } = lowVoltage(vehicle);
  return reach(byNodeOf(lv), lv, `${fuseId}.${terminal}`).wires;
};

/** Everything whose smallest fuse this is, taken off every source by it alone: feed and return alike. */
export function returnsOf(vehicle: Vehicle, fuseId: string): readonly ResolvedConductor[] {
  const protecting = lowProtecting(vehicle);
  return lowVoltage(vehicle).lv.conductors.filter(({ id }) => protecting.get(id) === fuseId);
}

type Lv = LowVoltage['lv'];
const byNodes = new Follows<Lv, ReadonlyMap<string, readonly ResolvedConductor[]>>();

const byNodeOf = (lv: Lv): ReadonlyMap<string, readonly ResolvedConductor[]> => byNodes.get(lv, () => sortByNode(lv));

function sortByNode(lv: Lv): ReadonlyMap<string, readonly ResolvedConductor[]> {
  const made = new Map<string, ResolvedConductor[]>();
  for (const conductor of lv.conductors)
    for (const node of [conductor.nodeA, conductor.nodeB]) {
      const list = made.get(node);
      if (list) list.push(conductor);
      else made.set(node, [conductor]);
    }
  return made;
}

function reach(
  byNode: ReadonlyMap<string, readonly ResolvedConductor[]>,
  lv: ReturnType<typeof lowVoltage>['lv'],
  start: string,
): Omit<Piece, 'fed'> {
  const nodes = new Set([start]);
  const wires = new Set<ResolvedConductor>();
  const queue = [start];
  while (queue.length > 0) {
    const node = queue.pop()!;
    for (const wire of byNode.get(node) ?? []) {
      wires.add(wire);
      for (const next of [wire.nodeA, wire.nodeB])
        if (!nodes.has(next)) {
          nodes.add(next);
          queue.push(next);
        }
    }
    const id = node.slice(0, node.lastIndexOf('.'));
    const kind = lv.deviceOf.get(id)?.device.kind;
    // Through the contacts of switches and relays it goes on; a relay's coil, a fuse, a load or the earth ends it.
    const passes = kind === 'relay' || kind === 'lv-switch';
    const contact = node.endsWith('.a') || node.endsWith('.b');
    if (!passes || !contact) continue;
    for (const terminal of ['a', 'b']) {
      const next = `${id}.${terminal}`;
      if (!nodes.has(next)) {
        nodes.add(next);
        queue.push(next);
      }
    }
  }
  return { nodes, wires: [...wires] };
}
