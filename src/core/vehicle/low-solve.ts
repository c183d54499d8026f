import type { Id, LvLoad } from '../build';
import { type Element, NetworkError, OperatingPointSolver, type SolvedPoint } from '../circuit';
import { DeadEnds } from './dead-ends';
import { acceptanceA, auxiliaryRestV, batteryOhm, type Feeds, sourcesOf, stampLoads, stampStanding } from './low-stamp';
import type { Converter, LowSetting, LowVoltage } from './low-types';
import { lowVoltage } from './low-voltage';
import { Follows, Memo, type Memory, room } from './memory';
import type { Resolved, ResolvedConductor } from './resolve';
import { conductorOhm } from './stamp';

/** The 12-volt circuit in one setting. */
export interface LowSolved {
  readonly solved: true;
  readonly point: SolvedPoint;
  /** At a load’s terminals, V; 0 where nothing joins it to a source. */
  readonly loadV: (id: Id) => number;
  /** Between a device’s terminals, V. */
  readonly betweenV: (id: Id, plus: string, minus: string) => number;
  readonly batteryV: number;
  /** Positive while the battery gives, A. */
  readonly batteryA: number;
  readonly converterA: ReadonlyMap<Id, number>;
  /** Converters that are at their limit. */
  readonly limited: readonly Id[];
  readonly currentA: (id: Id) => number;
}

/** No currents and voltages fit together, or nothing feeds it: there is no figure to be read. */
export interface LowUnsolved {
  readonly solved: false;
  /** none: no battery and no converter. asked: battery and converters can’t give it. wiring: the network has no one solution. */
  readonly why: 'none' | 'asked' | 'wiring';
  readonly reason: string;
}

export type LowPoint = LowSolved | LowUnsolved;

/** Resistance of wires that carry little, at this temperature, °C. */
const WIRE_C = 50;
const wireOhm = (conductor: ResolvedConductor): number => conductorOhm(conductor, WIRE_C);

/** One solution of the whole 12-volt circuit, out and back. */
export function solveLow(vehicle: Resolved, setting: LowSetting): LowPoint {
  const low = lowVoltage(vehicle);
  const ground = low.battery
    ? `${low.battery.device.id}.minus`
    : low.converters[0]
      ? `${low.converters[0].id}.lvMinus`
      : null;
  if (ground === null || (!low.battery?.data && !(setting.converters && low.converters.length > 0))) return NOTHING;
  const ends = endsOf(vehicle, low, setting.awake, ground);
  const known = answers.get(ends, () => ({ alone: new Memo<LowPoint>(2000), together: new Memo<LowPoint>(200) }));
  return (setting.running.size > 1 ? known.together : known.alone).get(keyOf(low, setting), () =>
    solveSetting({ vehicle, low, setting, ground, ends }),
  );
}

/** By the wires and what stands in them: an edit of one load leaves what the others do by themselves as it was. */
const answers = new Follows<DeadEnds, Answers>();
/** One load’s network is small, and there are hundreds; of many loads it is the whole circuit, and a scenario goes through hundreds of settings. */
interface Answers {
  readonly alone: Memo<LowPoint>;
  readonly together: Memo<LowPoint>;
}

/** All that a solution reads beside wires and what stands in them. */
function keyOf(low: LowVoltage, { running, converters, socBattery, batteryC }: LowSetting): string {
  const loads: string[] = [];
  for (const [id, how] of running) {
    const load = how === 'off' ? undefined : loadsOf(low).get(id);
    if (load)
      loads.push(`${id}:${how}:${load.kind}:${load.rating}:${load.peakRating ?? ''}:${load.referenceVoltageV ?? ''}`);
  }
  return `${feedsKeyOf(low)}|${converters}|${socBattery}|${batteryC}|${loads.join()}`;
}
const byIds = new Follows<LowVoltage, ReadonlyMap<Id, LvLoad>>();
const loadsOf = (low: LowVoltage): ReadonlyMap<Id, LvLoad> =>
  byIds.get(low, () => new Map(low.loads.map(({ id, load }) => [id, load])));
const feedKeys = new Follows<LowVoltage, string>();
const feedsKeyOf = (low: LowVoltage): string =>
  feedKeys.get(low, () =>
    JSON.stringify([
      low.battery?.device.id,
      low.battery?.data,
      low.converters.map(({ id, outputV, powerW, device }) => [id, outputV, powerW, device.name]),
    ]),
  );

const NOTHING: LowUnsolved = { solved: false, why: 'none', reason: 'Neither a battery nor a converter feeds it.' };

function solveSetting(bench: Bench): LowPoint {
  try {
    return holdPower(bench);
  } catch (error) {
    if (error instanceof NetworkError)
      return { solved: false, why: 'wiring', reason: `${error.message} ${error.remedy}` };
    throw error;
  }
}

interface Bench {
  readonly vehicle: Resolved;
  readonly low: LowVoltage;
  readonly setting: LowSetting;
  readonly ground: string;
  /** Wires and what stands in them, without what no current can flow in. */
  readonly ends: DeadEnds;
  /** What can carry current with these loads on, and its spelling; made at the first look. */
  alive?: { readonly elements: readonly Element[]; readonly spelled: string };
}

