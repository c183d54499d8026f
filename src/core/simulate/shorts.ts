import type { Id } from '../build';
import { Follows, partOf, Recent, type ResolvedConductor, room, type Vehicle } from '../vehicle';
import { type Fault, faultBetween, packPoles } from './fault';
import { type FaultCorner, faultNetwork } from './fault-network';
import { type FaultStory, faultStory } from './faults';
import { type Piece, type Pieces, piecesOf } from './pieces';
import { type CableWithstand, cableWithstand } from './withstand';

/** One short that a conductor feeds: at its far end, to one other piece of the circuit. */
export interface ConductorShort {
  readonly corner: FaultCorner;
  readonly story: FaultStory;
  /** Through the conductor until it is over, A²s; null: it has no end. */
  readonly i2tA2s: number | null;
  /** The fuse that ends it, or the last that melts, or the smallest that should; null: none is in its loop. */
  readonly openerId: Id | null;
}

/** What shorts do to one conductor. */
export interface ShortJudgement {
  readonly conductorId: Id;
  readonly withstand: CableWithstand | null;
  /** The hardest of all: one without end before any that ends, then the most I²t. Null: no fuse is in any loop that it feeds. */
  readonly worst: ConductorShort | null;
  readonly all: readonly ConductorShort[];
  /**
   * stands: every short is over before it is too hot. burns: not. unknown: its size is not told, so nobody can say. unfused: nothing but
   * cells stands between it and whatever it may touch; its length decides. idle: nothing feeds a short through it.
   */
  readonly verdict: 'stands' | 'burns' | 'unknown' | 'unfused' | 'idle';
}

/** A conductor that carries less of a fault than this share does not feed it. */
const FEEDS = 0.02;

const ofVehicle = new Follows<Vehicle, ReadonlyMap<Id, ShortJudgement>>();

/**
 * Every conductor shorted at its far end (the one at which it carries its own fault) to every other piece of the circuit that has a fuse
 * on the way: bolted, from the full warm pack, at the stiffest point; and with an arc, from the empty cold one, at the point that lets
 * least through. One answer for ledger, picture, sizing and first layouts.
 */
export const shorts = (vehicle: Vehicle): ReadonlyMap<Id, ShortJudgement> =>
  ofVehicle.get(vehicle, () => {
    const fed = fedShorts(vehicle);
    return new Map(
      vehicle.conductors.map((conductor) => {
        const { all, unfused } = fed.get(conductor.id)!;
        return [conductor.id, judged(vehicle, conductor, all, unfused)] as const;
      }),
    );
  });

/** What a conductor feeds, before it is asked whether it stands that. */
interface Fed {
  readonly all: readonly ConductorShort[];
  readonly unfused: boolean;
}

const kept = room(() => new Recent<ReadonlyMap<Id, Fed>>(4));

/** All that shorts depend on: both networks, every part, where each conductor leads and how long it is. */
function readsOf(vehicle: Vehicle): readonly unknown[] {
  const reads: unknown[] = [faultNetwork(vehicle, 'highest'), faultNetwork(vehicle, 'lowest')];
  for (const { id, device, part } of vehicle.devices) reads.push(id, device.kind, part, device.cellsInSeries);
  for (const { id, conductor, nodeA, nodeB, lengthM } of vehicle.conductors)
    reads.push(id, conductor.kind, nodeA, nodeB, lengthM);
  return reads;
}

/** The shorts of a vehicle; the same while nothing that they read has changed, whatever it drives. */
const fedShorts = (vehicle: Vehicle): ReadonlyMap<Id, Fed> =>
  vehicle.memory.of(kept).get(readsOf(vehicle), () => findShorts(vehicle));

function findShorts(vehicle: Vehicle): ReadonlyMap<Id, Fed> {
  const pieces = piecesOf(vehicle);
  const stiff = targetsOf(vehicle, pieces).map((piece) => stiffNodes(vehicle, piece));
  const stories = new Map<string, FaultStory | null>();
  const told = (a: string, b: string, corner: FaultCorner): FaultStory | null => {
    const key = `${a} ${b} ${corner}`;
    const known = stories.get(key);
    if (known !== undefined) return known;
    const made = faultStory(vehicle, a, b, corner);
    stories.set(key, made);
    return made;
  };
  const found = new Map<Id, Fed>();
  for (const conductor of vehicle.conductors) {
    const piece = pieces.at(conductor.nodeA);
    const others = stiff.filter((other) => other.piece !== piece);
    const fused = others.filter((other) => !pieces.unfused(piece, other.piece));
    const unfused = others.some(
      (other) => pieces.unfused(piece, other.piece) && siteOf(vehicle, conductor, other) !== null,
    );
    const all: ConductorShort[] = [];
    for (const { site, full } of sitesOf(vehicle, conductor, fused)) {
      const weakest = full && weakestAt(vehicle, conductor, site);
      for (const fault of weakest ? [site, weakest] : [site]) {
        const story = told(fault.a, fault.b, fault.corner);
        if (!story) continue;
        all.push({
          corner: fault.corner,
          story,
          i2tA2s: story.clearedAtS === null ? null : story.i2tOf(conductor.id),
          openerId: story.openings.at(-1)?.deviceId ?? smallestIn(vehicle, story.fault),
        });
      }
    }
    found.set(conductor.id, { all, unfused });
  }
  return found;
}

