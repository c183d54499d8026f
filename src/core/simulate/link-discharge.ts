import { hasTrait } from '../build';
import { capacitorEnergyJ, parallelOhm, timeToVoltage } from '../physics/discharge';
import { partOf, type ResolvedDevice, terminalNode, type Vehicle } from '../vehicle';
import { consumersOf, everyContactor } from './left-live';
import { type Closed, potentials } from './potentials';

/** Capacitors that stay side by side with every contactor open, and what bleeds them. */
export interface LinkDischarge {
  readonly capacitanceF: number;
  readonly resistanceOhm: number | null;
  readonly devices: readonly ResolvedDevice[];
  /** Consumers whose terminals stand on it, with or without a capacitor of their own. */
  readonly consumers: readonly ResolvedDevice[];
  /** Devices whose capacitor has no bleed resistor that is known. */
  readonly unknown: readonly ResolvedDevice[];
  /** From full charge to the edge of class A, s; null: never. */
  readonly timeS: number | null;
  readonly energyJ: number;
  /** What the bleeds take while the bus is live, W. */
  readonly lossW: number;
}

/**
 * Every piece of bus that holds charge after so much has opened (every contactor when nothing is said), the slowest first: a capacitor
 * behind its own contactor is one.
 */
export function linkDischarges(
  vehicle: Vehicle,
  fullV: number,
  safeV: number,
  closed: Closed = { open: everyContactor(vehicle) },
): readonly LinkDischarge[] {
  const at = potentials(vehicle, { ...closed, throughBleeds: false });
  const between = (device: ResolvedDevice, a: string, b: string) =>
    [at.islandOf(terminalNode(device, a)), at.islandOf(terminalNode(device, b))].sort().join(' ');
  const found = new Map<
    string,
    { capacitanceF: number; ohms: number[]; devices: ResolvedDevice[]; unknown: ResolvedDevice[] }
  >();
  for (const device of vehicle.devices) {
    const part = partOf(device, 'inverter') ?? partOf(device, 'bus-device');
    if (!part || part.linkCapacitanceF <= 0) continue;
    const key = between(device, 'plus', 'minus');
    const piece = found.get(key) ?? { capacitanceF: 0, ohms: [], devices: [], unknown: [] };
    found.set(key, piece);
    piece.capacitanceF += part.linkCapacitanceF;
    piece.devices.push(device);
    if (part.bleedResistanceOhm !== undefined) piece.ohms.push(part.bleedResistanceOhm);
    else piece.unknown.push(device);
  }
  for (const device of vehicle.devices) {
    const resistor = device.device.kind === 'discharge-resistor' ? partOf(device, 'resistor') : null;
    if (resistor) found.get(between(device, 'a', 'b'))?.ohms.push(resistor.resistanceOhm);
  }
  return [...found]
    .map(([key, { capacitanceF, ohms, devices, unknown }]): LinkDischarge => {
      const resistanceOhm = parallelOhm(...ohms);
      return {
        capacitanceF,
        resistanceOhm,
        devices,
        consumers: consumersOf(vehicle).filter((one) => between(one, 'plus', 'minus') === key),
        unknown,
        timeS: timeToVoltage({ startVoltageV: fullV, capacitanceF, resistanceOhm }, safeV),
        energyJ: capacitorEnergyJ(capacitanceF, fullV),
        lossW: resistanceOhm === null ? 0 : fullV ** 2 / resistanceOhm,
      };
    })
    .sort((p, r) => (r.timeS ?? Number.POSITIVE_INFINITY) - (p.timeS ?? Number.POSITIVE_INFINITY));
}

/** The slowest of them. Null without a link. */
export const linkDischarge = (vehicle: Vehicle, fullV: number, safeV: number): LinkDischarge | null =>
  linkDischarges(vehicle, fullV, safeV)[0] ?? null;

/** Leakage taken for a device whose own is not known, Ω (generic: a sound device has tens of megohms). */
export const ASSUMED_LEAK_OHM = 10e6;

/** Everything that leaks to the body, side by side, Ω; null without high-voltage devices. */
export function leakageOhm(vehicle: Vehicle): number | null {
  const devices = vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'leaks'));
  return parallelOhm(...devices.map(({ device }) => device.insulationOhm ?? ASSUMED_LEAK_OHM));
}
