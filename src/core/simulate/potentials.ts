import type { Id } from '../build';
import { boxSource, cornersOf, Follows, isPrechargeRelay, terminalNode, type Vehicle } from '../vehicle';

/** What of the circuit conducts while its potentials are looked at. */
export interface Closed {
  /** Opened or blown: contactors, disconnects, fuses, conductors. */
  readonly open: ReadonlySet<Id>;
  /** Precharge relays conduct as well; in drive they don't. */
  readonly relaysClosed?: boolean;
  /** Through bleed resistors as well: harmless to a load, not to a hand. Absent: yes. */
  readonly throughBleeds?: boolean;
}

/** Potential of every node with nothing drawing current, by the island that it is in. */
export interface Potentials {
  /** Name of the island of a node. */
  readonly islandOf: (node: string) => string;
  /** Against the island's own reference, V. */
  readonly voltageOf: (node: string) => number;
  /** Islands with cells in them. */
  readonly withCells: ReadonlySet<string>;
}

const SERIES: ReadonlySet<string> = new Set(['contactor', 'fuse', 'disconnect', 'sensor']);
/** Islands' points of the body are one. */
export const BODY = 'body';

/**
 * At full charge, loads off: cells lift, what is closed joins; precharge and bleed resistors carry a potential on where nothing better
 * does. Boxes without cells join nothing. Chassis points are one node.
 */
export function potentials(vehicle: Vehicle, closed: Closed): Potentials {
  const { open, relaysClosed = false, throughBleeds = true } = closed;
  const key = `${relaysClosed} ${throughBleeds} ${[...open].sort().join(' ')}`;
  return ofVehicle.get(vehicle, () => follow(vehicle, open, relaysClosed, throughBleeds), key);
}

/** A dozen rules look at the same few ways of being open. */
const ofVehicle = new Follows<Vehicle, Potentials>();

function follow(vehicle: Vehicle, open: ReadonlySet<Id>, relaysClosed: boolean, throughBleeds: boolean): Potentials {
  const up = new Map<string, { readonly to: string; readonly byV: number }>();
  /** Root of a node, and its own potential against that root, V. */
  const find = (node: string): { root: string; v: number } => {
    let root = node;
    let v = 0;
    for (let step = up.get(root); step; step = up.get(root)) {
      root = step.to;
      v += step.byV;
    }
    if (root !== node) up.set(node, { to: root, byV: v });
    return { root, v };
  };
  /** Joins b to a, standing byV above it; what is joined already stays as it is. */
  const join = (a: string, b: string, byV = 0) => {
    const [p, q] = [find(a), find(b)];
    if (p.root !== q.root) up.set(q.root, { to: p.root, byV: p.v + byV - q.v });
  };
  const corner = cornersOf(vehicle.build).find(({ id }) => id === 'warm-new-full')!;
  const cells: string[] = [];
  for (const device of vehicle.devices) {
    const { id } = device;
    const { kind } = device.device;
    if (kind === 'box' && !open.has(id)) {
      const source = boxSource(device, corner);
      if (!source) continue;
      join(terminalNode(device, 'minus'), terminalNode(device, 'plus'), source.voltageV);
      cells.push(terminalNode(device, 'minus'));
    } else if (kind === 'chassis') join(BODY, terminalNode(device, 'n'));
    else if (SERIES.has(kind) && !open.has(id) && (relaysClosed || !isPrechargeRelay(vehicle, id)))
      join(terminalNode(device, 'a'), terminalNode(device, 'b'));
  }
  for (const { id, nodeA, nodeB } of vehicle.conductors) if (!open.has(id)) join(nodeA, nodeB);
  for (const wanted of throughBleeds ? ['precharge-resistor', 'discharge-resistor'] : ['precharge-resistor'])
    for (const device of vehicle.devices)
      if (device.device.kind === wanted && !open.has(device.id))
        join(terminalNode(device, 'a'), terminalNode(device, 'b'));
  return {
    islandOf: (node) => find(node).root,
    voltageOf: (node) => find(node).v,
    withCells: new Set(cells.map((node) => find(node).root)),
  };
}
