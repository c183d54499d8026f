import type { LimitCurves } from '../build';
import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../physics/cell';
import { leastOfCurves } from '../physics/limit-curve';
import { roadForces } from '../physics/road-load';
import { drivePoint, type RoadModel } from '../vehicle';
import { type Braking, regenerated } from './braking';
import { motorCooling } from './motor-heat';
import type { TripPack } from './trip-pack';
import type { Trace } from './trips';

/** Heat of cells, J/kgK, and what leaves the boxes, W/K (generic). */
export const CELL_J_PER_KGK = 1000;
export const BOX_W_PER_K = 8;
/** Into an almost full or a cold pack nothing goes back. */
const REGEN_SOC = 0.97;
const REGEN_COLD_C = 2;
/** Windows over which the rms current is looked at, s. */
export const WINDOWS_S = [10, 60, 600, 1800] as const;

export interface TripOptions {
  readonly socStart: number;
  readonly health: number;
  readonly ambientC: number;
  readonly auxiliaryW: number;
  readonly braking: Braking;
  /** Most that the inverter takes from the battery, W. */
  readonly mostW: number;
  /** What the battery management lets through, A; absent: whatever is asked. */
  readonly limits?: LimitCurves;
  /** State of charge at which driving stops; 0 where it is absent. */
  readonly socStop?: number;
  /** Told now and then: seconds of the trip that are driven. */
  readonly onProgress?: (doneS: number) => void;
}

export interface TripResult {
  readonly distanceM: number;
  readonly durationS: number;
  readonly energyJ: number;
  readonly energyPerKmWh: number | null;
  /** Where it went, J: wheels' air, rolling, climbing (net), braked away, driveline and motor, pack's own resistance, everything else. */
  readonly split: Readonly<Record<'air' | 'rolling' | 'climbing' | 'brakes' | 'drive' | 'pack' | 'other', number>>;
  readonly currents: {
    readonly meanA: number;
    readonly rmsA: number;
    readonly peakA: number;
    readonly peakRegenA: number;
    /** By window of WINDOWS_S; the whole trip where it is shorter. */
    readonly windowsA: readonly number[];
  };
  /** Rms of each ten seconds, A: what heats conductors. */
  readonly profileA: readonly number[];
  readonly socEnd: number;
  readonly packC: number;
  readonly motorC: number;
  /** Hottest on the way, °C. */
  readonly packMostC: number;
  readonly motorMostC: number;
  readonly lowestV: number;
  /** Seconds in which the drive could not give what the trace asks. */
  readonly shortS: number;
  /** Seconds in which the battery management let through less than was asked, and what braking it sent to the brakes, J. */
  readonly heldS: number;
  readonly heldBackJ: number;
  /** Where it fell to the charge at which driving stops; null: it got home. */
  readonly stop: { readonly timeS: number; readonly distanceM: number } | null;
  /** Hardest braking by the motor, m/s². */
  readonly regenMostMPerS2: number;
  readonly curve: readonly {
    readonly timeS: number;
    readonly speedMPerS: number;
    readonly currentA: number;
    readonly soc: number;
    readonly packC: number;
    readonly motorC: number;
    /** What is let through, out and in, A; null: not told. */
    readonly mostA: number | null;
    readonly mostBackA: number | null;
  }[];
}

/** Conductors take minutes to warm: so much of a trip is taken at once, s. */
export const PROFILE_STEP_S = 10;

/** Rms of stretches of so many seconds, A. */
const stretches = (squares: readonly number[], seconds: number): number[] =>
  Array.from({ length: Math.ceil(squares.length / seconds) }, (_, k) => {
    const part = squares.slice(k * seconds, (k + 1) * seconds);
    return Math.sqrt(part.reduce((sum, value) => sum + value, 0) / part.length);
  });

const CURVE_POINTS = 240;
/** Seconds of the trip between two words of progress. */
const PROGRESS_S = 600;
const HALVES = 2;

