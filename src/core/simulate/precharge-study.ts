import { collapseChains, type Element, NetworkError, transient } from '../circuit';
import type { ResistorPart } from '../parts';
import {
  cornersOf,
  groundOf,
  prechargeBranches,
  Recent,
  room,
  spelled,
  stamp,
  stateOf,
  terminalNode,
  type Vehicle,
} from '../vehicle';
import { closedWhileCharging, type PrechargeRun, prechargeRun } from './precharge';

/** The same circuit with another precharge resistor, charged. Null when it can't be worked out. */
export function prechargeWith(vehicle: Vehicle, part: ResistorPart): PrechargeRun | null {
  const swap = (device: Vehicle['devices'][number]) =>
    device.device.kind === 'precharge-resistor' ? { ...device, part } : device;
  const devices = vehicle.devices.map(swap);
  return prechargeRun({ ...vehicle, devices, deviceOf: new Map(devices.map((device) => [device.id, device])) });
}

/** How one resistor would do. */
export interface PrechargeChoice {
  readonly part: ResistorPart;
  /** To the closing level, s; null: never. */
  readonly closeAtS: number | null;
  readonly energyJ: number;
  readonly peakW: number;
  /** Attempts one after the other that its pulse energy takes. */
  readonly attempts: number;
  /** Between attempts so that the mean stays at its rating, s. */
  readonly pauseS: number;
  /** Stands the whole pack across it until the time-out, as with a shorted bus. */
  readonly standsShort: boolean;
  readonly standsVoltage: boolean;
}

export function prechargeChoice(part: ResistorPart, run: PrechargeRun): PrechargeChoice {
  const shortJ = (run.packV ** 2 / part.resistanceOhm) * run.timeoutS;
  return {
    part,
    closeAtS: run.closeAtS,
    energyJ: run.resistorEnergyJ,
    peakW: run.peakPowerW,
    attempts: Math.floor(part.pulseEnergyJ / Math.max(run.resistorEnergyJ, 1e-9)),
    pauseS: run.resistorEnergyJ / part.ratedPowerW,
    standsShort: shortJ <= part.pulseEnergyJ,
    standsVoltage: part.ratedVoltageV >= run.packV,
  };
}

/** What may be wrong while the bus charges. */
export type PrechargeFault = 'none' | 'short' | 'load' | 'open' | 'welded' | 'half';

export interface PrechargeSign {
  readonly fault: PrechargeFault;
  readonly curve: readonly { readonly timeS: number; readonly linkV: number }[];
  /** At the time-out, V. */
  readonly endV: number;
  readonly resistorJ: number;
  readonly peakA: number;
}

/** One that could not be followed: nothing is drawn for it. */
export interface SignUnknown {
  readonly fault: PrechargeFault;
  readonly unknown: string;
}

const SHORT_OHM = 0.01;
/** A load that nobody switched off takes this much at full voltage, W (generic: a heater's lowest stage). */
const LOAD_W = 1500;
const POINTS = 48;

const studies = room(() => new Recent<readonly (PrechargeSign | SignUnknown)[]>(8));

/**
 * Link voltage over time as it should be and with each thing that can be wrong: what a meter at the inverter shows. The network of
 * the warm, new, full pack as wired, up to the time-out. Empty without main contactor, resistor, inverter or cells.
 */
export function prechargeSigns(vehicle: Vehicle, run: PrechargeRun): readonly (PrechargeSign | SignUnknown)[] {
  const branch = prechargeBranches(vehicle).find(({ resistorIds }) => resistorIds.includes(run.resistorId));
  const ground = groundOf(vehicle);
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  const corner = cornersOf(vehicle.build).find(({ id }) => id === 'warm-new-full')!;
  if (!branch || !inverter || ground === null) return [];
  const elements = stamp(vehicle, {
    state: stateOf('precharge'),
    closed: closedWhileCharging(vehicle, branch),
    corner,
    temperatureOf: () => 40,
    capacitors: true,
    wakingLoads: true,
  });
  const relays = new Set(branch.relayIds);
  const bus = { a: terminalNode(inverter, 'plus'), b: terminalNode(inverter, 'minus') };
  const across = (resistanceOhm: number): Element => ({ id: 'fault', kind: 'resistor', ...bus, resistanceOhm });
  const made: Readonly<Record<PrechargeFault, () => readonly Element[]>> = {
    none: () => elements,
    short: () => [...elements, across(SHORT_OHM)],
    load: () => [...elements, across(run.packV ** 2 / LOAD_W)],
    open: () => elements.map((one) => (relays.has(one.id) && one.kind === 'switch' ? { ...one, closed: false } : one)),
    welded: () =>
      elements.map((one) => (one.id === run.contactorId && one.kind === 'switch' ? { ...one, closed: true } : one)),
    half: () =>
      elements.map((one) => (one.kind === 'capacitor' ? { ...one, capacitanceF: one.capacitanceF / 2 } : one)),
  };
  return vehicle.memory
    .of(studies)
    .get(spelled(elements, ground, bus, run.timeoutS, run.packV), () =>
      (Object.keys(made) as PrechargeFault[]).flatMap((fault) => signOf(fault, made[fault](), ground, bus, run)),
    );
}

function signOf(
  fault: PrechargeFault,
  elements: readonly Element[],
  ground: string,
  bus: { readonly a: string; readonly b: string },
  run: PrechargeRun,
): (PrechargeSign | SignUnknown)[] {
  try {
    const result = transient(
      { elements: collapseChains(elements, new Set([ground, bus.a, bus.b, run.resistorId]), 0), ground },
      {
        stopS: run.timeoutS,
        initial: 'rest',
        watch: [run.resistorId],
        tolerance: 1e-3,
        sampleTimesS: Array.from({ length: POINTS + 1 }, (_, k) => (k * run.timeoutS) / POINTS),
        mostSteps: 20_000,
        sample: (timeS, probe) => ({ timeS, linkV: probe.voltage(bus.a, bus.b) }),
      },
    );
    if (!result.converged) return [{ fault, unknown: result.reason }];
    const record = result.elements.get(run.resistorId);
    const curve = result.samples;
    return [
      {
        fault,
        curve,
        endV: curve.at(-1)?.linkV ?? 0,
        resistorJ: record?.energyJ ?? 0,
        peakA: Math.abs(record?.peakCurrentA ?? 0),
      },
    ];
  } catch (error) {
    if (error instanceof NetworkError) return [{ fault, unknown: error.message }];
    throw error;
  }
}
