import { collapseChains, type Element, type Followed, firstInstant, NetworkError, transient } from '../circuit';
import {
  closedIn,
  cornersOf,
  currentIn,
  groundOf,
  type PrechargeBranch,
  partOf,
  prechargeBranches,
  Recent,
  type ResolvedDevice,
  room,
  type State,
  spelled,
  stamp,
  stateOf,
  terminalNode,
  UNKNOWN_AMBIENT_C,
  type Vehicle,
} from '../vehicle';
import { type Closing, closingInrush, settledCapacitors } from './closing-inrush';

const CURVE_POINTS = 16;
/** Capacitors whose own wires settle within this share of the time that is looked at count as joined to the bus. */
const QUICK_SHARE = 1e-4;
/** Under this nothing is left to be charged, V. */
const NOTHING_V = 1;

export interface PrechargeRun {
  readonly resistorId: string;
  /** All resistors of the branch, each with what it takes. */
  readonly resistors: readonly { readonly id: string; readonly ohm: number; readonly energyJ: number }[];
  readonly relayIds: readonly string[];
  readonly contactorId: string;
  /** Rest voltage of the pack at the main contactor, V. */
  readonly packV: number;
  readonly linkCapacitanceF: number;
  readonly resistanceOhm: number;
  readonly closeFraction: number;
  /** Time-out: the owner's, or twice the time that a plain RC would take. */
  readonly timeoutS: number;
  /** Null: the link never reaches the closing level before the time-out. */
  readonly closeAtS: number | null;
  readonly peakCurrentA: number;
  readonly peakPowerW: number;
  /** Until closing, or until the time-out when it never closes; all resistors of the branch together. */
  readonly resistorEnergyJ: number;
  /** Loads that wake by themselves and when they first do. */
  readonly wakes: readonly { readonly deviceId: string; readonly atS: number; readonly times: number }[];
  readonly curve: readonly { readonly timeS: number; readonly linkV: number; readonly currentA: number }[];
  /** Voltage across the main contactor when it closes, and what then flows through it; null: nothing would flow. */
  readonly closing: Closing | null;
}

/** Why there is no run of a precharge branch that is there. */
export interface PrechargeUnknown {
  readonly resistorId: string;
  /**
   * part: a resistor is not chosen. cells: none. way: no closed way to a capacitor. charged: what it should charge is charged before it.
   * shorted: a wire bridges it. failed: the run could not be followed.
   */
  readonly why: 'part' | 'cells' | 'way' | 'charged' | 'shorted' | 'failed';
  readonly reason: string;
}

export type PrechargeOutcome = PrechargeRun | PrechargeUnknown;
export const isRun = (outcome: PrechargeOutcome): outcome is PrechargeRun => !('why' in outcome);

const runs = room(() => new Recent<PrechargeOutcome>(16));

/** Precharge of every branch with a resistor, in the order of the document. */
export const prechargeRuns = (vehicle: Vehicle): readonly PrechargeOutcome[] =>
  prechargeBranches(vehicle).map((branch) => runBranch(vehicle, branch));

/** The first branch that charges something; null without one. */
export const prechargeRun = (vehicle: Vehicle): PrechargeRun | null => prechargeRuns(vehicle).find(isRun) ?? null;

/** The state at whose beginning a branch charges: driving closes what it bridges, or only charging does. */
export function chargesIn(vehicle: Vehicle, { bridgedIds }: PrechargeBranch): State {
  const driving = closedIn(vehicle, stateOf('ready'));
  return stateOf(bridgedIds.every((id) => driving.has(id)) ? 'precharge' : 'charging');
}

/** Contactors that are closed while a branch charges. */
export function closedWhileCharging(vehicle: Vehicle, branch: PrechargeBranch): ReadonlySet<string> {
  const state = chargesIn(vehicle, branch);
  const closed = new Set(closedIn(vehicle, state.id === 'precharge' ? state : stateOf('ready')));
  for (const id of branch.bridgedIds) closed.delete(id);
  for (const id of branch.relayIds) closed.add(id);
  return closed;
}