/** The smallest fuse that a fault flows through: it is the one that should go. */
function smallestIn(vehicle: Vehicle, fault: Fault): Id | null {
  const rated = (id: Id) => partOf(vehicle.deviceOf.get(id), 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;
  const ids = vehicle.devices
    .filter(({ id, device }) => device.kind === 'fuse' && fault.through(id) > FEEDS * fault.prospectiveA)
    .map(({ id }) => id)
    .sort((p, q) => rated(p) - rated(q));
  return ids[0] ?? null;
}

const size = (i2tA2s: number | null): number => i2tA2s ?? Number.POSITIVE_INFINITY;

function judged(
  vehicle: Vehicle,
  conductor: ResolvedConductor,
  all: readonly ConductorShort[],
  unfused: boolean,
): ShortJudgement {
  const withstand = cableWithstand(vehicle, conductor);
  const worst = all.reduce<ConductorShort | null>(
    (most, one) => (most === null || size(one.i2tA2s) > size(most.i2tA2s) ? one : most),
    null,
  );
  const common = { conductorId: conductor.id, withstand, worst, all };
  if (!worst) return { ...common, verdict: unfused ? 'unfused' : 'idle' };
  if (conductor.conductor.kind !== 'cable' && !withstand)
    return { ...common, verdict: worst.i2tA2s === null ? 'burns' : 'stands' };
  if (worst.i2tA2s === null) return { ...common, verdict: 'burns' };
  if (!withstand) return { ...common, verdict: 'unknown' };
  return { ...common, verdict: worst.i2tA2s <= withstand.limitA2s ? 'stands' : 'burns' };
}

/** Potentials nearer to each other than this are one, V. */
const SAME_V = 2;

interface Site {
  readonly site: Fault;
  /** Driven by the whole pack: the one that is looked at with the pack at its weakest, too. */
  readonly full: boolean;
}

/**
 * Where a conductor feels shorts: at its far end, bolted to the stiffest piece of the potential that drives most, and to the one that lets
 * most through. What stands behind one more fuse at the same potential is let off sooner, and is judged by its own conductors.
 */
function sitesOf(vehicle: Vehicle, conductor: ResolvedConductor, others: readonly Stiff[]): Site[] {
  const stiffest: Fault[] = [];
  for (const other of others) {
    const fault = siteOf(vehicle, conductor, other);
    if (!fault) continue;
    const at = stiffest.findIndex((one) => Math.abs(one.voltageV - fault.voltageV) < SAME_V);
    if (at < 0) stiffest.push(fault);
    else if (fault.prospectiveA > stiffest[at]!.prospectiveA) stiffest[at] = fault;
  }
  if (stiffest.length === 0) return [];
  const fullest = stiffest.reduce((p, q) => (q.voltageV > p.voltageV ? q : p));
  const strongest = stiffest.reduce((p, q) => (q.prospectiveA > p.prospectiveA ? q : p));
  const whole = packVoltage(vehicle);
  return [...new Set([fullest, strongest])].map((site) => ({
    site,
    full: site.voltageV > whole - 2 * SAME_V,
  }));
}

/** From pole to pole of the full pack, V. */
function packVoltage(vehicle: Vehicle): number {
  const poles = packPoles(vehicle);
  return (poles && faultBetween(vehicle, poles.plus, poles.minus, 'highest')?.voltageV) ?? 0;
}

/** A piece with the nodes at which most stands behind it: terminals of cells and fuses, or all where it has none. */
interface Stiff {
  readonly piece: Piece;
  readonly nodes: readonly string[];
}

/** So many of them are tried: further ones are no stiffer. */
const MOST_NODES = 4;

/** The stiffest of a piece: what drives most against the pack's far pole. */
function stiffNodes(vehicle: Vehicle, piece: Piece): Stiff {
  const strong = piece.nodes.filter((node) => {
    const kind = vehicle.deviceOf.get(node.slice(0, node.lastIndexOf('.')))?.device.kind;
    return kind === 'box' || kind === 'fuse';
  });
  const nodes = strong.length > 0 ? strong : piece.nodes;
  const poles = packPoles(vehicle);
  if (nodes.length <= MOST_NODES || !poles) return { piece, nodes };
  const ends = [poles.plus, poles.minus].filter((pole) => !piece.nodes.includes(pole));
  const drives = (node: string) =>
    Math.max(0, ...ends.map((pole) => faultBetween(vehicle, node, pole, 'highest')?.prospectiveA ?? 0));
  return {
    piece,
    nodes: nodes
      .map((node) => ({ node, amps: drives(node) }))
      .sort((p, q) => q.amps - p.amps)
      .slice(0, MOST_NODES)
      .map(({ node }) => node),
  };
}

/**
 * Pieces that a short may find at its hardest: those with cells, and those between. One that hangs behind a single fuse, without cells of
 * its own, lets less through than the piece that it hangs on.
 */
function targetsOf(vehicle: Vehicle, { all, at }: Pieces): readonly Piece[] {
  const left = new Set(all);
  const celled = new Set(
    vehicle.devices
      .filter(({ device, part }) => device.kind === 'box' && part !== null)
      .flatMap(({ id }) => [at(`${id}.plus`), at(`${id}.minus`)]),
  );
  const links = vehicle.devices
    .filter(({ device }) => device.kind === 'fuse' || device.kind === 'precharge-resistor')
    .map(({ id }) => [at(`${id}.a`), at(`${id}.b`)] as const);
  for (let found = true; found; ) {
    found = false;
    const degree = new Map<Piece, number>();
    for (const [p, q] of links)
      if (p !== q && left.has(p) && left.has(q)) for (const one of [p, q]) degree.set(one, (degree.get(one) ?? 0) + 1);
    for (const piece of left)
      if (!celled.has(piece) && degree.get(piece) === 1) {
        left.delete(piece);
        found = true;
      }
  }
  return [...left];
}

/** The hardest bolted short of a conductor to another piece: at the end at which it carries its own fault. */
function siteOf(vehicle: Vehicle, conductor: ResolvedConductor, other: Stiff): Fault | null {
  let best: Fault | null = null;
  let bestShare = FEEDS;
  for (const from of [conductor.nodeA, conductor.nodeB]) {
    let chosen: Fault | null = null;
    for (const to of other.nodes) {
      const fault = faultBetween(vehicle, from, to, 'highest');
      if (fault && (chosen === null || fault.prospectiveA > chosen.prospectiveA)) chosen = fault;
    }
    if (!chosen) continue;
    const share = chosen.through(conductor.id) / chosen.prospectiveA;
    if (share > bestShare) {
      best = chosen;
      bestShare = share;
    }
  }
  return best;
}

/** The same short at its least: the weakest pack, an arc, and out and back where the conductor ends at a device with two poles. */
function weakestAt(vehicle: Vehicle, conductor: ResolvedConductor, site: Fault): Fault | null {
  const [id, terminal] = [site.a.slice(0, site.a.lastIndexOf('.')), site.a.slice(site.a.lastIndexOf('.') + 1)];
  const other = terminal === 'plus' ? `${id}.minus` : terminal === 'minus' ? `${id}.plus` : null;
  const kind = vehicle.deviceOf.get(id)?.device.kind;
  const there = other !== null && kind !== 'box' ? faultBetween(vehicle, site.a, other, 'lowest') : null;
  // Out and back only where no further fuse stands before the other pole: that one would end it sooner.
  const back = there && sameFuses(vehicle, there, site) ? there : null;
  const weakest = back ?? faultBetween(vehicle, site.a, site.b, 'lowest');
  return weakest && weakest.through(conductor.id) > FEEDS * weakest.prospectiveA ? weakest : null;
}

const fusesIn = (vehicle: Vehicle, fault: Fault): string =>
  vehicle.devices
    .filter(({ id, device }) => device.kind === 'fuse' && fault.through(id) > FEEDS * fault.prospectiveA)
    .map(({ id }) => id)
    .join();
const sameFuses = (vehicle: Vehicle, p: Fault, q: Fault): boolean => fusesIn(vehicle, p) === fusesIn(vehicle, q);

/** Conductors whose shorts a fuse ends, or should end. */
export const endedBy = (vehicle: Vehicle, fuseId: Id): readonly ShortJudgement[] =>
  [...shorts(vehicle).values()].filter(({ all }) => all.some(({ openerId }) => openerId === fuseId));

/** The one short of a conductor that this fuse ends worst. */
export const worstEndedBy = ({ all }: ShortJudgement, fuseId: Id): ConductorShort | null =>
  all
    .filter(({ openerId }) => openerId === fuseId)
    .reduce<ConductorShort | null>(
      (most, one) => (most === null || size(one.i2tA2s) > size(most.i2tA2s) ? one : most),
      null,
    );
