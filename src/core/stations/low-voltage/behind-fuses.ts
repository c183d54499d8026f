import { type LowVoltage, lowProtecting, lowVoltage, type ResolvedConductor, type Vehicle } from '../../vehicle';

/**
 * Wires that each fuse has to save: downstream until the next fuse or the load, and the returns and straps that carry nothing but what it
 * lets through.
 */
export function wiresOf(vehicle: Vehicle): ReadonlyMap<string, readonly ResolvedConductor[]> {
  const low = lowVoltage(vehicle);
  const found = behindFuses.get(low) ?? findWires(vehicle);
  behindFuses.set(low, found);
  return found;
}

const behindFuses = new WeakMap<LowVoltage, ReadonlyMap<string, readonly ResolvedConductor[]>>();

function findWires(vehicle: Vehicle): ReadonlyMap<string, readonly ResolvedConductor[]> {
  const { lv } = lowVoltage(vehicle);
  const sources = new Set<string>([
    ...lv.devices.filter(({ device }) => device.kind === 'auxiliary-battery').map(({ id }) => `${id}.plus`),
    ...lowVoltage(vehicle).converters.map(({ id }) => `${id}.lvPlus`),
  ]);
  const byNode = byNodeOf(lv);
  const result = new Map<string, readonly ResolvedConductor[]>();
  for (const fuse of lv.devices.filter(({ device }) => device.kind === 'lv-fuse')) {
    const sides = (['a', 'b'] as const).map((terminal) => ({
      near: reach(byNode, lv, `${fuse.id}.${terminal}`, fuse.id, false),
      far: reach(byNode, lv, `${fuse.id}.${terminal}`, fuse.id, true),
    }));
    const fed = (nodes: ReadonlySet<string>) => [...nodes].some((node) => sources.has(node));
    // Its own source is the one on a side with no fuse between; else the side from which any source is reached.
    const own = sides.findIndex(({ near }) => fed(near.nodes));
    const behind = own >= 0 ? sides[1 - own]! : (sides.find(({ far }) => !fed(far.nodes)) ?? sides[1]!);
    result.set(fuse.id, [...new Set([...behind.near.wires, ...returnsOf(vehicle, fuse.id)])]);
  }
  return result;
}

/** Wires on one side of a fuse, through switches and relays until the next fuse, load or earth. */
export const wiresBeside = (vehicle: Vehicle, fuseId: string, terminal: 'a' | 'b'): readonly ResolvedConductor[] => {
  const { lv } = lowVoltage(vehicle);
  return reach(byNodeOf(lv), lv, `${fuseId}.${terminal}`, fuseId, false).wires;
};

/** Everything whose smallest fuse this is, taken off every source by it alone: feed and return alike. */
export function returnsOf(vehicle: Vehicle, fuseId: string): readonly ResolvedConductor[] {
  const protecting = lowProtecting(vehicle);
  return lowVoltage(vehicle).lv.conductors.filter(({ id }) => protecting.get(id) === fuseId);
}

type Lv = LowVoltage['lv'];
const byNodes = new WeakMap<Lv, ReadonlyMap<string, readonly ResolvedConductor[]>>();

function byNodeOf(lv: Lv): ReadonlyMap<string, readonly ResolvedConductor[]> {
  const known = byNodes.get(lv);
  if (known) return known;
  const made = new Map<string, ResolvedConductor[]>();
  for (const conductor of lv.conductors)
    for (const node of [conductor.nodeA, conductor.nodeB]) made.set(node, [...(made.get(node) ?? []), conductor]);
  byNodes.set(lv, made);
  return made;
}

function reach(
  byNode: ReadonlyMap<string, readonly ResolvedConductor[]>,
  lv: ReturnType<typeof lowVoltage>['lv'],
  start: string,
  except: string,
  throughFuses: boolean,
): { nodes: Set<string>; wires: ResolvedConductor[] } {
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
    // Through switches and relays it goes on; a fuse, a load or the earth ends it.
    const passes = kind === 'relay' || kind === 'lv-switch' || (throughFuses && kind === 'lv-fuse');
    if (id === except || !passes) continue;
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