/** Precharge of the warm, new, full pack as wired: phase one through the resistor, then what it bridges closes. */
function runBranch(vehicle: Vehicle, branch: PrechargeBranch): PrechargeOutcome {
  const resistorId = branch.resistorIds[0]!;
  const unknown = (why: PrechargeUnknown['why'], reason: string): PrechargeUnknown => ({ resistorId, why, reason });
  if (branch.resistorIds.some((id) => !partOf(vehicle.deviceOf.get(id), 'resistor')))
    return unknown('part', 'the resistor is not chosen');
  const ground = groundOf(vehicle);
  if (ground === null) return unknown('cells', 'there are no cells');
  if (branch.shorted) return unknown('shorted', 'a wire joins both its ends');
  const bridged = branch.bridgedIds.flatMap((id) => vehicle.deviceOf.get(id) ?? []);
  if (bridged.length === 0) return unknown('way', 'it bridges no contactor');
  const state = chargesIn(vehicle, branch);
  const closed = closedWhileCharging(vehicle, branch);
  const corner = cornersOf(vehicle.build).find((candidate) => candidate.id === 'warm-new-full')!;
  const elements = stamp(vehicle, {
    state: stateOf('precharge'),
    closed,
    corner,
    temperatureOf: (id) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
    capacitors: true,
    wakingLoads: true,
  });
  const inductanceH = loopInductanceH(vehicle);
  const reads = spelled(
    ground,
    elements,
    inductanceH,
    vehicle.build.precharge,
    state.id,
    branch,
    bridged.map((device) => partOf(device, 'contactor')?.contactResistanceOhm),
  );
  return vehicle.memory.of(runs).get(reads, () => {
    try {
      return compute({ vehicle, branch, bridged, elements, closed, ground, inductanceH, unknown });
    } catch (error) {
      if (error instanceof NetworkError) return unknown('failed', error.message);
      throw error;
    }
  });
}

interface Charging {
  readonly vehicle: Vehicle;
  readonly branch: PrechargeBranch;
  readonly bridged: readonly ResolvedDevice[];
  readonly elements: readonly Element[];
  readonly closed: ReadonlySet<string>;
  readonly ground: string;
  readonly inductanceH: number;
  readonly unknown: (why: PrechargeUnknown['why'], reason: string) => PrechargeUnknown;
}

/** Inductance of a loop of separate conductors per metre of conductor, and of the cells (generic). */
const LOOP_H_PER_M = 0.5e-6;
const PACK_H = 5e-6;

function loopInductanceH(vehicle: Vehicle): number {
  let lengthM = 0;
  const cruise = vehicle.caseOf('cruise/nominal/sustained');
  // Without a cruise every conductor counts.
  const through = (id: string) => (cruise ? (currentIn(cruise, id) ?? 0) : 0);
  const total = Math.max(0, ...vehicle.conductors.map(({ id }) => through(id)));
  for (const conductor of vehicle.conductors)
    if (total === 0 || through(conductor.id) > 0.3 * total) lengthM += conductor.lengthM ?? 0;
  return PACK_H + LOOP_H_PER_M * lengthM;
}

/** Instants of the drawn curve: dense where a plain RC would charge, sparse from there to the time-out. */
function curveTimes(expectedS: number, timeoutS: number): number[] {
  const dense = Array.from({ length: CURVE_POINTS + 1 }, (_, k) => (k * Math.min(expectedS, timeoutS)) / CURVE_POINTS);
  const sparse = Array.from(
    { length: CURVE_POINTS / 4 },
    (_, k) => expectedS + ((k + 1) * (timeoutS - expectedS)) / (CURVE_POINTS / 4),
  );
  return timeoutS > expectedS ? [...dense, ...sparse] : dense;
}

const isCapacitor = (element: Element): element is Extract<Element, { kind: 'capacitor' }> =>
  element.kind === 'capacitor';
const isSwitchOf = (element: Element, ids: ReadonlySet<string>): boolean =>
  element.kind === 'switch' && ids.has(element.id);

