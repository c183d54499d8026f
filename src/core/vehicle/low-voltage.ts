import type { AuxiliaryBatteryData, Device, Id, LvLoad, ScenarioId } from '../build';
import { type Element, NetworkError, type OperatingPoint, OperatingPointSolver } from '../circuit';
import { type Chemistry, openCircuitVoltage, resistanceTemperatureFactor } from '../physics/cell';
import { fuseResistance } from '../physics/fuse';
import { lowReads } from './low-reads';
import { Memo } from './memo';
import { partOf, type Resolved, type ResolvedConductor, type ResolvedDevice, resolve } from './resolve';
import { conductorOhm } from './stamp';

/** The 12-volt circuit as it feeds the car: battery, converters, loads, and what stands before each load. */
export interface LowVoltage {
  readonly lv: Resolved;
  readonly battery: { readonly device: Device; readonly data: AuxiliaryBatteryData | null } | null;
  readonly converters: readonly Converter[];
  readonly loads: readonly LowLoad[];
}

export interface Converter {
  readonly id: Id;
  readonly device: Device;
  readonly outputV: number;
  /** What it gives in its hot place, W. */
  readonly powerW: number;
  readonly ratedPowerW: number;
  readonly efficiency: number;
}

export interface LowLoad {
  readonly id: Id;
  readonly name: string;
  readonly load: LvLoad;
}

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
/** Resistance of wires that carry little, at this temperature, °C. */
const WIRE_C = 50;

interface Kept {
  readonly reads: readonly unknown[];
  readonly made: LowVoltage;
}
const MOST_KEPT = 8;
const kept: Kept[] = [];

/** The 12-volt side of a build; battery null when there is none. The same object while nothing that it reads has changed. */
export function lowVoltage(vehicle: Resolved): LowVoltage {
  const quick = ofDevices.get(vehicle.devices);
  if (quick) return quick;
  const made = keptOr(vehicle);
  ofDevices.set(vehicle.devices, made);
  return made;
}

/** A solved vehicle keeps its list of devices as long as its circuits, places and routes stand. */
const ofDevices = new WeakMap<Resolved['devices'], LowVoltage>();

function keptOr(vehicle: Resolved): LowVoltage {
  const reads = lowReads(vehicle);
  const known = kept.find(
    (one) => one.reads.length === reads.length && one.reads.every((read, i) => read === reads[i]),
  );
  if (known) return known.made;
  const lv = resolve(vehicle.build, 'lv');
  const battery = lv.devices.find(({ device }) => device.kind === 'auxiliary-battery')?.device;
  const made: LowVoltage = {
    lv,
    battery: battery ? { device: battery, data: battery.battery ?? null } : null,
    converters: vehicle.devices.flatMap(({ id, device }): Converter[] => {
      if (!device.converter) return [];
      const { outputV, ratedPowerW, efficiency, hotShare } = device.converter;
      return [{ id, device, outputV, ratedPowerW, efficiency, powerW: ratedPowerW * (hotShare ?? 1) }];
    }),
    loads: lv.devices.flatMap(({ id, device }): LowLoad[] =>
      device.kind === 'lv-load' && device.load ? [{ id, name: device.name, load: device.load }] : [],
    ),
  };
  kept.unshift({ reads, made });
  kept.length = Math.min(kept.length, MOST_KEPT);
  return made;
}

/** How a load runs in one solution. */
export type Running = 'off' | 'on' | 'peak';

export interface LowSetting {
  readonly running: ReadonlyMap<Id, Running>;
  /** Converters are on; each holds its voltage up to its power, then its power. */
  readonly converters: boolean;
  readonly socBattery: number;
  readonly batteryC: number;
  /** Switches of the coils’ loop and main switches; closed when the car is awake. */
  readonly awake: boolean;
}

export interface LowPoint {
  readonly point: OperatingPoint | null;
  /** At a load’s terminals, V. */
  readonly loadV: (id: Id) => number;
  readonly batteryV: number;
  /** Positive while the battery gives, A. */
  readonly batteryA: number;
  readonly converterA: ReadonlyMap<Id, number>;
  /** Converters that are at their limit. */
  readonly limited: readonly Id[];
  readonly currentA: (id: Id) => number;
}

const ratingOf = ({ load }: LowLoad, running: Running): number =>
  running === 'peak' ? Math.max(load.peakRating ?? 0, load.rating) : load.rating;

const SWITCHES: ReadonlySet<string> = new Set(['lv-switch', 'emergency-stop', 'inertia-switch', 'interlock-contact']);

