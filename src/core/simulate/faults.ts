import type { Id } from '../build';
import type { FusePart } from '../parts';
import { usableDcVoltage } from '../physics/fuse';
import { type Clearing, clearing, SLOW_EDGE } from '../physics/fuse-clearing';
import { preArcingTime } from '../physics/fuse-curve';
import { Follows, later, partOf, terminalNode, type Vehicle } from '../vehicle';
import { type Fault, faultBetween, packPoles } from './fault';
import { type FaultFeeds, faultFeeds } from './fault-feeds';
import { ARC_V, type FaultCorner } from './fault-network';

/** Current that counts as flowing: less is a trickle through something that nobody would call a fault. */
const TRICKLE = 0.01;

/** One device that opens in the course of a fault. */
export interface Opening {
  readonly deviceId: Id;
  /** After the fault began, s. */
  readonly atS: number;
  readonly clearing: Clearing;
  /** Null: it is proved to break this current at this voltage. Else why not: it melts, and the arc goes on. */
  readonly notProved: 'dc-rating' | 'voltage' | 'too-much' | 'too-little' | null;
}

/** Why a fuse that melts is not proved to break a fault; null when it is. */
export function notProvedToBreak(fuse: FusePart, throughA: number, fault: Fault): Opening['notProved'] {
  const { ratedVoltageDcV } = fuse;
  if (ratedVoltageDcV === null) return 'dc-rating';
  const openV = fault.voltageV + (fault.corner === 'lowest' ? ARC_V : 0);
  if (openV > usableDcVoltage({ ...fuse, ratedVoltageDcV }, fault.timeConstantS)) return 'voltage';
  if (throughA > fuse.breakingCapacityA) return 'too-much';
  return throughA < fuse.minimumBreakingMultiple * fuse.ratedCurrentA ? 'too-little' : null;
}

/** While one set of fuses is whole: what flows, and how much the next one to open lets through it. */
interface Phase {
  readonly fault: Fault;
  /** Null: it goes on for ever, or what melts is not proved to break it. */
  readonly ends: { readonly totalI2tA2s: number; readonly throughFuseA: number } | null;
}

/** A fault to its end. */
export class FaultStory {
  private readonly fed: () => FaultFeeds;
  private readonly sum: () => ReadonlyMap<Id, number | null>;

  constructor(
    vehicle: Vehicle,
    readonly fault: Fault,
    readonly openings: readonly Opening[],
    /** Null: it goes on for ever, or the last fuse to melt is not proved to break it. */
    readonly clearedAtS: number | null,
    private readonly phases: readonly Phase[],
  ) {
    this.fed = later(() => faultFeeds(vehicle, fault));
    this.sum = later(() => this.sumUp());
  }

  /** Current and time, for drawing. */
  get curve(): readonly { readonly timeS: number; readonly currentA: number }[] {
    const points = [{ timeS: 0, currentA: 0 }];
    let fromS = 0;
    this.phases.forEach(({ fault: { timeConstantS, prospectiveA } }, phase) => {
      const untilS = this.openings[phase]?.atS ?? fromS + Math.max(10 * timeConstantS, 0.02);
      for (let k = 1; k <= CURVE_POINTS; k++) {
        const t = (k / CURVE_POINTS) * (untilS - fromS);
        const rise = timeConstantS > 0 ? 1 - Math.exp(-t / timeConstantS) : 1;
        points.push({ timeS: fromS + t, currentA: prospectiveA * rise });
      }
      fromS = untilS;
    });
    if (this.clearedAtS !== null) points.push({ timeS: fromS, currentA: 0 });
    return points;
  }

  /** What link capacitors and a turning motor add. */
  get feeds(): FaultFeeds {
    return this.fed();
  }

  /** Let through one conductor or device until the end, capacitors and motor included, A²s; null: it has no end; 0: nothing passes it. */
  i2tOf(id: Id): number | null {
    let sum = 0;
    for (const { fault, ends } of this.phases) {
      const amps = fault.through(id);
      if (amps < TRICKLE * fault.prospectiveA) continue;
      if (ends === null) return null;
      sum += ends.totalI2tA2s * (amps / ends.throughFuseA) ** 2;
    }
    return sum + this.feeds.i2tOf(id, this.clearedAtS ?? 0);
  }

  /** The same for everything that something passes. */
  get i2tA2s(): ReadonlyMap<Id, number | null> {
    return this.sum();
  }

  private sumUp(): ReadonlyMap<Id, number | null> {
    return new Map(
      [...new Set(this.phases.flatMap(({ fault }) => [...fault.currents.keys()]))].flatMap((id) => {
        const i2t = this.i2tOf(id);
        return i2t === 0 ? [] : [[id, i2t] as const];
      }),
    );
  }
}

const MOST_OPENINGS = 4;
const CURVE_POINTS = 12;

const fuses = new Follows<Vehicle, readonly { readonly id: Id; readonly part: FusePart }[]>();
const fusesOf = (vehicle: Vehicle): readonly { readonly id: Id; readonly part: FusePart }[] =>
  fuses.get(vehicle, () =>
    vehicle.devices.flatMap((device) => {
      const part = device.device.kind === 'fuse' ? partOf(device, 'fuse') : null;
      return part ? [{ id: device.id, part }] : [];
    }),
  );

