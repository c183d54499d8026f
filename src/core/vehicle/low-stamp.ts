import type { AuxiliaryBatteryData, Id } from '../build';
import type { Element } from '../circuit';
import { type Chemistry, openCircuitVoltage, resistanceTemperatureFactor } from '../physics/cell';
import { fuseResistance } from '../physics/fuse';
import type { LowLoad, LowSetting, LowVoltage, Running } from './low-types';
import { partOf, type Resolved, type ResolvedDevice } from './resolve';
import { conductorOhm } from './stamp';

const CELLS: Readonly<Record<AuxiliaryBatteryData['chemistry'], readonly [Chemistry, number]>> = {
  'lead-flooded': ['lead-flooded', 6],
  'lead-agm': ['lead-agm', 6],
  lfp: ['lfp', 4],
};

/** Rest voltage of an auxiliary battery at a state of charge, V. */
export const auxiliaryRestV = ({ chemistry }: AuxiliaryBatteryData, soc: number): number =>
  CELLS[chemistry][1] * openCircuitVoltage(CELLS[chemistry][0], soc);

/** Closed contact of a switch or relay, and of a converter’s output, Ω (generic). */
const CONTACT_OHM = 0.002;
const OUTPUT_OHM = 0.002;
const ratingOf = ({ load }: LowLoad, running: Running): number =>
  running === 'peak' ? Math.max(load.peakRating ?? 0, load.rating) : load.rating;

const SWITCHES: ReadonlySet<string> = new Set(['lv-switch', 'emergency-stop', 'inertia-switch', 'interlock-contact']);

/** Battery source of the auxiliary battery, by state of charge and cold. */
export const batteryOhm = (data: AuxiliaryBatteryData, batteryC: number): number =>
  data.resistanceOhm * resistanceTemperatureFactor(batteryC);

/** Fuses, contacts and coils as elements: what stands there whatever runs. */
export function stampStanding(low: LowVoltage, resolved: Resolved, awake: boolean): Element[] {
  const elements: Element[] = [];
  const resistor = (id: string, a: string, b: string, resistanceOhm: number) =>
    elements.push({ id, kind: 'resistor', a, b, resistanceOhm });
  for (const device of low.lv.devices) {
    const { id } = device;
    const { kind } = device.device;
    if (kind === 'lv-fuse') {
      const fuse = partOf(device, 'fuse');
      resistor(id, `${id}.a`, `${id}.b`, fuse ? fuseResistance(fuse) : 0.005);
    } else if (kind === 'relay') {
      resistor(id, `${id}.a`, `${id}.b`, CONTACT_OHM);
    } else if (SWITCHES.has(kind) && (awake || staysClosed(device))) {
      resistor(id, `${id}.a`, `${id}.b`, CONTACT_OHM);
    }
  }
  if (awake)
    for (const { id, device, part } of resolved.devices) {
      if (device.kind === 'disconnect') resistor(id, `${id}.auxA`, `${id}.auxB`, CONTACT_OHM);
      if (device.kind === 'contactor' && part?.kind === 'contactor')
        resistor(id, `${id}.coilPlus`, `${id}.coilMinus`, part.coilVoltageV ** 2 / part.coilPowerW);
    }
  return elements;
}

/** Loads as they run, W; a current at the voltage that the last round found. */
export function stampLoads(
  low: LowVoltage,
  { running: states }: LowSetting,
  loadV: ReadonlyMap<Id, number>,
): Element[] {
  const elements: Element[] = [];
  for (const entry of low.loads) {
    const running = states.get(entry.id) ?? 'off';
    if (running === 'off') continue;
    const [a, b] = [`${entry.id}.plus`, `${entry.id}.minus`];
    const rating = ratingOf(entry, running);
    if (!(rating > 0)) continue;
    const { kind, referenceVoltageV } = entry.load;
    if (kind === 'constant-resistance')
      elements.push({ id: entry.id, kind: 'resistor', a, b, resistanceOhm: (referenceVoltageV ?? 13.8) ** 2 / rating });
    else
      elements.push({
        id: entry.id,
        kind: 'power',
        a,
        b,
        // A current is a power at the voltage that the last round found.
        powerW: kind === 'constant-power' ? rating : rating * (loadV.get(entry.id) ?? 13),
      });
  }
  return elements;
}

