import type { Id } from '../build';
import { type Element, FaultNetwork, NetworkError } from '../circuit';
import { OHMIC_SHARE } from '../physics/cell';
import {
  type Corner,
  cornersOf,
  Follows,
  groundOf,
  Recent,
  room,
  type State,
  spelled,
  stamp,
  type Vehicle,
} from '../vehicle';

/** Where a fault current is at its highest, and where at its lowest. */
export type FaultCorner = 'highest' | 'lowest';

/** An arc takes this much of the driving voltage in the lowest case, V (generic: 20–30). */
export const ARC_V = 25;
/** Separate conductors of a loop per metre, and the pack as a whole (generic). */
export const CONDUCTOR_H_PER_M = 0.5e-6;
const PACK_H = 5e-6;

/** Every contactor is closed, precharge relays and charge contactors too: what is not opened by hand counts as joined. */
const EVERYTHING: State = { id: 'cruise', name: 'Everything closed', duration: 'sustained', closed: [] };

const networks = room(() => new Recent<FaultNetwork | 'none'>(16));

function cornerOf(vehicle: Vehicle, which: FaultCorner): Corner {
  const wanted = which === 'highest' ? 'warm-new-full' : 'cold-old-empty';
  return cornersOf(vehicle.build).find((corner) => corner.id === wanted)!;
}

/**
 * The traction circuit for faults: every contactor closed, loads off. Highest: warm, new, full pack, cold conductors, milliseconds.
 * Lowest: cold, aged, empty, conductors at their class temperature, slow resistance. `open` are devices that have opened. Null without cells.
 */
export function faultNetwork(vehicle: Vehicle, which: FaultCorner, open: readonly Id[] = []): FaultNetwork | null {
  // The same vehicle is asked hundreds of times; a vehicle that only drives differently shares the network by its key.
  const name = `${which}${open.length === 0 ? '' : ` ${[...open].sort().join(' ')}`}`;
  return ofVehicle.get(vehicle, () => makeNetwork(vehicle, which, open), name);
}

const ofVehicle = new Follows<Vehicle, FaultNetwork | null>();

function makeNetwork(vehicle: Vehicle, which: FaultCorner, open: readonly Id[]): FaultNetwork | null {
  const ground = groundOf(vehicle);
  if (ground === null) return null;
  const elements = faultElements(vehicle, which, open);
  // Lengths count too: the inductances of a network go with it.
  const lengths = vehicle.conductors.map(({ lengthM }) => lengthM);
  const found = vehicle.memory.of(networks).get(spelled(ground, elements, lengths), () => {
    try {
      return new FaultNetwork(elements, ground);
    } catch (error) {
      if (error instanceof NetworkError) return 'none';
      throw error;
    }
  });
  return found === 'none' ? null : found;
}

/** Everything closed and no load on, as a fault finds it; with the link capacitors for what happens in the first moment. */
export function faultElements(
  vehicle: Vehicle,
  which: FaultCorner,
  open: readonly Id[] = [],
  capacitors = false,
): Element[] {
  return stamp(vehicle, {
    state: EVERYTHING,
    closed: new Set(vehicle.devices.filter(({ device }) => device.kind === 'contactor').map(({ id }) => id)),
    corner: cornerOf(vehicle, which),
    temperatureOf: (id) => {
      const conductor = vehicle.conductorOf.get(id);
      return which === 'highest' ? 20 : (conductor?.cable?.temperatureClassC ?? 90);
    },
    ohmicShare: which === 'highest' ? OHMIC_SHARE : 1,
    capacitors,
    withoutLoads: true,
  }).filter((element) => !open.includes(element.id));
}

/** Inductance of an element of the fault loop, H (generic): conductors by length, the pack shared out over its cells. */
export const inductances = (vehicle: Vehicle): ReadonlyMap<Id, number> =>
  ofInductances.get(vehicle, () => findInductances(vehicle));

const ofInductances = new Follows<Vehicle, ReadonlyMap<Id, number>>();

function findInductances(vehicle: Vehicle): ReadonlyMap<Id, number> {
  const cells = vehicle.devices.reduce((sum, { device }) => sum + (device.cellsInSeries ?? 0), 0);
  const found = new Map<Id, number>();
  for (const { id, device } of vehicle.devices)
    if (device.kind === 'box' && cells > 0) found.set(id, (PACK_H * (device.cellsInSeries ?? 0)) / cells);
  for (const conductor of vehicle.conductors) found.set(conductor.id, CONDUCTOR_H_PER_M * (conductor.lengthM ?? 1));
  return found;
}
