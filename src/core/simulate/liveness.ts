import type { Id } from '../build';
import { isPrechargeRelay, terminalNode, type Vehicle } from '../vehicle';
import { type Potentials, potentials } from './potentials';

/** Hazardous: more than class A between two points of the same joined part; low: cells, but no more than that; dead: no cells joined. */
export type Live = 'hazardous' | 'low' | 'dead';

/** Everything that is joined through closed paths. */
export interface LivePart {
  readonly live: Live;
  /** Highest voltage between two of its points, full charge, V. */
  readonly spanV: number;
  readonly boxIds: readonly Id[];
  /** Conductors and devices that belong to it. */
  readonly memberIds: readonly Id[];
}

export interface Liveness {
  readonly parts: readonly LivePart[];
  readonly liveOf: ReadonlyMap<Id, Live>;
  /** From a conductor to the cells: the devices between, nearest first; empty for what is dead or next to the cells. */
  readonly pathOf: (conductorId: Id) => readonly Id[];
}

const RANK: Readonly<Record<Live, number>> = { dead: 0, low: 1, hazardous: 2 };
const SWITCHES: ReadonlySet<string> = new Set(['contactor', 'fuse', 'disconnect']);

/**
 * What stays live with the devices in `open` opened or blown, at full charge, loads off. Contactors that are not in `open` count as
 * closed, the precharge relay as it is in drive: open, unless it has welded. Null without cells.
 */
export function liveness(
  vehicle: Vehicle,
  open: readonly Id[],
  safeV: number,
  prechargeWelded = false,
): Liveness | null {
  const at = potentials(vehicle, { open: new Set(open), relaysClosed: prechargeWelded });
  if (at.withCells.size === 0) return null;
  const parts = new Map<string, Part>();
  const touch = (node: string, memberId: Id, boxId?: Id) => {
    const part = partAt(parts, at, node);
    part.memberIds.add(memberId);
    if (boxId !== undefined) part.boxIds.add(boxId);
  };
  for (const { id, nodeA, nodeB } of vehicle.conductors) for (const node of [nodeA, nodeB]) touch(node, id);
  for (const device of vehicle.devices)
    for (const terminal of Object.keys(device.nodes))
      touch(
        terminalNode(device, terminal),
        device.id,
        device.device.kind === 'box' && device.part ? device.id : undefined,
      );
  const found = [...parts.values()].map(({ low, high, boxIds, memberIds }): LivePart => {
    const spanV = high - low;
    const live: Live = boxIds.size === 0 ? 'dead' : spanV > safeV ? 'hazardous' : 'low';
    return { live, spanV: boxIds.size === 0 ? 0 : spanV, boxIds: [...boxIds], memberIds: [...memberIds] };
  });
  const liveOf = new Map<Id, Live>();
  for (const part of found)
    for (const id of part.memberIds) {
      const before = liveOf.get(id);
      if (before === undefined || RANK[part.live] > RANK[before]) liveOf.set(id, part.live);
    }
  return {
    parts: found.filter((part) => part.boxIds.length > 0).sort((p, q) => q.spanV - p.spanV),
    liveOf,
    pathOf: (conductorId) => {
      const wire = vehicle.conductorOf.get(conductorId);
      return wire ? pathToCells(vehicle, new Set(open), [wire.nodeA, wire.nodeB], prechargeWelded) : [];
    },
  };
}

interface Part {
  low: number;
  high: number;
  readonly boxIds: Set<Id>;
  readonly memberIds: Set<Id>;
}

/** The island of a node, its span widened by the node. */
function partAt(parts: Map<string, Part>, at: Potentials, node: string): Part {
  const island = at.islandOf(node);
  const v = at.voltageOf(node);
  const part = parts.get(island) ?? { low: v, high: v, boxIds: new Set<Id>(), memberIds: new Set<Id>() };
  parts.set(island, part);
  part.low = Math.min(part.low, v);
  part.high = Math.max(part.high, v);
  return part;
}

/** Devices from these nodes through what is closed to the first cells, nearest first; breadth first. */
export function pathToCells(
  vehicle: Vehicle,
  open: ReadonlySet<Id>,
  start: readonly string[],
  prechargeWelded: boolean,
): Id[] {
  const links = new Map<string, { readonly to: string; readonly id: Id }[]>();
  const link = (a: string, b: string, id: Id) => {
    links.set(a, [...(links.get(a) ?? []), { to: b, id }]);
    links.set(b, [...(links.get(b) ?? []), { to: a, id }]);
  };
  for (const { id, nodeA, nodeB } of vehicle.conductors) if (!open.has(id)) link(nodeA, nodeB, id);
  for (const { id, device } of vehicle.devices)
    if (
      !open.has(id) &&
      (prechargeWelded || !isPrechargeRelay(vehicle, id)) &&
      (SWITCHES.has(device.kind) || device.kind === 'sensor' || device.kind === 'precharge-resistor')
    )
      link(`${id}.a`, `${id}.b`, id);
  const boxNodes = new Set(
    vehicle.devices
      .filter(({ device, part }) => device.kind === 'box' && part)
      .flatMap(({ id }) => [`${id}.plus`, `${id}.minus`]),
  );
  const by = new Map<string, { from: string; id: Id } | null>(start.map((node) => [node, null]));
  const queue = [...start];
  for (let head = 0; head < queue.length; head++) {
    const node = queue[head]!;
    if (boxNodes.has(node)) {
      const path: Id[] = [];
      for (let step = by.get(node); step; step = by.get(step.from))
        if (vehicle.deviceOf.has(step.id)) path.unshift(step.id);
      return path;
    }
    for (const { to, id } of links.get(node) ?? []) {
      if (by.has(to)) continue;
      by.set(to, { from: node, id });
      queue.push(to);
    }
  }
  return [];
}

/** A device that is meant to stop things, and what it does not stop. */
export interface Coverage {
  readonly deviceId: Id;
  /** Conductors that stay at a hazardous voltage with it open. */
  readonly stillLive: readonly Id[];
  /** Conductors that it takes off. */
  readonly takenOff: readonly Id[];
}

/** For each contactor, disconnect and fuse by itself: which conductors it takes off the cells, and which stay hazardous. */
export function coverage(vehicle: Vehicle, safeV: number): readonly Coverage[] {
  const whole = liveness(vehicle, [], safeV);
  if (!whole) return [];
  const hazardous = vehicle.conductors.filter(({ id }) => whole.liveOf.get(id) === 'hazardous').map(({ id }) => id);
  return vehicle.devices
    .filter(({ id, device }) => SWITCHES.has(device.kind) && !isPrechargeRelay(vehicle, id))
    .map(({ id }) => {
      const live = liveness(vehicle, [id], safeV)!;
      const stillLive = hazardous.filter((conductor) => live.liveOf.get(conductor) === 'hazardous');
      return { deviceId: id, stillLive, takenOff: hazardous.filter((conductor) => !stillLive.includes(conductor)) };
    });
}
