import { collapseChains, type Element, firstInstant, NetworkError, transient } from '../circuit';
import {
  cornersOf,
  groundOf,
  Memo,
  partOf,
  type Resolved,
  type ResolvedDevice,
  type SolvedCase,
  stamp,
  stateOf,
  terminalNode,
  type Vehicle,
} from '../vehicle';

/** Inductance of a loop of separate conductors per metre of conductor, and of the cells (generic). */
const LOOP_H_PER_M = 0.5e-6;
const PACK_H = 5e-6;
const CURVE_POINTS = 16;
/** Capacitors whose own wires settle within this share of the time that is looked at count as joined to the bus. */
const QUICK_SHARE = 1e-4;

export interface PrechargeRun {
  readonly resistorId: string;
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
  /** Until closing, or until the time-out when it never closes. */
  readonly resistorEnergyJ: number;
  /** Loads that wake by themselves and when they first do. */
  readonly wakes: readonly { readonly deviceId: string; readonly atS: number; readonly times: number }[];
  readonly curve: readonly { readonly timeS: number; readonly linkV: number; readonly currentA: number }[];
  /** Voltage across the main contactor when it closes, and what then flows through it. */
  readonly closing: { readonly differenceV: number; readonly peakCurrentA: number; readonly i2tA2s: number } | null;
  readonly converged: boolean;
}

const runs = new Memo<PrechargeRun | null>(16);

/** The contactor that precharge bridges: the one in the switched pole whose terminals the precharge branch joins. */
export function mainOf(vehicle: Resolved): ResolvedDevice | undefined {
  return vehicle.devices.find(({ device }) => device.kind === 'contactor' && device.role === 'main-plus');
}

function loopInductanceH(vehicle: Resolved, solved: SolvedCase | undefined): number {
  let lengthM = 0;
  const total = Math.max(
    0,
    ...vehicle.conductors.map((conductor) => Math.abs(solved?.point.elementCurrentsA.get(conductor.id) ?? 0)),
  );
  for (const conductor of vehicle.conductors) {
    const share = Math.abs(solved?.point.elementCurrentsA.get(conductor.id) ?? 0);
    if (total === 0 || share > 0.3 * total) lengthM += conductor.lengthM ?? 0;
  }
  return PACK_H + LOOP_H_PER_M * lengthM;
}

