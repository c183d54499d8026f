import { brakeC } from '../physics/brake-heat';
import { hottestDayC, steadyPowerW, type Vehicle } from '../vehicle';

/** A long descent of the steepest climb, as long as a long climb lasts, on a full pack: the motor brakes nothing. */

export interface BrakeDescent {
  readonly powerW: number;
  readonly overS: number;
  readonly endC: number;
}

const OVER_S = 600;

/** Null: no hill, no mass or no iron is told. */
export function brakeDescent(vehicle: Vehicle): BrakeDescent | null {
  const { duty, brakes = {} } = vehicle.build;
  const { hillGrade, hillSpeedMPerS, cruiseSpeedMPerS } = duty;
  const speed = hillSpeedMPerS ?? cruiseSpeedMPerS;
  if (hillGrade === undefined || speed === undefined || brakes.discKg === undefined) return null;
  const steady = steadyPowerW(vehicle.build, speed, -hillGrade);
  if (!steady) return null;
  const powerW = Math.max(0, -steady.forceN * speed);
  return { powerW, overS: OVER_S, endC: brakeC(brakes.discKg, powerW, OVER_S, hottestDayC(vehicle.build)) };
}
