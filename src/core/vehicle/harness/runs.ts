import { type Build, findConductor, findDevice, type Id, own, type Point } from '../../build';
import { extentOf, wayPoints } from '../geometry';
import { type Host, hostOf } from './hosts';
import type { HarnessWire } from './wires';

/** Where wires gather: a thing that stands on the plan, or a zone for things without a place of their own. */
export interface RunKnot {
  readonly id: string;
  readonly name: string;
  /** What else stands at the same spot and has wires. */
  readonly others: readonly string[];
  readonly at: Point;
  /** False: somewhere in its zone. */
  readonly exact: boolean;
}

/** Wires that go from one knot to another, the same way. */
export interface Run {
  readonly id: string;
  readonly from: RunKnot;
  readonly to: RunKnot;
  readonly wires: readonly HarnessWire[];
  /** From `from` to `to`. */
  readonly way: readonly Point[];
  /** By a way that is laid on the plan; false: drawn straight. */
  readonly laid: boolean;
  /** Of the longest of them, m; null: no length is known. */
  readonly longestM: number | null;
  /** Wires of it whose length is not known. */
  readonly unmeasured: number;
}

export interface Runs {
  readonly knots: readonly RunKnot[];
  readonly runs: readonly Run[];
  /** Both ends at one knot: nothing to be drawn. */
  readonly within: readonly HarnessWire[];
  /** An end has neither place nor zone. */
  readonly unplaced: readonly HarnessWire[];
  /** What those ends are at. */
  readonly homeless: readonly Host[];
}

/** The middle of a zone; null: it is nowhere on the plan. */
export const middleOf = (build: Build, zoneId: Id): Point | null => {
  const extent = extentOf(build, zoneId);
  return extent
    ? { xM: (extent.x0M + extent.x1M) / 2, yM: (extent.y0M + extent.y1M) / 2, zM: (extent.z0M + extent.z1M) / 2 }
    : null;
};

type Found = Omit<RunKnot, 'others'>;
/** Nearer than this two things are at one spot, m. */
const SPOT_M = 0.02;

/** Null: nobody entered where it is. A thing inside another one is where that is. */
function knotOf(build: Build, hostId: Id, seen: ReadonlySet<Id> = new Set()): Found | null {
  const device = findDevice(build, hostId);
  if (device?.insideId !== undefined && !seen.has(hostId)) {
    const outer = knotOf(build, device.insideId, new Set([...seen, hostId]));
    if (outer) return outer;
  }
  if (device?.place) return { id: device.id, name: device.name, at: device.place, exact: true };
  const zoneId = hostOf(build, hostId)?.zoneId ?? null;
  const at = zoneId === null ? null : middleOf(build, zoneId);
  return zoneId === null || at === null
    ? null
    : { id: `zone ${zoneId}`, name: own(build.zones, zoneId)?.name ?? zoneId, at, exact: false };
}

const lengthOf = (wires: readonly HarnessWire[]): Pick<Run, 'longestM' | 'unmeasured'> => {
  const known = wires.flatMap(({ cutM }) => (cutM === null ? [] : [cutM]));
  return { longestM: known.length > 0 ? Math.max(...known) : null, unmeasured: wires.length - known.length };
};

/** The ways that wires take through the vehicle, those of one way together. Each wire is in exactly one list. */
export function runsOf(build: Build, wires: readonly HarnessWire[]): Runs {
  // Things at one spot are one knot, called after what most wires end at.
  const spots = new Map<string, { id: string; names: Map<string, number>; at: Point; exact: boolean }>();
  const spotOf = (hostId: Id): string | null => {
    const knot = knotOf(build, hostId);
    if (knot === null) return null;
    const key = knot.exact
      ? [knot.at.xM, knot.at.yM, knot.at.zM].map((m) => Math.round(m / SPOT_M)).join(' ')
      : knot.id;
    const spot = spots.get(key) ?? { id: key, names: new Map(), at: knot.at, exact: knot.exact };
    spots.set(key, spot);
    spot.names.set(knot.name, (spot.names.get(knot.name) ?? 0) + 1);
    return key;
  };
  const places = wires.map(({ ends }) => [spotOf(ends.a.hostId), spotOf(ends.b.hostId)] as const);
  const knots = new Map(
    [...spots].map(([key, { names, at, exact }]): [string, RunKnot] => {
      const [first, ...others] = [...names].sort((p, q) => q[1] - p[1] || p[0].localeCompare(q[0]));
      return [key, { id: key, name: first![0], others: others.map(([name]) => name), at, exact }];
    }),
  );
  const together = new Map<
    string,
    { from: RunKnot; to: RunKnot; way: readonly Point[]; laid: boolean; wires: HarnessWire[] }
  >();
  const within: HarnessWire[] = [];
  const unplaced: HarnessWire[] = [];
  const homeless = new Map<Id, Host>();
  wires.forEach((wire, k) => {
    const [a, b] = places[k]!.map((key) => (key === null ? null : knots.get(key)!));
    if (!a || !b) {
      unplaced.push(wire);
      for (const [knot, { hostId }] of [[a, wire.ends.a] as const, [b, wire.ends.b] as const]) {
        const host = knot ? null : hostOf(build, hostId);
        if (host) homeless.set(hostId, host);
      }
      return;
    }
    if (a.id === b.id) {
      within.push(wire);
      return;
    }
    const [from, to] = a.id < b.id ? [a, b] : [b, a];
    const conductor = findConductor(build, wire.id);
    const route = conductor ? own(build.routes, conductor.routeId) : null;
    // A loom whose way is not laid yet is no line.
    const along = conductor && route ? wayPoints(build, route, conductor.a, conductor.b) : null;
    const points = along && along.length >= 2 ? along : null;
    const key = `${from.id} ${to.id} ${points ? route!.id : ''}`;
    const known = together.get(key);
    if (known) known.wires.push(wire);
    else
      together.set(key, {
        from,
        to,
        way: points ? (a === from ? points : [...points].reverse()) : [from.at, to.at],
        laid: points !== null,
        wires: [wire],
      });
  });
  const runs = [...together].map(([id, run]): Run => ({ id, ...run, ...lengthOf(run.wires) }));
  const used = new Set(runs.flatMap(({ from, to }) => [from.id, to.id]));
  return {
    // From front to rear and from right to left, as they are numbered.
    knots: [...knots.values()]
      .filter(({ id }) => used.has(id))
      .sort((p, q) => p.at.xM - q.at.xM || p.at.yM - q.at.yM || (p.id < q.id ? -1 : 1)),
    runs: runs.sort((p, q) => q.wires.length - p.wires.length),
    within,
    unplaced,
    homeless: [...homeless.values()].sort((p, q) => p.name.localeCompare(q.name)),
  };
}
