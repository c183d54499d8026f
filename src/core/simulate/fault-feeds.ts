import type { Id } from '../build';
import { type Element, FaultNetwork, NetworkError } from '../circuit';
import { inrush } from '../physics/closing';
import { motorCurrentA } from '../physics/motor';
import { driveTrainOf, Follows, later, partOf, type Vehicle } from '../vehicle';
import type { Fault } from './fault';
import { type FaultCorner, faultElements, faultNetwork, inductances } from './fault-network';
import { CAPACITOR_H, CAPACITOR_OHM } from './fault-transient';

/** What else than the cells feeds a fault: link capacitors that empty into it, and a permanent-magnet motor that turns. */
export interface FaultFeeds {
  /** Let through by both together while the fault lasts, A²s. */
  readonly i2tOf: (id: Id, seconds: number) => number;
  /** Highest current of the capacitors through something, A: R, L and C of their loop in closed form. */
  readonly capacitorPeakA: (id: Id) => number;
  /** Of the motor through something for as long as it turns, A. */
  readonly motorA: (id: Id) => number;
}

const NOTHING: FaultFeeds = { i2tOf: () => 0, capacitorPeakA: () => 0, motorA: () => 0 };

/** A node, where it stands in the network of wires, and the part of that which it belongs to; null: no wire leads to it. */
interface End {
  readonly node: string;
  readonly place: number | null;
  readonly island: string | null;
}

function endOf(network: FaultNetwork, node: string): End {
  const place = network.placeOf(node);
  return { node, place, island: place === null ? null : network.islandOf(node) };
}

/** A capacitor of the bus at its voltage before the fault. */
interface Link {
  readonly plus: End;
  readonly minus: End;
  readonly capacitanceF: number;
  readonly voltageV: number;
  /** The own one of an inverter whose motor feeds: it comes out there. */
  readonly turning: boolean;
}

interface Passive {
  /** Wires, fuses and contacts alone, cold, so that most gets through: no cells, no loads. */
  readonly network: FaultNetwork;
  readonly capacitors: readonly Extract<Element, { kind: 'capacitor' }>[];
  /** What the turning motor drives into a short of the bus, A. */
  readonly turningA: number;
}

const ofVehicle = new Follows<Vehicle, Passive | null>();
const passiveOf = (vehicle: Vehicle): Passive | null => ofVehicle.get(vehicle, () => makePassive(vehicle));

