import { type RoadVehicle, roadForces, sumOf } from '../physics/road-load';

/** A speed trace driven backwards: from the wheels to the battery. */
export interface DriveLawInput extends RoadVehicle {
  /** Rise over run at each point of the trace. */
  readonly grades: readonly number[];
  /** One point a second, joined straight, m/s. */
  readonly speedsMPerS: readonly number[];
  readonly drivelineEfficiency: number;
  /** Share of the braking power (after the driveline) that goes back; none below the least speed. */
  readonly regenFraction: number;
  readonly regenMinimumSpeedMPerS: number;
  readonly auxiliaryPowerW: number;
  readonly battery: { readonly voltageV: number } | { readonly ocvV: number; readonly resistanceOhm: number };
}

export interface DriveLawResult {
  readonly distanceM: number;
  /** At the battery's terminals, what came back taken off, J. */
  readonly energyBatteryJ: number;
  readonly energyPerKmWh: number | null;
  readonly rmsCurrentA: number;
  readonly meanCurrentA: number;
  readonly peakCurrentA: number;
  /** Largest current into the battery, as a positive figure, A. */
  readonly peakRegenCurrentA: number;
  readonly energyRegeneratedJ: number;
  readonly tractionEnergyWheelJ: number;
  readonly brakingEnergyWheelJ: number;
  /** Lost in the battery's own resistance, J. */
  readonly batteryLossJ: number;
  readonly durationS: number;
}

/** Instant at which the battery can't give what is asked. */
export class CannotGive extends Error {
  override readonly name = 'CannotGive';
  constructor(
    readonly atS: number,
    readonly powerW: number,
    readonly mostW: number,
  ) {
    super(`the battery can give ${Math.round(mostW)} W at most, ${Math.round(powerW)} W is asked`);
  }
}

/** Three-point Gauss-Legendre on [0, 1]. */
const GAUSS = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
] as const;
/** Pieces of each second: power bends where it changes its sign. */
const PIECES = 4;

/** Battery current for a power at its terminals, A: the upper-voltage branch. */
function currentOf(battery: DriveLawInput['battery'], powerW: number, atS: number): number {
  if ('voltageV' in battery) return powerW / battery.voltageV;
  const { ocvV, resistanceOhm } = battery;
  if (resistanceOhm === 0) return powerW / ocvV;
  const inside = ocvV ** 2 - 4 * resistanceOhm * powerW;
  if (inside < 0) throw new CannotGive(atS, powerW, ocvV ** 2 / (4 * resistanceOhm));
  return (2 * powerW) / (ocvV + Math.sqrt(inside));
}

/**
 * Energy and current statistics of a trace: within each second speed and grade are straight, acceleration is constant; integrated by
 * Gauss's rule on quarters of a second. Throws CannotGive.
 */
export function driveLaw(input: DriveLawInput): DriveLawResult {
  const { speedsMPerS: speeds, grades, battery } = input;
  const sums = { distance: 0, battery: 0, i: 0, i2: 0, regen: 0, traction: 0, braking: 0, loss: 0 };
  let [peak, peakRegen] = [Number.NEGATIVE_INFINITY, 0];
  const ohm = 'voltageV' in battery ? 0 : battery.resistanceOhm;
  const look = (speed: number, grade: number, acceleration: number, atS: number) => {
    const wheelW = sumOf(roadForces(input, speed, grade, acceleration)) * speed;
    const back = speed >= input.regenMinimumSpeedMPerS ? input.regenFraction * input.drivelineEfficiency : 0;
    const driveW = wheelW > 0 ? wheelW / input.drivelineEfficiency : wheelW * back;
    const batteryW = driveW + input.auxiliaryPowerW;
    const currentA = currentOf(battery, batteryW, atS);
    peak = Math.max(peak, currentA);
    peakRegen = Math.max(peakRegen, -currentA);
    return { wheelW, driveW, batteryW, currentA };
  };
  const seconds = Math.max(0, speeds.length - 1);
  for (let k = 0; k < seconds; k++) {
    const [v0, v1] = [speeds[k]!, speeds[k + 1]!];
    const [g0, g1] = [grades[k]!, grades[k + 1]!];
    sums.distance += (v0 + v1) / 2;
    // The ends of each second are looked at for their peaks: acceleration jumps there.
    for (const share of [1e-9, 1 - 1e-9]) look(v0 + (v1 - v0) * share, g0 + (g1 - g0) * share, v1 - v0, k + share);
    for (let piece = 0; piece < PIECES; piece++)
      for (const [x, weight] of GAUSS) {
        const share = (piece + x) / PIECES;
        const dt = weight / PIECES;
        const { wheelW, driveW, batteryW, currentA } = look(
          v0 + (v1 - v0) * share,
          g0 + (g1 - g0) * share,
          v1 - v0,
          k + share,
        );
        sums.battery += batteryW * dt;
        sums.i += currentA * dt;
        sums.i2 += currentA ** 2 * dt;
        sums.loss += currentA ** 2 * ohm * dt;
        if (driveW < 0) sums.regen -= driveW * dt;
        if (wheelW > 0) sums.traction += wheelW * dt;
        else sums.braking -= wheelW * dt;
      }
  }
  return {
    distanceM: sums.distance,
    energyBatteryJ: sums.battery,
    energyPerKmWh: sums.distance > 0 ? sums.battery / 3.6 / sums.distance : null,
    rmsCurrentA: seconds > 0 ? Math.sqrt(sums.i2 / seconds) : 0,
    meanCurrentA: seconds > 0 ? sums.i / seconds : 0,
    peakCurrentA: seconds > 0 ? peak : 0,
    peakRegenCurrentA: peakRegen,
    energyRegeneratedJ: sums.regen,
    tractionEnergyWheelJ: sums.traction,
    brakingEnergyWheelJ: sums.braking,
    batteryLossJ: sums.loss,
    durationS: seconds,
  };
}