const standing = new Follows<LowVoltage, DeadEnds>();
const alike = room(() => new Memo<DeadEnds>(8));

const endsOf = (vehicle: Resolved, low: LowVoltage, awake: boolean, ground: string): DeadEnds =>
  standing.get(low, () => findEnds(vehicle, low, awake, ground), String(awake));

function findEnds(vehicle: Resolved, low: LowVoltage, awake: boolean, ground: string): DeadEnds {
  const wires = low.lv.conductors.map(
    (conductor): Element => ({
      id: conductor.id,
      kind: 'resistor',
      a: conductor.nodeA,
      b: conductor.nodeB,
      resistanceOhm: Math.max(1e-6, wireOhm(conductor)),
    }),
  );
  const { battery, converters } = low;
  const elements = [...wires, ...stampStanding(low, vehicle, awake)];
  const fixed = [
    ground,
    ...(battery ? [`${battery.device.id}.plus`, `${battery.device.id}.minus`] : []),
    ...converters.flatMap(({ id }) => [`${id}.lvPlus`, `${id}.lvMinus`]),
  ];
  let key = fixed.join('|');
  for (const element of elements)
    key += `|${element.id}>${element.a}>${element.b}>${'resistanceOhm' in element ? element.resistanceOhm : ''}`;
  return vehicle.memory.of(alike).get(key, () => new DeadEnds(elements, fixed));
}

type Volts = ReadonlyMap<Id, number>;

/** A converter’s power may be over by this share; its voltage is looked for in so many steps, and several converters in so many rounds. */
const POWER_TOLERANCE = 1e-6;
const MOST_STEPS = 60;
const MOST_ROUNDS = 12;

const powerOf = (one: LowSolved, { id }: Converter): number =>
  (one.converterA.get(id) ?? 0) * one.betweenV(id, 'lvPlus', 'lvMinus');

/** With every converter at its voltage, or as far under it as its power allows. */
function holdPower(bench: Bench): LowPoint {
  const { low, setting } = bench;
  const setpoints = new Map(setting.converters ? low.converters.map(({ id, outputV }) => [id, outputV] as const) : []);
  const volts = new Map(setpoints);
  const limited = new Set<Id>();
  let one = settle(bench, volts, limited);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    // Where nothing fits together with converters at their voltage, nothing fits with less.
    if (!one.solved) return one;
    const solved = one;
    // What one gives less another gives more; one that was held back may have room again.
    const off = low.converters.filter((converter) => {
      if (!volts.has(converter.id)) return false;
      const share = powerOf(solved, converter) / converter.powerW;
      return share > 1 + POWER_TOLERANCE || (limited.has(converter.id) && share < 1 - 2 * POWER_TOLERANCE);
    });
    if (off.length === 0 || (round > 0 && low.converters.length === 1)) return one;
    for (const converter of off) {
      limited.add(converter.id);
      one = holdOne(bench, volts, limited, converter);
      if (!one.solved) return one;
    }
  }
  return { solved: false, why: 'asked', reason: 'The converters find no sharing of what is asked.' };
}

/** The voltage at which one converter gives just its power: power rises with its voltage. */
function holdOne(bench: Bench, volts: Map<Id, number>, limited: ReadonlySet<Id>, converter: Converter): LowPoint {
  let low = 0;
  let high = converter.outputV;
  let best: LowPoint | null = null;
  let next = 0.97 * high;
  let [fLow, fHigh]: [number | null, number | null] = [null, null];
  for (let step = 0; step < MOST_STEPS; step++) {
    volts.set(converter.id, next);
    const one = settle(bench, volts, limited);
    const f = one.solved ? powerOf(one, converter) - converter.powerW : null;
    if (f !== null && Math.abs(f) <= POWER_TOLERANCE * converter.powerW) return one;
    // Too low a voltage has no solution: what is asked collapses.
    if (f === null || f < 0) {
      if (one.solved) best = one;
      low = next;
      fLow = f;
    } else {
      high = next;
      fHigh = f;
    }
    const secant = fLow !== null && fHigh !== null ? (low * fHigh - high * fLow) / (fHigh - fLow) : Number.NaN;
    next = secant > low && secant < high && step % 3 !== 2 ? secant : (low + high) / 2;
    if (high - low < 1e-9) break;
  }
  return (
    best ?? {
      solved: false,
      why: 'asked',
      reason: `${converter.device.name} can’t give the power that is asked.`,
    }
  );
}

const MOST_MODES = 40;