/** The fuse that melts first in a fault, with its clearing; null when none melts. */
export function firstToMelt(vehicle: Vehicle, fault: Fault): Opening | null {
  let first: Opening | null = null;
  const carrying = fusesOf(vehicle)
    .map(({ id, part }) => ({ id, part, throughA: fault.through(id) }))
    .filter(({ throughA }) => throughA >= TRICKLE * fault.prospectiveA)
    // At its full current at once a fuse melts no later than with the current rising: what is slower even so need not be followed.
    .map((one) => ({ ...one, atOnceS: preArcingTime(one.part, one.throughA / (SLOW_EDGE * one.part.ratedCurrentA)) }))
    .filter((one): one is typeof one & { atOnceS: number } => one.atOnceS !== null)
    .sort((p, q) => p.atOnceS - q.atOnceS);
  for (const { id, part, throughA, atOnceS } of carrying) {
    if (first && atOnceS >= first.atS) break;
    const found = clearing(part, {
      prospectiveA: throughA,
      timeConstantS: fault.timeConstantS,
      voltageV: fault.voltageV,
    });
    if (found.meltTimeS !== null && (first === null || found.meltTimeS < first.atS))
      first = {
        deviceId: id,
        atS: found.meltTimeS,
        clearing: found,
        notProved: notProvedToBreak(part, throughA, fault),
      };
  }
  return first;
}

/** A fault from its beginning until no source feeds it any more: who opens, when, and what everything in its way has taken. */
export function faultStory(vehicle: Vehicle, a: string, b: string, corner: FaultCorner): FaultStory | null {
  const start = faultBetween(vehicle, a, b, corner);
  if (!start) return null;
  const openings: Opening[] = [];
  const phases: Phase[] = [];
  let fault: Fault | null = start;
  let atS = 0;
  let cleared = false;
  while (fault) {
    const opening = openings.length < MOST_OPENINGS ? firstToMelt(vehicle, fault) : null;
    // What is not proved to break lets through without end.
    const total = opening && opening.notProved === null ? opening.clearing.totalI2tA2s : null;
    phases.push({
      fault,
      ends: opening && total !== null ? { totalI2tA2s: total, throughFuseA: fault.through(opening.deviceId) } : null,
    });
    if (!opening) break;
    atS += opening.atS;
    openings.push({ ...opening, atS });
    if (opening.notProved !== null) break;
    fault = faultBetween(
      vehicle,
      a,
      b,
      corner,
      openings.map(({ deviceId }) => deviceId),
    );
    if (!fault) cleared = true;
  }
  return new FaultStory(vehicle, start, openings, cleared ? atS : null, phases);
}

/** Highest and lowest current that a short in a fuse's zone can drive through it. */
export interface FuseFaults {
  readonly fuseId: Id;
  readonly highest: Fault | null;
  readonly highestA: number;
  readonly lowest: Fault | null;
  readonly lowestA: number;
}

const LOAD_TERMINALS = ['plus', 'minus'] as const;

/**
 * Highest: bolted right at the fuse, to the far pole of the pack. Lowest: at the terminals of what it feeds, out and back through its
 * wires, with an arc; where it feeds nothing, at the ends of its own conductors.
 */
export function fuseFaults(vehicle: Vehicle, fuseId: Id, zone: readonly Id[]): FuseFaults | null {
  const fuse = vehicle.deviceOf.get(fuseId);
  const ends = packPoles(vehicle);
  if (!fuse || !ends) return null;
  const through = (fault: Fault | null): number => fault?.through(fuseId) ?? 0;
  const strongest = (pairs: readonly (readonly [string, string])[], corner: FaultCorner): Fault | null =>
    pairs
      .map(([a, b]) => faultBetween(vehicle, a, b, corner))
      .reduce((best, one) => (through(one) > through(best) ? one : best), null);
  const toPoles = (node: string): (readonly [string, string])[] => [
    [node, ends.minus],
    [node, ends.plus],
  ];
  const highest = strongest([...toPoles(terminalNode(fuse, 'a')), ...toPoles(terminalNode(fuse, 'b'))], 'highest');
  const fed = new Set<string>();
  for (const id of zone) {
    const conductor = vehicle.conductorOf.get(id);
    if (conductor) for (const end of [conductor.conductor.a, conductor.conductor.b]) fed.add(end.deviceId);
  }
  const loads = vehicle.devices.filter(
    ({ id, device }) =>
      fed.has(id) && device.kind !== 'box' && 'plus' in terminalsOf(vehicle, id) && device.kind !== 'capacitor',
  );
  const candidates: (Fault | null)[] = loads.map((load) =>
    strongest([[terminalNode(load, LOAD_TERMINALS[0]), terminalNode(load, LOAD_TERMINALS[1])]], 'lowest'),
  );
  if (loads.length === 0)
    for (const id of zone) {
      const conductor = vehicle.conductorOf.get(id);
      if (conductor)
        for (const node of [conductor.nodeA, conductor.nodeB]) candidates.push(strongest(toPoles(node), 'lowest'));
    }
  const flowing = candidates.filter(
    (fault): fault is Fault => fault !== null && through(fault) > TRICKLE * fault.prospectiveA,
  );
  const lowest = flowing.reduce<Fault | null>(
    (least, one) => (least === null || through(one) < through(least) ? one : least),
    null,
  );
  return { fuseId, highest, highestA: through(highest), lowest, lowestA: through(lowest) };
}

const terminalsOf = (vehicle: Vehicle, id: Id): Readonly<Record<string, string>> =>
  vehicle.deviceOf.get(id)?.nodes ?? {};