const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);
/** Power at the terminals of E behind R at a current out of it or into it, W; a limit beyond what it can give bounds nothing. */
const powerOut = (e: number, r: number, ampere: number): number =>
  Number.isFinite(ampere) && ampere < e / (2 * r) ? ampere * (e - ampere * r) : Number.POSITIVE_INFINITY;
const powerIn = (e: number, r: number, ampere: number): number =>
  Number.isFinite(ampere) ? ampere * (e + ampere * r) : Number.POSITIVE_INFINITY;

/** Greatest rms over any stretch of `seconds` of a current sampled once a second, A. */
export function worstWindow(squares: readonly number[], seconds: number): number {
  const n = Math.min(seconds, squares.length);
  if (n === 0) return 0;
  let sum = 0;
  let most = 0;
  for (let k = 0; k < squares.length; k++) {
    sum += squares[k]! - (k >= n ? squares[k - n]! : 0);
    if (k >= n - 1) most = Math.max(most, sum);
  }
  return Math.sqrt(Math.max(0, most) / n);
}

/**
 * A trip second by second, backwards from the wheels: best gear, motor's and inverter's efficiency, pack with its rest voltage, resistance
 * by temperature and age, and its heat. Each second in two halves at their middles; braking goes back as far as speed, cold and a
 * full pack allow.
 */