function makePassive(vehicle: Vehicle): Passive | null {
  const stamped = faultElements(vehicle, 'highest', [], true);
  const capacitors = stamped.flatMap((element) => (element.kind === 'capacitor' ? [element] : []));
  const wires = stamped.filter(({ kind }) => kind !== 'source' && kind !== 'capacitor');
  if (capacitors.length === 0 || wires.length === 0) return null;
  try {
    const network = new FaultNetwork(wires, wires[0]!.a);
    return { network, capacitors, turningA: turningMotorA(vehicle) ?? 0 };
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

/** An inverter with a permanent-magnet motor on it, or of which nobody told what is on it. */
function mayTurn(vehicle: Vehicle, id: Id): boolean {
  if (vehicle.deviceOf.get(id)?.device.kind !== 'inverter') return false;
  const fed = driveTrainOf(vehicle.build).units.filter(({ inverterId }) => inverterId === id);
  return fed.length === 0 || fed.some(({ part }) => !part || part.motorKind === 'permanent-magnet');
}

/** The capacitors that stand charged as a fault begins. */
function linksOf(vehicle: Vehicle, passive: Passive, corner: FaultCorner): readonly Link[] {
  return linksIn.get(passive, () => findLinks(vehicle, passive, corner), corner);
}

const linksIn = new Follows<Passive, readonly Link[]>();

function findLinks(vehicle: Vehicle, passive: Passive, corner: FaultCorner): readonly Link[] {
  const fed = faultNetwork(vehicle, corner);
  return passive.capacitors.flatMap(({ a, b, capacitanceF }): Link[] => {
    if (!fed?.has(a) || !fed.has(b) || !fed.sameIsland(a, b)) return [];
    const turning = mayTurn(vehicle, a.slice(0, a.lastIndexOf('.')));
    const [plus, minus] = [endOf(passive.network, a), endOf(passive.network, b)];
    return [{ plus, minus, capacitanceF, voltageV: fed.openVoltage(a) - fed.openVoltage(b), turning }];
  });
}

/** A way through the wires, from one place of the network to another. */
type Leg = readonly [into: number, outOf: number];

/** The loop of one capacitor through a short: its way out and back, and its resistance. */
interface Loop {
  readonly link: Link;
  readonly legs: readonly Leg[];
  readonly ohm: number;
}

function loopOf({ network }: Passive, link: Link, a: End, b: End): Loop | null {
  if (!(Math.abs(link.voltageV) > 1)) return null;
  const legs = legsOf(link.plus, a, b, link.minus) ?? legsOf(link.plus, b, a, link.minus);
  if (!legs) return null;
  const ohm = legs.reduce(
    (sum, [p, q]) => sum + network.transferOhm(p, p) + network.transferOhm(q, q) - 2 * network.transferOhm(p, q),
    CAPACITOR_OHM,
  );
  return { link, legs, ohm };
}

/** The ways from the first to the second and from the third to the fourth; none for two that are one. Null: wires do not join a pair. */
function legsOf(p: End, q: End, r: End, s: End): readonly Leg[] | null {
  const legs: Leg[] = [];
  for (const [from, to] of [[p, q] as const, [r, s] as const]) {
    if (from.node === to.node) continue;
    if (from.place === null || to.place === null || from.island !== to.island) return null;
    legs.push([from.place, to.place]);
  }
  return legs;
}

/** Inductance of a loop, H. */
function loopHenry(vehicle: Vehicle, { network }: Passive, { legs }: Loop): number {
  const each = inductances(vehicle);
  const weight = (p: number, q: number) => network.transferWeight(p, q, (id) => each.get(id) ?? 0);
  return legs.reduce((sum, [p, q]) => sum + weight(p, p) + weight(q, q) - 2 * weight(p, q), CAPACITOR_H);
}

/** Mean of three-phase current behind six diodes over its rms: 3·√2/π. */
const RECTIFIED = (3 * Math.SQRT2) / Math.PI;

/**
 * What a permanent-magnet motor that turns drives into a short of the bus, A: its phase current in a short, taken as the most that the
 * inverter is rated to put into it (near the characteristic current of such motors, generic), rectified. Null: there is none, or not told.
 */
export function turningMotorA(vehicle: Vehicle): number | null {
  const motors = vehicle.devices.flatMap((device) => partOf(device, 'motor') ?? []);
  const turning = motors.filter(({ motorKind }) => motorKind === 'permanent-magnet');
  if (turning.length === 0) return null;
  const inverters = vehicle.devices.flatMap((device) => partOf(device, 'inverter') ?? []);
  // Where the inverter's sheet does not tell it, what the motor takes at its peak torque.
  const untold = inverters.some(({ maxMotorCurrentA }) => maxMotorCurrentA === undefined) || inverters.length === 0;
  const phaseA = Math.max(
    0,
    ...inverters.map(({ maxMotorCurrentA }) => maxMotorCurrentA ?? 0),
    ...(untold ? turning.map(motorCurrentA) : []),
  );
  return phaseA > 0 ? RECTIFIED * phaseA : null;
}

/**
 * What capacitors and motor add to a fault between two nodes: each capacitor by itself, all that it holds turned into heat in its own loop
 * (∫i² dt = C·V²/2R whatever L is); together they count as if all their currents were of one shape, which is the most that they can be.
 */
export function faultFeeds(vehicle: Vehicle, between: Pick<Fault, 'a' | 'b' | 'corner'>): FaultFeeds {
  return feedsOf.get(vehicle, () => findFeeds(vehicle, between), `${between.corner} ${between.a} ${between.b}`);
}

const feedsOf = new Follows<Vehicle, FaultFeeds>();

function findFeeds(vehicle: Vehicle, { a, b, corner }: Pick<Fault, 'a' | 'b' | 'corner'>): FaultFeeds {
  const passive = passiveOf(vehicle);
  if (!passive) return NOTHING;
  const { network, turningA } = passive;
  const [endA, endB] = [endOf(network, a), endOf(network, b)];
  const loops = linksOf(vehicle, passive, corner).flatMap((link) => loopOf(passive, link, endA, endB) ?? []);
  if (loops.length === 0) return NOTHING;
  const share = ({ legs }: Loop, id: Id): number => {
    let sum = 0;
    for (const [into, outOf] of legs) sum += Math.abs(network.unitFlow(id, into, outOf));
    return sum;
  };
  const inverters = turningA === 0 ? [] : loops.filter(({ link }) => link.turning);
  const motorA = (id: Id): number => turningA * inverters.reduce((sum, loop) => sum + share(loop, id), 0);
  const peaks = later(() =>
    loops.map(
      (loop) =>
        inrush({
          differenceV: Math.abs(loop.link.voltageV),
          resistanceOhm: loop.ohm,
          inductanceH: loopHenry(vehicle, passive, loop),
          capacitanceF: loop.link.capacitanceF,
        }).peakCurrentA,
    ),
  );
  const roots = loops.map(({ link, ohm }) => Math.sqrt((link.capacitanceF * link.voltageV ** 2) / (2 * ohm)));
  return {
    i2tOf: (id, seconds) => {
      const root = loops.reduce((sum, loop, k) => sum + share(loop, id) * roots[k]!, 0);
      return root ** 2 + motorA(id) ** 2 * seconds;
    },
    capacitorPeakA: (id) => loops.reduce((sum, loop, k) => sum + peaks()[k]! * share(loop, id), 0),
    motorA,
  };
}
