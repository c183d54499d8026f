import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../physics/cell';
import { roadForces } from '../physics/road-load';
import { conductorOhm, drivePoint, packStrings, partOf, type RoadModel, type Vehicle, wayOf } from '../vehicle';
import type { Trace } from './trips';

/** The pack as a trip sees it: one string that stands for all in parallel, with the way to the inverter. */
export interface TripPack {
  readonly chemistry: Parameters<typeof openCircuitVoltage>[0];
  readonly cellsInSeries: number;
  readonly capacityC: number;
  /** All cells, joints and the way to the inverter, new, at 25 °C, Ω; the cells' share of it follows temperature and age. */
  readonly cellsOhm: number;
  readonly otherOhm: number;
  readonly massKg: number;
  /** Charge voltage of all cells: regeneration stops there. V */
  readonly fullV: number;
}

/**
 * What stands for the pack in a trip; null without cells. Boxes in series, their weakest capacity counts; strings in parallel add their
 * capacities and conductances, at the voltage of the first: strings that differ are named by a rule of Pack.
 */
export function tripPack(vehicle: Vehicle): TripPack | null {
  const strings = packStrings(vehicle).flatMap(({ boxIds }) => {
    const boxes = boxIds.flatMap((id) => {
      const box = vehicle.deviceOf.get(id)!;
      const cell = partOf(box, 'cell');
      return cell && box.device.cellsInSeries
        ? [{ cell, series: box.device.cellsInSeries, parallel: box.device.cellsInParallel ?? 1 }]
        : [];
    });
    if (boxes.length === 0) return [];
    const sum = (pick: (box: (typeof boxes)[number]) => number) => boxes.reduce((total, box) => total + pick(box), 0);
    return [
      {
        chemistry: boxes[0]!.cell.chemistry,
        cellsInSeries: sum(({ series }) => series),
        capacityC: 3600 * Math.min(...boxes.map(({ cell, parallel }) => cell.capacityAh * parallel)),
        cellsOhm: sum(({ cell, series, parallel }) => (series * cell.resistanceOhm) / parallel),
        linksOhm: sum(({ cell, series }) => series * cell.linkResistanceOhm),
        massKg: sum(({ cell, series, parallel }) => series * parallel * cell.massKg),
        fullV: sum(({ cell, series }) => series * cell.fullV),
      },
    ];
  });
  const first = strings[0];
  if (!first) return null;
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  const way = inverter ? wayOf(vehicle, inverter) : null;
  const wayOhm = way?.conductors.reduce((total, conductor) => total + conductorOhm(conductor, 40), 0) ?? 0;
  const sum = (pick: (string: (typeof strings)[number]) => number) =>
    strings.reduce((total, string) => total + pick(string), 0);
  const parallel = (pick: (string: (typeof strings)[number]) => number) =>
    strings.length === 1 ? pick(first) : 1 / sum((string) => 1 / Math.max(pick(string), 1e-9));
  return {
    chemistry: first.chemistry,
    cellsInSeries: first.cellsInSeries,
    capacityC: sum((string) => string.capacityC),
    cellsOhm: parallel((string) => string.cellsOhm),
    otherOhm: parallel((string) => string.linksOhm) + wayOhm,
    massKg: sum((string) => string.massKg),
    fullV: Math.min(...strings.map((string) => string.fullV)),
  };
}

