import type { Brakes } from '../build';
import { airPressurePa } from '../physics/air';
import { assistedStops, type Evacuated, evacuated, SEA_LEVEL_PA, type VacuumPump } from '../physics/vacuum';
import type { Vehicle } from '../vehicle';
import { Follows } from '../vehicle';
import { traceOf } from './trip-runs';

/** Vacuum brakes of a build: pull-down, the usual trip’s stops, a descent, and what is left with the pump dead. */

/** Least vacuum with which brakes count as assisted (reference of the trade), Pa. */
export const LEAST_PA = 30000;
/** Hoses where nobody measured them (generic), l. */
export const HOSE_L = 0.2;
/** A normal stop takes so much of the pedal’s stroke; a full one all (reference of the trade). */
export const NORMAL_STROKE = 0.4;
/** Applications on a descent come so often, s, for so long (engineering judgement). */
export const DESCENT_EVERY_S = 8;
export const DESCENT_S = 300;
/** A leak is read over five minutes, s. */
const LEAK_S = 300;
/** Braking harder than this begins an application, m/s². */
const BRAKES_FROM = 0.3;
const STEP_S = 0.25;

export interface VacuumPoint {
  readonly t: number;
  readonly v: number;
}

export interface VacuumRun {
  readonly curve: readonly VacuumPoint[];
  readonly duty: number;
  readonly starts: number;
  readonly applications: number;
  readonly lowestPa: number;
}

export interface BrakeVacuum {
  readonly air: Evacuated;
  readonly volumeL: number;
  readonly onPa: number;
  readonly offPa: number;
  readonly leastPa: number;
  /** Where the pump ends here: at its switch, or at its highest. */
  readonly fullPa: number;
  readonly eachPa: number;
  readonly fullStrokePa: number;
  /** From nothing to the least, and to cut-out; null: never. */
  readonly toLeastS: number | null;
  readonly toCutOutS: number | null;
  readonly recoveryS: number | null;
  readonly pullDown: readonly VacuumPoint[];
  readonly trip: VacuumRun & { readonly distanceM: number };
  readonly descent: VacuumRun;
  /** With the pump dead: normal stops, from cut-in and from where it ends. */
  readonly fromOn: { readonly begun: number; readonly leaving: number };
  readonly fromFull: { readonly begun: number; readonly leaving: number };
  readonly assumed: readonly string[];
}

const NEEDED: readonly (readonly [keyof Brakes, string])[] = [
  ['boosterL', 'the booster’s volume'],
  ['sweptL', 'the air of a full stroke'],
  ['pumpLPerMin', 'the pump’s flow'],
  ['pumpMostPa', 'the pump’s highest vacuum'],
  ['switchOnPa', 'where its switch turns it on'],
  ['switchOffPa', 'where its switch turns it off'],
];

/** What the model still needs, in words. */
export const vacuumMissing = ({ build: { brakes = {} } }: Vehicle): readonly string[] =>
  NEEDED.flatMap(([field, what]) => (brakes[field] === undefined ? [what] : []));

const known = new Follows<Vehicle, BrakeVacuum | null>();

/** Null: something is missing, or the switch turns on above where it turns off. */
export const brakeVacuum = (vehicle: Vehicle): BrakeVacuum | null => known.get(vehicle, () => work(vehicle));

