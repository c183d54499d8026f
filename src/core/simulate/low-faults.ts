import type { Id } from '../build';
import { FaultNetwork, NetworkError } from '../circuit';
import { Follows, type LowWiring, lowFaultElements, lowVoltage, lowWiring, type Vehicle } from '../vehicle';

/** A bolted short in the 12-volt circuit. */
export interface LowFault {
  /** Through the fuse asked about, A. */
  readonly throughA: number;
  /** At the fault, A. */
  readonly faultA: number;
}

/** Full and warm with cold wires, or half empty and cold with hot ones. */
const CORNERS = {
  highest: { socBattery: 1, batteryC: 40, wireC: 20 },
  lowest: { socBattery: 0.5, batteryC: -20, wireC: 90 },
} as const;
export type LowFaultCorner = keyof typeof CORNERS;

const networks = new Follows<LowWiring, FaultNetwork | null>();

const networkOf = (vehicle: Vehicle, corner: LowFaultCorner): FaultNetwork | null =>
  networks.get(lowWiring(vehicle), () => makeNetwork(vehicle, corner), corner);

function makeNetwork(vehicle: Vehicle, corner: LowFaultCorner): FaultNetwork | null {
  const stamped = lowFaultElements(lowVoltage(vehicle), CORNERS[corner]);
  try {
    return stamped ? new FaultNetwork(stamped.elements, stamped.ground) : null;
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    return null;
  }
}

/**
 * A short between two nodes of the 12-volt circuit, seen from one of its fuses: the battery through every resistance out and back, A; at
 * the highest the converters' rated currents on top, since they feed it too. Null where nothing joins the nodes or no battery is told.
 */
export function lowFault(vehicle: Vehicle, fuseId: Id, a: string, b: string, corner: LowFaultCorner): LowFault | null {
  const low = lowVoltage(vehicle);
  const network = networkOf(vehicle, corner);
  if (!network?.has(a) || !network.has(b)) return null;
  const { openVoltageV, theveninOhm } = network.look(a, b);
  if (theveninOhm === null || theveninOhm <= 0 || openVoltageV <= 0) return null;
  const faultA = openVoltageV / theveninOhm;
  const through = Math.abs(network.currentsOneByOne(a, b, faultA)(fuseId));
  // The battery's own share decides; where next to none of it passes this fuse, it is a converter's.
  const fed = corner === 'highest' ? low.converters.reduce((sum, one) => sum + one.ratedPowerW / one.outputV, 0) : 0;
  return { throughA: through + fed, faultA: faultA + fed };
}