/** Precharge of the warm, new, full pack as wired: phase one through the resistor, then the main contactor closing. Null without contactor, resistor or cells. */
export function prechargeRun(vehicle: Vehicle): PrechargeRun | null {
  const main = mainOf(vehicle);
  const ground = groundOf(vehicle);
  const resistor = vehicle.devices.find((device) => device.device.kind === 'precharge-resistor');
  const resistance = partOf(resistor, 'resistor')?.resistanceOhm;
  const corner = cornersOf(vehicle.build).find((candidate) => candidate.id === 'warm-new-full')!;
  if (!main || !resistor || resistance === undefined || ground === null) return null;
  const temperatureOf = (id: string) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? 40;
  const elements = stamp(vehicle, {
    state: stateOf('precharge'),
    corner,
    temperatureOf,
    capacitors: true,
    wakingLoads: true,
  });
  const inductanceH = loopInductanceH(vehicle, vehicle.caseOf('cruise/nominal/sustained'));
  const key = JSON.stringify([
    ground,
    elements,
    inductanceH,
    vehicle.build.precharge,
    main.id,
    resistor.id,
    partOf(main, 'contactor')?.contactResistanceOhm,
  ]);
  return runs.get(key, () => {
    try {
      const kept = new Set([ground, terminalNode(main, 'a'), terminalNode(main, 'b'), main.id, resistor.id]);
      return compute(
        vehicle,
        collapseChains(elements, kept, QUICK_SHARE * plainTimeS(elements, resistance)),
        ground,
        main,
        resistor.id,
        resistance,
        inductanceH,
      );
    } catch (error) {
      if (error instanceof NetworkError) return null;
      throw error;
    }
  });
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

/** Voltage across the open main contactor with empty capacitors and next to no current: the pack at rest, V. */
function restVoltage(elements: readonly Element[], ground: string, resistorId: string, a: string, b: string): number {
  const sources = elements.filter((element) => element.kind === 'source');
  if (sources.length === 1) return Math.abs(sources[0]!.voltageV);
  const idle = elements.map((element) =>
    element.id === resistorId && element.kind === 'resistor' ? { ...element, resistanceOhm: 1e9 } : element,
  );
  return firstInstant({ elements: idle, ground }).voltage(a, b);
}

/** R·C with all link capacitors, s. */
const plainTimeS = (elements: readonly Element[], resistanceOhm: number): number =>
  resistanceOhm * elements.reduce((sum, element) => sum + (element.kind === 'capacitor' ? element.capacitanceF : 0), 0);

function compute(
  vehicle: Vehicle,
  elements: readonly Element[],
  ground: string,
  main: ResolvedDevice,
  resistorId: string,
  resistanceOhm: number,
  inductanceH: number,
): PrechargeRun | null {
  const a = terminalNode(main, 'a');
  const b = terminalNode(main, 'b');
  const { closeAtFraction, timeoutS: wanted } = vehicle.build.precharge;
  const linkCapacitanceF = elements.reduce(
    (sum, element) => sum + (element.kind === 'capacitor' ? element.capacitanceF : 0),
    0,
  );
  if (linkCapacitanceF === 0) return null;
  const expectedS = -resistanceOhm * linkCapacitanceF * Math.log(1 - closeAtFraction);
  const timeoutS = wanted ?? 2 * expectedS;
  const packV = restVoltage(elements, ground, resistorId, a, b);
  if (!(packV > 0)) return null;
  const curve: { timeS: number; linkV: number; currentA: number }[] = [];
  const first = transient(
    { elements, ground },
    {
      stopS: timeoutS,
      initial: 'rest',
      watch: [resistorId],
      tolerance: 1e-4,
      endAtThreshold: 'close',
      thresholds: [{ id: 'close', a, b, voltageV: (1 - closeAtFraction) * packV, direction: 'falling' }],
      sampleTimesS: curveTimes(expectedS, timeoutS),
      onSample: (timeS, probe) =>
        curve.push({ timeS, linkV: packV - probe.voltage(a, b), currentA: probe.current(resistorId) }),
    },
  );
  const closeAtS = first.crossingsS.get('close')?.[0] ?? null;
  const record = first.elements.get(resistorId)!;
  const wakes = [...new Set(first.loadSwitchings.map((event) => event.id))].map((deviceId) => {
    const on = first.loadSwitchings.filter((event) => event.id === deviceId && event.on);
    return { deviceId, atS: on[0]?.atS ?? 0, times: on.length };
  });
  if (closeAtS !== null)
    curve.push({
      timeS: closeAtS,
      linkV: closeAtFraction * packV,
      currentA: ((1 - closeAtFraction) * packV) / resistanceOhm,
    });
  const endV = curve.at(-1)?.linkV ?? 0;
  const linkAtClosing = closeAtS === null ? endV : closeAtFraction * packV;
  return {
    resistorId,
    contactorId: main.id,
    packV,
    linkCapacitanceF,
    resistanceOhm,
    closeFraction: closeAtFraction,
    timeoutS,
    closeAtS,
    peakCurrentA: record.peakCurrentA,
    peakPowerW: record.peakPowerW,
    resistorEnergyJ: record.energyJ,
    wakes,
    curve,
    closing: closingInrush(vehicle, main, ground, packV, linkAtClosing, inductanceH),
    converged: first.converged,
  };
}

/** Current through a main contactor that closes with `linkV` on the link capacitors; loop inductance and the cells' ohmic share count. */
export function closingInrush(
  vehicle: Vehicle,
  main: ResolvedDevice,
  ground: string,
  packV: number,
  linkV: number,
  inductanceH: number,
): PrechargeRun['closing'] {
  const corner = cornersOf(vehicle.build).find((candidate) => candidate.id === 'warm-new-full')!;
  const state = { ...stateOf('precharge'), closed: ['main-minus', 'main-plus'] as const };
  const temperatureOf = (id: string) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? 40;
  const stamped = stamp(vehicle, { state, corner, temperatureOf, capacitors: true, ohmicShare: 0.5 });
  const inner = `${main.id}:inner`;
  const elements: Element[] = [];
  for (const element of stamped) {
    if (element.kind === 'power') continue;
    if (element.kind === 'capacitor') elements.push({ ...element, initialVoltageV: linkV });
    else if (element.id === main.id)
      elements.push(
        { ...element, b: inner },
        { id: `${main.id}:loop`, kind: 'inductor', a: inner, b: element.b, inductanceH },
      );
    else elements.push(element);
  }
  const capacitanceF = elements.reduce(
    (sum, element) => sum + (element.kind === 'capacitor' ? element.capacitanceF : 0),
    0,
  );
  if (capacitanceF === 0) return null;
  const stopS = 2 * Math.PI * Math.sqrt(inductanceH * capacitanceF);
  const small = collapseChains(elements, new Set([ground, main.id, `${main.id}:loop`]), QUICK_SHARE * stopS);
  const result = transient({ elements: small, ground }, { stopS, initial: 'rest', watch: [main.id], tolerance: 3e-4 });
  const record = result.elements.get(main.id);
  return record
    ? { differenceV: packV - linkV, peakCurrentA: Math.abs(record.peakCurrentA), i2tA2s: record.i2tA2s }
    : null;
}