function compute(charging: Charging): PrechargeOutcome {
  const { vehicle, branch, bridged, elements: stamped, closed, ground, inductanceH, unknown } = charging;
  const resistanceOhm = branch.resistorIds.reduce(
    (sum, id) => sum + partOf(vehicle.deviceOf.get(id), 'resistor')!.resistanceOhm,
    0,
  );
  // What is joined to the cells before the relay closes is charged already.
  const relays = new Set(branch.relayIds);
  const before = settledCapacitors(
    stamped
      .filter((element) => !branch.resistorIds.includes(element.id))
      .map((element) => (isSwitchOf(element, relays) ? { ...element, closed: false } : element)),
    ground,
  );
  const full = stamped.map((element) =>
    isCapacitor(element) ? { ...element, initialVoltageV: before.get(element.id) ?? 0 } : element,
  );
  // Across which of the bridged contactors most stands decides; how its terminals lie does not matter.
  const idle = firstInstant({
    elements: full.map((element) =>
      branch.resistorIds.includes(element.id) && element.kind === 'resistor'
        ? { ...element, resistanceOhm: 1e9 }
        : element,
    ),
    ground,
  });
  const [main, startV] = bridged
    .map((device) => [device, idle.voltage(terminalNode(device, 'a'), terminalNode(device, 'b'))] as const)
    .sort((p, q) => Math.abs(q[1]) - Math.abs(p[1]))[0]!;
  const packV = Math.abs(startV);
  const linkCapacitanceF = full.reduce(
    (sum, element) => sum + (isCapacitor(element) && !before.has(element.id) ? element.capacitanceF : 0),
    0,
  );
  if (linkCapacitanceF === 0)
    return before.size > 0
      ? unknown('charged', 'every capacitor stands at the cells before it begins')
      : unknown('way', 'it leads to no capacitor');
  if (!(packV > NOTHING_V)) return unknown('charged', 'nothing stands across what it bridges');
  const sign = Math.sign(startV);
  const a = terminalNode(main, sign > 0 ? 'a' : 'b');
  const b = terminalNode(main, sign > 0 ? 'b' : 'a');
  const { closeAtFraction, timeoutS: wanted } = vehicle.build.precharge;
  const expectedS = -resistanceOhm * linkCapacitanceF * Math.log(1 - closeAtFraction);
  const timeoutS = wanted ?? 2 * expectedS;
  const elements = collapseChains(
    full,
    new Set([ground, a, b, main.id, ...branch.resistorIds]),
    QUICK_SHARE * resistanceOhm * linkCapacitanceF,
  );
  const first = transient(
    { elements, ground },
    {
      stopS: timeoutS,
      initial: 'rest',
      watch: branch.resistorIds,
      tolerance: 1e-4,
      mostSteps: 20_000,
      endAtThreshold: 'close',
      thresholds: [{ id: 'close', a, b, voltageV: (1 - closeAtFraction) * packV, direction: 'falling' }],
      sampleTimesS: curveTimes(expectedS, timeoutS),
      sample: (timeS, probe) => ({
        timeS,
        linkV: packV - probe.voltage(a, b),
        currentA: probe.current(branch.resistorIds[0]!),
      }),
    },
  );
  if (!first.converged) return unknown('failed', first.reason);
  const closeAtS = first.crossingsS.get('close')?.[0] ?? null;
  const records = branch.resistorIds.map((id) => ({ id, record: first.elements.get(id)! }));
  const curve = [...first.samples];
  if (closeAtS !== null)
    curve.push({
      timeS: closeAtS,
      linkV: closeAtFraction * packV,
      currentA: ((1 - closeAtFraction) * packV) / resistanceOhm,
    });
  const endV = curve.at(-1)?.linkV ?? 0;
  const fraction = closeAtS === null ? endV / packV : closeAtFraction;
  const peak = records[0]!.record;
  const closing = closingInrush(vehicle, {
    contactorId: main.id,
    closed: new Set([...closed].filter((id) => !relays.has(id))),
    capacitorV: (id, joinedV) => before.get(id) ?? fraction * joinedV,
    ground,
    inductanceH,
  });
  if (closing && 'failed' in closing) return unknown('failed', closing.failed);
  return {
    resistorId: branch.resistorIds[0]!,
    resistors: records.map(({ id, record }) => ({
      id,
      ohm: partOf(vehicle.deviceOf.get(id), 'resistor')!.resistanceOhm,
      energyJ: record.energyJ,
    })),
    relayIds: branch.relayIds,
    contactorId: main.id,
    packV,
    linkCapacitanceF,
    resistanceOhm,
    closeFraction: closeAtFraction,
    timeoutS,
    closeAtS,
    peakCurrentA: Math.abs(peak.peakCurrentA),
    peakPowerW: records.reduce((sum, { record }) => sum + record.peakPowerW, 0),
    resistorEnergyJ: records.reduce((sum, { record }) => sum + record.energyJ, 0),
    wakes: wakesIn(first),
    curve,
    closing: closing && { ...closing, differenceV: packV * (1 - fraction) },
  };
}

function wakesIn({ loadSwitchings }: Followed<unknown>): PrechargeRun['wakes'] {
  return [...new Set(loadSwitchings.map(({ id }) => id))].map((deviceId) => {
    const on = loadSwitchings.filter((event) => event.id === deviceId && event.on);
    return { deviceId, atS: on[0]?.atS ?? 0, times: on.reduce((sum, { again }) => sum + 1 + (again ?? 0), 0) };
  });
}
