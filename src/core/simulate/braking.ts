import { peakTorqueNm, rpmToRadPerS } from '../physics/motor';
import { drivePoint, type RoadModel } from '../vehicle';

/** How the motor brakes on a trip. */
export interface Braking {
  /** Share of what the wheels have to lose that the motor is asked for. */
  readonly share: number;
  /** Most braking torque, as a share of the motor's peak torque. */
  readonly torqueShare: number;
  /** Most that goes into the battery, W. */
  readonly mostW: number;
  /** Braking without the brake pedal stays below it while it lights no lamps, m/s²; null: no such bound. */
  readonly unlitMPerS2: number | null;
}

/** Below this speed nothing goes back, m/s (generic). */
export const REGEN_FROM_MPS = 2;

/** Greatest braking force at the wheels that the motor makes in any gear, N (positive): torque · ratio / radius, the driveline helping. */
export function mostBrakingN(model: RoadModel, torqueShare: number, speedMPerS: number, linkV: number): number {
  const { motor, wheelRadiusM } = model;
  if (!motor || wheelRadiusM === null) return Number.POSITIVE_INFINITY;
  return Math.max(
    0,
    ...model.ratios.map((ratio) => {
      const rpm = ((speedMPerS / wheelRadiusM) * ratio) / rpmToRadPerS(1);
      const torqueNm = torqueShare * peakTorqueNm(motor, rpm, linkV);
      return (torqueNm * ratio) / wheelRadiusM / model.drivelineEfficiency;
    }),
  );
}

/**
 * What the motor takes of a braking force at the wheels (negative, N) at a speed, m/s: `forceN` at the wheels and `batteryW` into the
 * battery, both 0 or less. Bounded by the share asked, its torque, the battery's limit, and while the lamps stay dark by deceleration.
 */
export function regenerated(
  model: RoadModel,
  braking: Braking,
  forceN: number,
  speedMPerS: number,
  linkV: number,
): { readonly forceN: number; readonly batteryW: number } {
  if (forceN >= 0 || speedMPerS < REGEN_FROM_MPS || braking.share <= 0) return { forceN: 0, batteryW: 0 };
  const bounds = [
    -forceN * braking.share,
    mostBrakingN(model, braking.torqueShare, speedMPerS, linkV),
    ...(braking.unlitMPerS2 === null ? [] : [braking.unlitMPerS2 * model.massKg]),
  ];
  const asked = -Math.min(...bounds);
  if (asked === 0) return { forceN: 0, batteryW: 0 };
  const point = drivePoint(model, asked, speedMPerS, linkV);
  if (!point.possible) return { forceN: 0, batteryW: 0 };
  const batteryW = Math.max(point.batteryW, -braking.mostW);
  // What the battery does not take, the brakes do.
  return { forceN: point.batteryW < 0 ? (asked * batteryW) / point.batteryW : 0, batteryW };
}