/** Battery source of the auxiliary battery, by state of charge and cold. */
export const batteryOhm = (data: AuxiliaryBatteryData, batteryC: number): number =>
  data.resistanceOhm * resistanceTemperatureFactor(batteryC);

function stampDevices(
  low: LowVoltage,
  resolved: Resolved,
  setting: LowSetting,
  loadV: ReadonlyMap<Id, number>,
): Element[] {
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
    } else if (SWITCHES.has(kind) && (setting.awake || staysClosed(device))) {
      resistor(id, `${id}.a`, `${id}.b`, CONTACT_OHM);
    }
  }
  if (setting.awake)
    for (const { id, device, part } of resolved.devices) {
      if (device.kind === 'disconnect') resistor(id, `${id}.auxA`, `${id}.auxB`, CONTACT_OHM);
      if (device.kind === 'contactor' && part?.kind === 'contactor')
        resistor(id, `${id}.coilPlus`, `${id}.coilMinus`, part.coilVoltageV ** 2 / part.coilPowerW);
    }
  for (const entry of low.loads) {
    const running = setting.running.get(entry.id) ?? 'off';
    if (running === 'off') continue;
    const [a, b] = [`${entry.id}.plus`, `${entry.id}.minus`];
    const rating = ratingOf(entry, running);
    if (!(rating > 0)) continue;
    const { kind, referenceVoltageV } = entry.load;
    if (kind === 'constant-resistance') resistor(entry.id, a, b, (referenceVoltageV ?? 13.8) ** 2 / rating);
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

function sourcesOf(
  low: LowVoltage,
  setting: LowSetting,
  limited: ReadonlySet<Id>,
  off: ReadonlySet<Id>,
  chargedAtV: number | null,
): Element[] {
  const elements: Element[] = [];
  const { battery, converters } = low;
  if (battery?.data && chargedAtV !== null)
    elements.push({
      id: battery.device.id,
      kind: 'power',
      a: `${battery.device.id}.plus`,
      b: `${battery.device.id}.minus`,
      powerW: acceptanceA(battery.data, setting.socBattery) * chargedAtV,
    });
  else if (battery?.data)
    elements.push({
      id: battery.device.id,
      kind: 'source',
      a: `${battery.device.id}.plus`,
      b: `${battery.device.id}.minus`,
      voltageV: auxiliaryRestV(battery.data, setting.socBattery),
      resistanceOhm: batteryOhm(battery.data, setting.batteryC),
    });
  if (setting.converters)
    for (const { id, outputV, powerW } of converters) {
      if (off.has(id)) continue;
      const [a, b] = [`${id}.lvPlus`, `${id}.lvMinus`];
      if (limited.has(id)) elements.push({ id, kind: 'power', a, b, powerW: -powerW });
      else elements.push({ id, kind: 'source', a, b, voltageV: outputV, resistanceOhm: OUTPUT_OHM });
    }
  return elements;
}

const wireOhm = (conductor: ResolvedConductor): number => conductorOhm(conductor, WIRE_C);
const MOST_ROUNDS = 8;

/** One solution of the whole 12-volt circuit, out and back. Null voltages where nothing feeds a load. */
export function solveLow(vehicle: Resolved, setting: LowSetting): LowPoint {
  const low = lowVoltage(vehicle);
  const known = answers.get(low) ?? new Memo<LowPoint>(400);
  answers.set(low, known);
  const { running, converters, socBattery, batteryC, awake } = setting;
  const key = `${converters}|${socBattery}|${batteryC}|${awake}|${[...running].join()}`;
  return known.get(key, () => solveSetting(vehicle, low, setting));
}

const answers = new WeakMap<LowVoltage, Memo<LowPoint>>();

function solveSetting(vehicle: Resolved, low: LowVoltage, setting: LowSetting): LowPoint {
  const wires: Element[] = low.lv.conductors.map((conductor) => ({
    id: conductor.id,
    kind: 'resistor',
    a: conductor.nodeA,
    b: conductor.nodeB,
    resistanceOhm: Math.max(1e-6, wireOhm(conductor)),
  }));
  const ground = low.battery
    ? `${low.battery.device.id}.minus`
    : low.converters[0]
      ? `${low.converters[0].id}.lvMinus`
      : null;
  if (ground === null) return NOTHING;
  let limited = new Set<Id>();
  const off = new Set<Id>();
  let loadV = new Map<Id, number>();
  // Null: the battery stands as a source; else it takes what it accepts, at this voltage.
  let chargedAtV: number | null = null;
  for (let round = 0; ; round++) {
    const elements = [
      ...wires,
      ...sourcesOf(low, setting, limited, off, chargedAtV),
      ...stampDevices(low, vehicle, setting, loadV),
    ];
    const one = solveOnce(low, elements, ground, limited);
    // Sources and loads in a wrong mix have no solution: what the loads saw before still stands.
    const nextV = one.point?.solvable ? new Map(low.loads.map(({ id }) => [id, one.loadV(id)])) : loadV;
    const over = low.converters.filter(
      ({ id, outputV, powerW }) => !limited.has(id) && (one.converterA.get(id) ?? 0) * outputV > powerW * 1.0001,
    );
    const back = low.converters.filter(
      ({ id }) => !limited.has(id) && !off.has(id) && (one.converterA.get(id) ?? 0) < -1e-6,
    );
    const moved = Math.max(
      0,
      ...low.loads
        .filter(({ load }) => load.kind === 'constant-current')
        .map(({ id }) => Math.abs((nextV.get(id) ?? 13) - (loadV.get(id) ?? 13))),
    );
    const data = low.battery?.data;
    const accepts = data ? acceptanceA(data, setting.socBattery) : 0;
    const tooMuch = chargedAtV === null && data !== undefined && data !== null && one.batteryA < -accepts * 1.0001;
    const drifted = chargedAtV !== null && Math.abs(one.batteryV - chargedAtV) > 0.01;
    // A converter at its limit may not bear even that: the battery is a source again.
    const starved = chargedAtV !== null && data != null && one.batteryV < auxiliaryRestV(data, setting.socBattery);
    if (
      (over.length === 0 && back.length === 0 && moved < 0.01 && !tooMuch && !drifted && !starved) ||
      round >= MOST_ROUNDS
    )
      return one;
    if (starved) chargedAtV = null;
    else if (tooMuch || drifted) chargedAtV = Math.max(10, one.batteryV);
    // What the battery would not take is no load of the converter: look again before its limit counts.
    if (!tooMuch) limited = new Set([...limited, ...over.map(({ id }) => id)]);
    for (const { id } of back) off.add(id);
    loadV = nextV;
  }
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

const NOTHING: LowPoint = {
  point: null,
  loadV: () => 0,
  batteryV: 0,
  batteryA: 0,
  converterA: new Map(),
  limited: [],
  currentA: () => 0,
};

const solvers = new Memo<OperatingPointSolver>(64);

/** One solver for each structure of the circuit: what runs changes values more often than the structure. */
function solverFor(elements: readonly Element[], ground: string): OperatingPointSolver {
  let key = ground;
  for (const element of elements)
    key += `|${element.id}>${element.a}>${element.b}${element.kind === 'power' ? (element.powerW > 0 ? '+' : '-') : element.kind[0]}`;
  return solvers.get(key, () => new OperatingPointSolver({ elements, ground }));
}

function solveOnce(low: LowVoltage, elements: readonly Element[], ground: string, limited: ReadonlySet<Id>): LowPoint {
  let point: OperatingPoint;
  try {
    point = solverFor(elements, ground).solve(elements, false, 1e-4);
  } catch (error) {
    if (error instanceof NetworkError) return NOTHING;
    throw error;
  }
  if (!point.solvable) return { ...NOTHING, point };
  const across = (plus: string, minus: string): number => {
    const [p, m] = [point.nodeVoltagesV.get(plus), point.nodeVoltagesV.get(minus)];
    return p === undefined || m === undefined || point.referenceOf.get(plus) !== point.referenceOf.get(minus)
      ? 0
      : p - m;
  };
  const amps = (id: Id): number => point.elementCurrentsA.get(id) ?? 0;
  const battery = low.battery?.device.id;
  return {
    point,
    loadV: (id) => across(`${id}.plus`, `${id}.minus`),
    batteryV: battery ? across(`${battery}.plus`, `${battery}.minus`) : 0,
    batteryA: battery ? -amps(battery) : 0,
    converterA: new Map(low.converters.map(({ id }) => [id, -amps(id)])),
    limited: [...limited],
    currentA: amps,
  };
}

/** What runs in a scenario, each as long as it does: on where it runs at all, at its hardest where it has a peak and that is asked. */
export function runningIn(low: LowVoltage, scenario: ScenarioId, hardest = false): ReadonlyMap<Id, Running> {
  return new Map(
    low.loads.map(({ id, load }) => [
      id,
      (load.use[scenario] ?? 0) <= 0 ? 'off' : hardest && load.peakRating !== undefined ? 'peak' : 'on',
    ]),
  );
}
