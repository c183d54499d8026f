import type { Id } from '../build';
import type { FaultNetwork } from '../circuit';
import { Follows, later, terminalNode, type Vehicle } from '../vehicle';
import { ARC_V, type FaultCorner, faultNetwork, inductances } from './fault-network';
import { potentials } from './potentials';

/** A short between two nodes: what flows before anything opens. Currents and time constant are worked out when they are asked for. */
export class Fault {
  private known: ReadonlyMap<Id, number> | null = null;
  private oneByOne: ((id: Id) => number) | null = null;
  private readonly tau = later(() => this.findTau());

  constructor(
    private readonly vehicle: Vehicle,
    private readonly network: FaultNetwork,
    readonly a: string,
    readonly b: string,
    readonly corner: FaultCorner,
    /** What drives it, V: the open voltage, less the arc in the lowest case. */
    readonly voltageV: number,
    readonly prospectiveA: number,
    private readonly sign: number,
  ) {}

  /** Through each element while it lasts, A. */
  get currents(): ReadonlyMap<Id, number> {
    this.known ??= this.network.currents(this.a, this.b, this.sign * this.prospectiveA);
    return this.known;
  }

  /** |Current| through one element, A. */
  through(id: Id): number {
    this.oneByOne ??= this.network.currentsOneByOne(this.a, this.b, this.sign * this.prospectiveA);
    return Math.abs(this.oneByOne(id));
  }

  /** L/R of the loops that feed it, weighted by the energy in them, s. */
  get timeConstantS(): number {
    return this.tau();
  }

  private findTau(): number {
    const henry = inductances(this.vehicle);
    const amps = this.sign * this.prospectiveA;
    const energyH = this.network.weightedSquares(this.a, this.b, amps, (id) => henry.get(id) ?? 0) / amps ** 2;
    return (energyH * this.prospectiveA) / this.voltageV;
  }
}

/** A short between two nodes with the devices in `open` already open; null when nothing drives it. */
export function faultBetween(
  vehicle: Vehicle,
  a: string,
  b: string,
  corner: FaultCorner,
  open: readonly Id[] = [],
): Fault | null {
  // What has opened may have taken the two ends apart: then there is nothing to solve.
  if (open.length > 0 && !stillJoined(vehicle, a, b, open)) return null;
  const network = faultNetwork(vehicle, corner, open);
  if (!network || a === b || !network.has(a) || !network.has(b)) return null;
  const { openVoltageV, theveninOhm } = network.look(a, b);
  if (theveninOhm === null || !(theveninOhm > 0)) return null;
  const voltageV = Math.abs(openVoltageV) - (corner === 'lowest' ? ARC_V : 0);
  if (!(voltageV > 1)) return null;
  return new Fault(vehicle, network, a, b, corner, voltageV, voltageV / theveninOhm, Math.sign(openVoltageV));
}

function stillJoined(vehicle: Vehicle, a: string, b: string, open: readonly Id[]): boolean {
  const at = potentials(vehicle, { open: new Set(open), relaysClosed: true });
  return at.islandOf(a) === at.islandOf(b);
}

/** The nodes between which the pack stands at its fullest: its most negative and its most positive terminal. */
export const packPoles = (vehicle: Vehicle): PackPoles | null => poles.get(vehicle, () => findPoles(vehicle));

export interface PackPoles {
  readonly minus: string;
  readonly plus: string;
}
const poles = new Follows<Vehicle, PackPoles | null>();

function findPoles(vehicle: Vehicle): PackPoles | null {
  const network = faultNetwork(vehicle, 'highest');
  if (!network) return null;
  const terminals = vehicle.devices
    .filter(({ device, part }) => device.kind === 'box' && part !== null)
    .flatMap((box) => [terminalNode(box, 'plus'), terminalNode(box, 'minus')])
    .filter((node) => network.has(node));
  const byVoltage = terminals.sort((p, q) => network.openVoltage(p) - network.openVoltage(q));
  const minus = byVoltage[0];
  const plus = byVoltage.at(-1);
  return minus === undefined || plus === undefined ? null : { minus, plus };
}
