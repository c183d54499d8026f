import type { AuxiliaryBatteryData, Id } from '../build';
import { peukertTimeS } from '../physics/auxiliary';
import { Follows, type LowLoad, type LowVoltage, lowVoltage, type Resolved, runningIn, solveLow } from '../vehicle';

/** The converter has died: how long the auxiliary battery carries what matters, and what goes when. */
export interface HoldUpRun {
  readonly curve: readonly {
    readonly timeS: number;
    readonly batteryV: number;
    readonly currentA: number;
    readonly soc: number;
  }[];
  /** Until the battery is at its end, s; null: longer than was looked at. */
  readonly holdUpS: number | null;
  /** Loads in the order in which their voltage falls under what they need. */
  readonly gone: readonly { readonly id: Id; readonly name: string; readonly atS: number }[];
  /** Current at the beginning, with the essential loads only, A. */
  readonly startA: number;
}

export const PEUKERT: Readonly<Record<AuxiliaryBatteryData['chemistry'], number>> = {
  'lead-flooded': 1.25,
  'lead-agm': 1.12,
  lfp: 1.03,
};

/** What the cold leaves of the capacity: lead 60 % at −18 °C, LFP 75 % (generic), straight to 25 °C. */
export function coldFactor({ chemistry }: AuxiliaryBatteryData, batteryC: number): number {
  const atCold = chemistry === 'lfp' ? 0.75 : 0.6;
  return Math.min(1, Math.max(0.3, 1 - ((1 - atCold) * (25 - batteryC)) / 43));
}

/** The contactors let go and control units reset under this, V (reference of the trade: 10.5). */
const END_V = 10.5;
const STEP_S = 30;
const LONGEST_S = 6 * 3600;

/** Loads whose need decides when they are gone. */
const needOf = ({ load }: LowLoad): number => load.minimumV ?? END_V;

export interface HoldUpOptions {
  readonly socStart: number;
  readonly batteryC: number;
  /** What age leaves of the capacity. */
  readonly health: number;
}

/**
 * The essential loads of a night in rain on the battery alone, step by step through the whole 12-volt circuit: rest voltage of what is left, drop
 * inside and in the wires, Peukert at the current of each step. A load that has lost its voltage draws nothing more. Loads that run part of the time count by their share.
 */
export function lowHoldUp(vehicle: Resolved, options: HoldUpOptions): HoldUpRun | null {
  const low = lowVoltage(vehicle);
  return runs.get(low, () => runHoldUp(vehicle, low, options), JSON.stringify(options));
}

const runs = new Follows<LowVoltage, HoldUpRun | null>();

function runHoldUp(vehicle: Resolved, low: LowVoltage, options: HoldUpOptions): HoldUpRun | null {
  const data = low.battery?.data;
  if (!data) return null;
  const running = new Map(
    [...runningIn(low, 'night-rain-cold')].map(([id, how]) => [
      id,
      low.loads.find((one) => one.id === id)!.load.essential ? how : ('off' as const),
    ]),
  );
  const share = new Map(low.loads.map(({ id, load }) => [id, load.use['night-rain-cold'] ?? 0]));
  const rated = {
    capacityRatedAh: data.capacityAh,
    ratedHours: data.ratedHours,
    peukertExponent: PEUKERT[data.chemistry],
    socStart: 1,
    socEnd: 0,
    healthFactor: options.health,
    temperatureFactor: coldFactor(data, options.batteryC),
  };
  const curve: HoldUpRun['curve'][number][] = [];
  const gone: HoldUpRun['gone'][number][] = [];
  let soc = options.socStart;
  let startA = 0;
  const endV = Math.max(END_V, data.cutOffV ?? 0);
  for (let timeS = 0; timeS <= LONGEST_S; timeS += STEP_S) {
    const one = solveLow(vehicle, {
      running,
      converters: false,
      socBattery: Math.round(Math.max(0, soc) * 500) / 500,
      batteryC: options.batteryC,
      awake: true,
    });
    if (!one.solved) {
      // What is asked is more than the battery can give any more; wiring without a solution tells nothing.
      return one.why === 'asked' ? { curve, holdUpS: timeS, gone, startA } : null;
    }
    for (const entry of low.loads) {
      if (running.get(entry.id) === 'off' || one.loadV(entry.id) >= needOf(entry)) continue;
      running.set(entry.id, 'off');
      gone.push({ id: entry.id, name: entry.name, atS: timeS });
    }
    // What runs a share of the time draws that share of it from the battery.
    const always = one.batteryA;
    const spared = low.loads.reduce(
      (sum, { id }) => sum + (running.get(id) === 'off' ? 0 : Math.abs(one.currentA(id)) * (1 - (share.get(id) ?? 0))),
      0,
    );
    const currentA = Math.max(0, always - spared);
    if (timeS === 0) startA = currentA;
    curve.push({ timeS, batteryV: one.batteryV, currentA, soc: Math.max(0, soc) });
    if (soc <= 0 || one.batteryV < endV) return { curve, holdUpS: timeS, gone, startA };
    soc -= STEP_S / peukertTimeS(rated, Math.max(currentA, 1e-6));
  }
  return { curve, holdUpS: null, gone, startA };
}
