import type { ScenarioId } from '../build';
import { peukertTimeS } from '../physics/auxiliary';
import { lowVoltage, type Resolved, type Running, solveLow } from '../vehicle';
import { coldFactor, PEUKERT } from './low-hold-up';

/** One moment that has a solution. */
export interface LowMoment {
  readonly timeS: number;
  readonly busV: number;
  readonly converterA: number;
  readonly batteryA: number;
  readonly soc: number;
}

/** A scenario second by second: converter, battery, and how low the voltage dips. All figures are of the moments that have a solution. */
export interface LowTimeline {
  readonly curve: readonly LowMoment[];
  /** Moments at which nothing fits together, s, and why the first of them does not. */
  readonly unsolvedS: readonly number[];
  readonly unsolvedWhy: string | null;
  readonly averageConverterA: number;
  readonly peakConverterA: number;
  readonly peakBatteryA: number;
  readonly lowestV: number;
  readonly socEnd: number;
  /** Share of the time that a converter stood at its limit. */
  readonly limitedShare: number;
}

/** Loads that run part of the time come and go in this rhythm, s. */
const RHYTHM_S = 60;
/** A peak lasts so long when a load comes on, s. */
const PEAK_S = 2;
export const SCENARIO_S: Readonly<Record<ScenarioId, number>> = {
  'night-rain-cold': 1800,
  day: 1800,
  parking: 300,
  charging: 3600,
  parked: 3600,
};

/** Whether a load is on at an instant: in each rhythm for its share, one load after another; at its peak as it comes on. */
function runningAt(timeS: number, share: number, index: number, hasPeak: boolean): Running {
  if (share <= 0) return 'off';
  if (share >= 1) return hasPeak && timeS < PEAK_S ? 'peak' : 'on';
  const phase = (timeS + RHYTHM_S - ((index * 7) % RHYTHM_S)) % RHYTHM_S;
  if (phase >= share * RHYTHM_S) return 'off';
  return hasPeak && phase < PEAK_S ? 'peak' : 'on';
}

export interface LowTimelineOptions {
  readonly scenario: ScenarioId;
  readonly socStart: number;
  readonly batteryC: number;
  readonly converters: boolean;
  /** Instants per second are few: s between them. */
  readonly stepS?: number;
}

/** Runs a scenario through the 12-volt circuit. Null without a battery whose figures are known and without a converter, and where no moment has a solution. */
export function lowTimeline(vehicle: Resolved, options: LowTimelineOptions): LowTimeline | null {
  const low = lowVoltage(vehicle);
  const data = low.battery?.data ?? null;
  if (!data && low.converters.length === 0) return null;
  const stepS = options.stepS ?? 2;
  const seconds = SCENARIO_S[options.scenario];
  const awake = options.scenario !== 'parked' && options.scenario !== 'charging';
  const curve: LowMoment[] = [];
  const unsolvedS: number[] = [];
  let unsolvedWhy: string | null = null;
  const capacityC = data ? data.capacityAh * 3600 * coldFactor(data, options.batteryC) : 1;
  let soc = options.socStart;
  let [sum, peakConverterA, peakBatteryA, lowestV, limited] = [0, 0, 0, Number.POSITIVE_INFINITY, 0];
  for (let timeS = 0; timeS < seconds; timeS += stepS) {
    const running = new Map(
      low.loads.map(({ id, load }, index) => [
        id,
        runningAt(timeS, load.use[options.scenario] ?? 0, index, load.peakRating !== undefined),
      ]),
    );
    const one = solveLow(vehicle, {
      running,
      converters: options.converters,
      socBattery: Math.round(soc * 200) / 200,
      batteryC: options.batteryC,
      awake,
    });
    if (!one.solved) {
      unsolvedS.push(timeS);
      unsolvedWhy ??= one.reason;
      continue;
    }
    const converterA = [...one.converterA.values()].reduce((total, amps) => total + amps, 0);
    const busV = data ? one.batteryV : Math.max(0, ...low.loads.map(({ id }) => one.loadV(id)));
    curve.push({ timeS, busV, converterA, batteryA: one.batteryA, soc });
    sum += converterA * stepS;
    peakConverterA = Math.max(peakConverterA, converterA);
    peakBatteryA = Math.max(peakBatteryA, one.batteryA);
    lowestV = Math.min(lowestV, busV);
    if (one.limited.length > 0) limited += stepS;
    if (!data) continue;
    // Giving: after Peukert; taking: ampere for ampere.
    if (one.batteryA > 0)
      soc -=
        stepS /
        peukertTimeS(
          {
            capacityRatedAh: data.capacityAh,
            ratedHours: data.ratedHours,
            peukertExponent: PEUKERT[data.chemistry],
            socStart: 1,
            socEnd: 0,
            healthFactor: 1,
            temperatureFactor: coldFactor(data, options.batteryC),
          },
          one.batteryA,
        );
    else soc -= (one.batteryA * stepS) / capacityC;
    soc = Math.min(1, Math.max(0, soc));
  }
  if (curve.length === 0) return null;
  const solvedS = curve.length * stepS;
  return {
    curve,
    unsolvedS,
    unsolvedWhy,
    averageConverterA: sum / solvedS,
    peakConverterA,
    peakBatteryA,
    lowestV,
    socEnd: soc,
    limitedShare: limited / solvedS,
  };
}