/** Loads of constant current, what the battery takes, and converters that would be fed backwards, until they agree. */
function settle(bench: Bench, volts: Volts, limited: ReadonlySet<Id>): LowPoint {
  const { low, setting } = bench;
  const data = low.battery?.data ?? null;
  const accepts = data ? acceptanceA(data, setting.socBattery) : 0;
  // As a source it takes more than that from here on.
  const fullAtV = data ? auxiliaryRestV(data, setting.socBattery) + accepts * batteryOhm(data, setting.batteryC) : 0;
  const running = new Map(volts);
  const held = low.loads.filter(
    ({ id, load }) => load.kind === 'constant-current' && (setting.running.get(id) ?? 'off') !== 'off',
  );
  let loadV = new Map<Id, number>();
  let chargedAtV: number | null = null;
  let flips = 0;
  for (let round = 0; round < MOST_MODES; round++) {
    const one = solveOnce(bench, { converterV: running, chargedAtV }, loadV, limited);
    if (!one.solved) {
      // What the battery was said to take may be more than there is: it is a source again.
      if (chargedAtV === null) return one;
      chargedAtV = null;
      flips = MOST_MODES;
      continue;
    }
    const back = [...running.keys()].filter((id) => (one.converterA.get(id) ?? 0) < -1e-6);
    for (const id of back) running.delete(id);
    const nextV = new Map(held.map(({ id }) => [id, one.loadV(id)]));
    const moved = Math.max(0, ...held.map(({ id }) => Math.abs((nextV.get(id) ?? 13) - (loadV.get(id) ?? 13))));
    // At the edge between both ways of standing there the two agree: it need not be told which.
    const tooMuch = chargedAtV === null && one.batteryA < -accepts * 1.0001 && flips < 4;
    const starved = chargedAtV !== null && one.batteryV < fullAtV && flips < 4;
    const drifted = chargedAtV !== null && Math.abs(one.batteryV - chargedAtV) > 0.001;
    if (back.length === 0 && moved < 0.01 && !tooMuch && !drifted && !starved) return one;
    if (tooMuch || starved) flips++;
    if (starved) chargedAtV = null;
    else if (tooMuch || drifted) chargedAtV = Math.max(1, one.batteryV);
    loadV = nextV;
  }
  return { solved: false, why: 'asked', reason: 'Battery, converter and loads find no state that stays.' };
}

const withNodes = (point: SolvedPoint, ends: DeadEnds): SolvedPoint => {
  const { nodeVoltagesV, referenceOf } = ends.whole(point);
  return {
    solvable: true,
    nodeVoltagesV,
    referenceOf,
    islands: point.islands,
    loadsOn: point.loadsOn,
    maximumLoadFactor: point.maximumLoadFactor,
    elementCurrentsA: point.elementCurrentsA,
    get elementPowersW() {
      return point.elementPowersW;
    },
  };
};

const solvers = room(() => new Memo<OperatingPointSolver>(64));

/** One solver for each structure of the circuit: what runs changes values more often than the structure. */
function solverFor(memory: Memory, key: string, elements: readonly Element[], ground: string): OperatingPointSolver {
  return memory.of(solvers).get(`${ground}${key}`, () => new OperatingPointSolver({ elements, ground }));
}

function spelled(elements: readonly Element[]): string {
  let key = '';
  for (const element of elements)
    key += `|${element.id}>${element.a}>${element.b}${element.kind === 'power' ? (element.powerW > 0 ? '+' : '-') : element.kind[0]}`;
  return key;
}

function terminalV(point: SolvedPoint, plus: string, minus: string, ends?: DeadEnds): number {
  const [atPlus, atMinus] = ends ? [ends.rootOf(plus, point), ends.rootOf(minus, point)] : [plus, minus];
  const [p, m] = [point.nodeVoltagesV.get(atPlus), point.nodeVoltagesV.get(atMinus)];
  return p === undefined || m === undefined || point.referenceOf.get(atPlus) !== point.referenceOf.get(atMinus)
    ? 0
    : p - m;
}

function solveOnce(bench: Bench, feeds: Feeds, loadV: ReadonlyMap<Id, number>, limited: ReadonlySet<Id>): LowPoint {
  const { low, vehicle, setting, ground, ends } = bench;
  const loads = stampLoads(low, setting, loadV);
  // The ends of the loads stay where they are, whatever they draw.
  if (!bench.alive) {
    const alive = ends.alive(loads);
    bench.alive = { elements: alive, spelled: spelled(alive) };
  }
  const fed = [...sourcesOf(low, setting, feeds), ...loads];
  const elements = [...bench.alive.elements, ...fed];
  const solver = solverFor(vehicle.memory, bench.alive.spelled + spelled(fed), elements, ground);
  const point = solver.solve(elements, false, 1e-4);
  if (!point.solvable) return { solved: false, why: 'asked', reason: point.reason };
  const amps = (id: Id): number => point.elementCurrentsA.get(id) ?? 0;
  const battery = low.battery?.device.id;
  let whole: SolvedPoint | null = null;
  return {
    solved: true,
    // Few look at nodes off the ways: their voltages are put in when somebody does.
    get point() {
      whole ??= withNodes(point, ends);
      return whole;
    },
    loadV: (id) => terminalV(point, `${id}.plus`, `${id}.minus`, ends),
    betweenV: (id, plus, minus) => terminalV(point, `${id}.${plus}`, `${id}.${minus}`, ends),
    batteryV: battery ? terminalV(point, `${battery}.plus`, `${battery}.minus`) : 0,
    batteryA: battery ? -amps(battery) : 0,
    converterA: new Map(low.converters.map(({ id }) => [id, -amps(id)])),
    limited: [...limited],
    currentA: amps,
  };
}