/** Asleep a main switch is open where it is one; a switch in a load’s own feed stays as it is; the coils’ loop opens with the key. */
const staysClosed = ({ device }: ResolvedDevice): boolean =>
  device.kind === 'lv-switch' && device.opensParked !== true && device.ratedA !== undefined;

/** What a battery takes at most, A (generic): three tenths of C while it is empty, less and less as it fills, a trickle when it is full. */
export const acceptanceA = ({ capacityAh }: AuxiliaryBatteryData, soc: number): number =>
  capacityAh * Math.max(0.002, Math.min(0.3, 1.5 * (1 - soc)));

/** How battery and converters stand in one solution. */
export interface Feeds {
  /** Voltage that each converter holds, V; one that is not here gives nothing. */
  readonly converterV: ReadonlyMap<Id, number>;
  /** Null: the battery stands as a source; else it takes what it accepts, at this voltage. */
  readonly chargedAtV: number | null;
}

/** Battery and converters as elements. */
export function sourcesOf(low: LowVoltage, setting: LowSetting, { converterV, chargedAtV }: Feeds): Element[] {
  const elements: Element[] = [];
  const { battery, converters } = low;
  if (battery?.data) {
    const { id } = battery.device;
    const ends = { id, a: `${id}.plus`, b: `${id}.minus` };
    elements.push(
      chargedAtV === null
        ? {
            ...ends,
            kind: 'source',
            voltageV: auxiliaryRestV(battery.data, setting.socBattery),
            resistanceOhm: batteryOhm(battery.data, setting.batteryC),
          }
        : { ...ends, kind: 'power', powerW: acceptanceA(battery.data, setting.socBattery) * chargedAtV },
    );
  }
  for (const { id } of converters) {
    const voltageV = converterV.get(id);
    if (voltageV !== undefined)
      elements.push({
        id,
        kind: 'source',
        a: `${id}.lvPlus`,
        b: `${id}.lvMinus`,
        voltageV,
        resistanceOhm: OUTPUT_OHM,
      });
  }
  return elements;
}

/**
 * The 12-volt circuit for faults: battery alone, every fuse, switch and relay closed, loads off, wires at `wireC`. Null without a battery
 * whose kind is told. A converter only adds what it is rated for, which is counted beside this.
 */
export function lowFaultElements(
  low: LowVoltage,
  { socBattery, batteryC, wireC }: { readonly socBattery: number; readonly batteryC: number; readonly wireC: number },
): { readonly elements: readonly Element[]; readonly ground: string } | null {
  const { battery, lv } = low;
  if (!battery?.data) return null;
  const { id } = battery.device;
  const closed = lv.devices.flatMap((device): Element[] => {
    const { kind } = device.device;
    const [a, b] = [`${device.id}.a`, `${device.id}.b`];
    if (kind === 'lv-fuse') {
      const fuse = partOf(device, 'fuse');
      return [{ id: device.id, kind: 'resistor', a, b, resistanceOhm: fuse ? fuseResistance(fuse) : 0.005 }];
    }
    return kind === 'relay' || SWITCHES.has(kind)
      ? [{ id: device.id, kind: 'resistor', a, b, resistanceOhm: CONTACT_OHM }]
      : [];
  });
  return {
    ground: `${id}.minus`,
    elements: [
      ...lv.conductors.map(
        (wire): Element => ({
          id: wire.id,
          kind: 'resistor',
          a: wire.nodeA,
          b: wire.nodeB,
          resistanceOhm: Math.max(1e-6, conductorOhm(wire, wireC)),
        }),
      ),
      ...closed,
      {
        id,
        kind: 'source',
        a: `${id}.plus`,
        b: `${id}.minus`,
        voltageV: auxiliaryRestV(battery.data, socBattery),
        resistanceOhm: batteryOhm(battery.data, batteryC),
      },
    ],
  };
}