function work(vehicle: Vehicle): BrakeVacuum | null {
  const { brakes = {} } = vehicle.build;
  if (vacuumMissing(vehicle).length > 0) return null;
  const { altitudeM } = vehicle.build.vehicle;
  // A switch that goes with the air keeps its share of it.
  const scale = brakes.switchFollows === true ? airPressurePa(altitudeM) / SEA_LEVEL_PA : 1;
  const [onPa, offPa] = [brakes.switchOnPa! * scale, brakes.switchOffPa! * scale];
  if (onPa >= offPa) return null;
  const volumeL = brakes.boosterL! + (brakes.reservoirL ?? 0) + (brakes.hoseL ?? HOSE_L);
  const pump: VacuumPump = {
    flowM3PerS: brakes.pumpLPerMin! / 60000,
    highestSeaPa: brakes.pumpMostPa!,
    basis: brakes.flowBasis ?? 'free-air',
  };
  const air = evacuated(pump, volumeL / 1000, altitudeM);
  const leastPa = brakes.leastPa ?? LEAST_PA;
  const fullStrokePa = (air.ambientPa * brakes.sweptL!) / volumeL;
  const eachPa = NORMAL_STROKE * fullStrokePa;
  const fullPa = Math.min(offPa, air.highestPa);
  const leakS = leakTime(brakes, fullPa);
  const kit = { air, onPa, offPa, leakS, fullPa };
  const { times, distanceM, lastS } = stopsOf(vehicle);
  const toCutOutS = air.timeS(0, offPa);
  const shownS = toCutOutS ?? air.timeS(0, 0.97 * air.highestPa) ?? 60;
  return {
    air,
    volumeL,
    onPa,
    offPa,
    leastPa,
    fullPa,
    eachPa,
    fullStrokePa,
    toLeastS: air.timeS(0, leastPa),
    toCutOutS,
    recoveryS: air.timeS(Math.max(0, offPa - eachPa), offPa),
    pullDown: Array.from({ length: 61 }, (_, k) => {
      const t = (1.1 * shownS * k) / 60;
      return { t, v: Math.min(offPa, air.after(0, t)) };
    }),
    trip: { ...run(kit, times, eachPa, lastS), distanceM },
    descent: run(
      kit,
      Array.from({ length: Math.floor(DESCENT_S / DESCENT_EVERY_S) }, (_, k) => (k + 1) * DESCENT_EVERY_S),
      eachPa,
      DESCENT_S,
    ),
    fromOn: assistedStops(Math.min(onPa, air.highestPa), leastPa, eachPa),
    fromFull: assistedStops(fullPa, leastPa, eachPa),
    assumed: [
      ...(brakes.reservoirL === undefined ? ['No reservoir is entered.'] : []),
      ...(brakes.hoseL === undefined ? ['Hoses as small as usual.'] : []),
      ...(brakes.flowBasis === undefined ? ['The pump’s flow is free air, the usual form of a sheet.'] : []),
      ...(brakes.leastPa === undefined ? ['Assisted down to the least vacuum of the trade.'] : []),
      ...(brakes.leakPa === undefined ? ['It does not leak: not measured yet.'] : []),
      ...(brakes.switchFollows === undefined ? ['The switch keeps its set points at any altitude.'] : []),
    ],
  };
}

/** Time constant of the leak, s: what is left falls by the same share in the same time. Infinite: none, or not measured. */
function leakTime({ leakPa }: Brakes, fromPa: number): number {
  if (leakPa === undefined || leakPa === 0) return Number.POSITIVE_INFINITY;
  return leakPa >= fromPa ? LEAK_S / 10 : -LEAK_S / Math.log(1 - leakPa / fromPa);
}

/** When the brake is applied on the usual trip: wherever it begins to slow down. */
function stopsOf(vehicle: Vehicle) {
  const { speedsMPerS: speeds } = traceOf(vehicle.build);
  const times: number[] = [];
  let distanceM = 0;
  for (let k = 1; k < speeds.length; k++) {
    distanceM += (speeds[k]! + speeds[k - 1]!) / 2;
    const slows = (at: number) => at >= 1 && speeds[at - 1]! - speeds[at]! > BRAKES_FROM;
    if (slows(k) && !slows(k - 1)) times.push(k - 1);
  }
  return { times, distanceM, lastS: speeds.length - 1 };
}

interface Kit {
  readonly air: Evacuated;
  readonly onPa: number;
  readonly offPa: number;
  readonly leakS: number;
  readonly fullPa: number;
}

/** From full vacuum through applications at given times; pump and leak step by step, the pump’s part by its closed form. */
function run(
  { air, onPa, offPa, leakS, fullPa }: Kit,
  times: readonly number[],
  eachPa: number,
  lastS: number,
): VacuumRun {
  let [v, on, ran, starts, lowestPa, next] = [fullPa, offPa > air.highestPa, 0, 0, fullPa, 0];
  const curve: VacuumPoint[] = [{ t: 0, v }];
  const steps = Math.round(lastS / STEP_S);
  const every = Math.max(1, Math.round(steps / 600));
  const leak = Math.exp(-STEP_S / leakS);
  for (let k = 1; k <= steps; k++) {
    const t = k * STEP_S;
    while (next < times.length && times[next]! < t) {
      curve.push({ t: times[next]!, v });
      v = Math.max(0, v - eachPa);
      curve.push({ t: times[next]!, v });
      next++;
    }
    if (!on && v <= onPa) {
      on = true;
      starts++;
    }
    if (on) {
      const left = air.timeS(v, offPa);
      const runs = left === null ? STEP_S : Math.min(STEP_S, left);
      ran += runs;
      v = air.after(v, runs);
      if (left !== null && left <= STEP_S) on = false;
    }
    v *= leak;
    lowestPa = Math.min(lowestPa, v);
    if (k % every === 0) curve.push({ t, v });
  }
  return { curve, duty: lastS > 0 ? ran / lastS : 0, starts, applications: next, lowestPa };
}