/** Heat of cells, J/kgK, and what leaves the boxes, W/K (generic). */
const CELL_J_PER_KGK = 1000;
const BOX_W_PER_K = 8;
/** Heat of a motor, J/kgK, and what its coolant or air takes, W/K (generic). */
const MOTOR_J_PER_KGK = 480;
const MOTOR_W_PER_K = 60;
/** Below this speed nothing goes back, m/s. */
const REGEN_FROM = 2;
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
  /** Share of braking that the motor takes, and its most at the battery, W. */
  readonly regenShare: number;
  readonly regenMostW: number;
  /** Most that the inverter takes from the battery, W. */
  readonly mostW: number;
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
  readonly lowestV: number;
  /** Seconds in which the drive could not give what the trace asks. */
  readonly shortS: number;
  /** Instant at which the pack was empty, s; null: it got home. */
  readonly emptyAtS: number | null;
  readonly curve: readonly {
    readonly timeS: number;
    readonly speedMPerS: number;
    readonly currentA: number;
    readonly soc: number;
    readonly packC: number;
    readonly motorC: number;
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
const HALVES = 2;

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
  let emptyAtS: number | null = null;
  const curve: TripResult['curve'][number][] = [];
  const every = Math.max(1, Math.ceil(seconds / CURVE_POINTS));
  const motorHeat = (model.motor?.massKg ?? 50) * MOTOR_J_PER_KGK;
  const dt = 1 / HALVES;
  let linkV = pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc);
  for (let k = 0; k < seconds; k++) {
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
      if (v > 0) {
        if (wheelW >= 0) {
          const point = drivePoint(model, force, v, linkV);
          if (!point.possible || point.batteryW > options.mostW) shortS += dt;
          driveW = Math.min(point.batteryW, options.mostW);
        } else {
          const allowed = v >= REGEN_FROM && soc < REGEN_SOC && packC > REGEN_COLD_C;
          const back = allowed ? drivePoint(model, force * options.regenShare, v, linkV) : null;
          driveW = back?.possible ? Math.max(back.batteryW, -options.regenMostW) : 0;
        }
      }
      const batteryW = driveW + options.auxiliaryW;
      const ocv = pack.cellsInSeries * openCircuitVoltage(pack.chemistry, soc);
      const ohm =
        pack.cellsOhm * resistanceTemperatureFactor(packC) * resistanceAgeFactor(options.health) + pack.otherOhm;
      const inside = ocv * ocv - 4 * ohm * batteryW;
      const currentA = inside > 0 ? (2 * batteryW) / (ocv + Math.sqrt(inside)) : ocv / (2 * ohm);
      if (inside <= 0) shortS += dt;
      linkV = ocv - currentA * ohm;
      lowestV = Math.min(lowestV, linkV);
      soc -= (currentA * dt) / (pack.capacityC * options.health);
      if (soc <= 0 && emptyAtS === null) emptyAtS = k + x;
      const lossW = currentA * currentA * ohm;
      packC += ((lossW - BOX_W_PER_K * (packC - options.ambientC)) * dt) / (pack.massKg * CELL_J_PER_KGK);
      const driveLossW = Math.max(0, wheelW >= 0 ? driveW - wheelW : driveW - wheelW * options.regenShare);
      motorC += ((driveLossW * 0.7 - MOTOR_W_PER_K * (motorC - options.ambientC)) * dt) / motorHeat;
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
        split.brakes += -wheelW * (driveW < 0 ? 1 - options.regenShare : 1) * dt;
        if (driveW < 0) split.drive += (driveW - wheelW * options.regenShare) * dt;
      } else split.drive += Math.max(0, driveW - wheelW) * dt;
      split.pack += lossW * dt;
      split.other += options.auxiliaryW * dt;
    }
    squares.push(square);
    if (k % every === 0 || k === seconds - 1)
      curve.push({ timeS: k + 1, speedMPerS: speeds[k + 1]!, currentA: amps, soc, packC, motorC });
  }
  return {
    distanceM: distance,
    durationS: seconds,
    energyJ: energy,
    energyPerKmWh: distance > 0 ? energy / 3.6 / distance : null,
    split,
    profileA: stretches(squares, PROFILE_STEP_S),
    currents: {
      meanA: seconds > 0 ? charge / seconds : 0,
      rmsA: seconds > 0 ? Math.sqrt(squares.reduce((sum, value) => sum + value, 0) / seconds) : 0,
      peakA: peak,
      peakRegenA: peakRegen,
      windowsA: WINDOWS_S.map((window) => worstWindow(squares, window)),
    },
    socEnd: soc,
    packC,
    motorC,
    lowestV,
    shortS,
    emptyAtS,
    curve,
  };
}
