import type { Id, ScenarioId } from '../build';
import { type Element, NetworkError, type OperatingPoint, OperatingPointSolver } from '../circuit';
import { lowReads } from './low-reads';
import { acceptanceA, auxiliaryRestV, sourcesOf, stampDevices } from './low-stamp';
import type { Converter, LowLoad, LowSetting, LowVoltage, Running } from './low-types';
import { Memo } from './memo';
import { type Resolved, type ResolvedConductor, resolve } from './resolve';
import { conductorOhm } from './stamp';

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

/** Resistance of wires that carry little, at this temperature, °C. */
const WIRE_C = 50;
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