export function simulateTrip(model: RoadModel, pack: TripPack, trace: Trace, options: TripOptions): TripResult {
  const { speedsMPerS: speeds, grades } = trace;
  const seconds = Math.max(0, speeds.length - 1);
  const split = { air: 0, rolling: 0, climbing: 0, brakes: 0, drive: 0, pack: 0, other: 0 };
  const squares: number[] = [];
  let [soc, packC, motorC] = [options.socStart, options.ambientC, options.ambientC];
  let [distance, energy, charge, peak, peakRegen, lowestV, shortS] = [0, 0, 0, 0, 0, Number.POSITIVE_INFINITY, 0];
  let [packMostC, motorMostC, regenMostN] = [packC, motorC, 0];
  let stop: TripResult['stop'] = null;
  let [heldS, heldBackJ] = [0, 0];
  const { limits = {} } = options;
  const mostA = () => leastOfCurves([limits.dischargeByC, packC], [limits.dischargeBySoc, soc]);
  const mostBackA = () => leastOfCurves([limits.chargeByC, packC], [limits.chargeBySoc, soc]);
  const socStop = options.socStop ?? 0;
  const curve: TripResult['curve'][number][] = [];
  const every = Math.max(1, Math.ceil(seconds / CURVE_POINTS));
  const motor = motorCooling(model.motor);
  let driven = 0;
  const dt = 1 / HALVES;
  let linkV = pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc);
  // Nothing moves with empty cells.
  for (let k = 0; k < seconds && soc > 0; k++) {
    driven = k + 1;
    if (k % PROGRESS_S === 0) options.onProgress?.(k);
    let [square, amps] = [0, 0];
    const acceleration = speeds[k + 1]! - speeds[k]!;
    for (let half = 0; half < HALVES; half++) {
      const x = (half + 0.5) / HALVES;
      const v = speeds[k]! + acceleration * x;
      const grade = grades[k]! + (grades[k + 1]! - grades[k]!) * x;
      const forces = roadForces(model.road, v, grade, acceleration);
      const force = forces.rollingN + forces.slopeN + forces.dragN + forces.inertiaN;
      const wheelW = force * v;
      let driveW = 0;
      let backN = 0;
      if (v > 0) {
        if (wheelW >= 0) {
          const point = drivePoint(model, force, v, linkV);
          if (!point.possible || point.batteryW > options.mostW) shortS += dt;
          driveW = Math.min(point.batteryW, options.mostW);
        } else {
          const room = soc < REGEN_SOC && packC > REGEN_COLD_C;
          const back = room ? regenerated(model, options.braking, force, v, linkV) : null;
          driveW = back?.batteryW ?? 0;
          backN = back?.forceN ?? 0;
        }
      }
      const ocv = pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc);
      const ohm =
        pack.cellsOhm * resistanceTemperatureFactor(packC) * resistanceAgeFactor(options.health) + pack.otherOhm;
      // What the electronics lets through bounds the drive, not what runs beside it.
      if (driveW > 0) {
        const most = powerOut(ocv, ohm, mostA()) - options.auxiliaryW;
        if (driveW > most) {
          heldS += dt;
          driveW = Math.max(0, most);
        }
      } else if (driveW < 0) {
        const least = -powerIn(ocv, ohm, mostBackA()) - options.auxiliaryW;
        if (driveW < least) {
          const share = Math.min(0, least) / driveW;
          heldBackJ += (1 - share) * -driveW * dt;
          driveW *= share;
          backN *= share;
        }
      }
      const batteryW = driveW + options.auxiliaryW;
      const inside = ocv * ocv - 4 * ohm * batteryW;
      const currentA = inside > 0 ? (2 * batteryW) / (ocv + Math.sqrt(inside)) : ocv / (2 * ohm);
      if (inside <= 0) shortS += dt;
      linkV = ocv - currentA * ohm;
      lowestV = Math.min(lowestV, linkV);
      soc -= (currentA * dt) / (pack.capacityC * options.health);
      if (soc <= socStop && stop === null) stop = { timeS: k + x, distanceM: distance };
      const lossW = currentA * currentA * ohm;
      packC += ((lossW - BOX_W_PER_K * (packC - options.ambientC)) * dt) / (pack.massKg * CELL_J_PER_KGK);
      const driveLossW = Math.max(0, driveW - (wheelW >= 0 ? wheelW : backN * v));
      motorC += ((driveLossW * motor.share - motor.wattsPerK * (motorC - options.ambientC)) * dt) / motor.joulesPerK;
      packMostC = Math.max(packMostC, packC);
      motorMostC = Math.max(motorMostC, motorC);
      regenMostN = Math.max(regenMostN, -backN);
      distance += v * dt;
      energy += (batteryW + lossW) * dt;
      charge += currentA * dt;
      square += currentA * currentA * dt;
      amps += currentA * dt;
      peak = Math.max(peak, currentA);
      peakRegen = Math.max(peakRegen, -currentA);
      split.air += forces.dragN * v * dt;
      split.rolling += forces.rollingN * v * dt;
      split.climbing += forces.slopeN * v * dt;
      if (wheelW < 0) {
        split.brakes += (backN * v - wheelW) * dt;
        split.drive += (driveW - backN * v) * dt;
      } else split.drive += Math.max(0, driveW - wheelW) * dt;
      split.pack += lossW * dt;
      split.other += options.auxiliaryW * dt;
    }
    squares.push(square);
    if (k % every === 0 || k === seconds - 1)
      curve.push({
        timeS: k + 1,
        speedMPerS: speeds[k + 1]!,
        currentA: amps,
        soc,
        packC,
        motorC,
        mostA: finite(mostA()),
        mostBackA: finite(mostBackA()),
      });
  }
  return {
    distanceM: distance,
    durationS: driven,
    energyJ: energy,
    energyPerKmWh: distance > 0 ? energy / 3.6 / distance : null,
    split,
    profileA: stretches(squares, PROFILE_STEP_S),
    currents: {
      meanA: driven > 0 ? charge / driven : 0,
      rmsA: driven > 0 ? Math.sqrt(squares.reduce((sum, value) => sum + value, 0) / driven) : 0,
      peakA: peak,
      peakRegenA: peakRegen,
      windowsA: WINDOWS_S.map((window) => worstWindow(squares, window)),
    },
    socEnd: soc,
    packC,
    motorC,
    packMostC,
    motorMostC,
    lowestV,
    shortS,
    heldS,
    heldBackJ,
    stop,
    regenMostMPerS2: regenMostN / model.massKg,
    curve,
  };
}
