/** Road load in the plane of travel. SI units; positive forces hold the vehicle back. */
export interface RoadVehicle {
  readonly massKg: number;
  /** Mass that turns counts this much more when speed changes: 1.05 stands for 5 %. */
  readonly rotatingMassFactor: number;
  readonly rollingCoefficient: number;
  /** Drag coefficient times frontal area, m². */
  readonly dragAreaM2: number;
  readonly airDensityKgPerM3: number;
}

export const GRAVITY_M_PER_S2 = 9.80665;

/** Parts of the force at the wheels, N: rolling and slope only while it moves, rotating mass only while speed changes. */
export interface RoadForces {
  readonly rollingN: number;
  readonly slopeN: number;
  readonly dragN: number;
  readonly inertiaN: number;
}

/**
 * Forces at a speed, m/s, on a grade (rise over run) with an acceleration, m/s².
 * F = m·f·a + m·g·C_rr·cosθ + m·g·sinθ + ½·ρ·C_dA·v² (textbook).
 */
export function roadForces(
  vehicle: RoadVehicle,
  speedMPerS: number,
  grade: number,
  accelerationMPerS2: number,
): RoadForces {
  const moves = speedMPerS > 0;
  const slant = Math.hypot(1, grade);
  const weightN = vehicle.massKg * GRAVITY_M_PER_S2;
  return {
    rollingN: moves ? (weightN * vehicle.rollingCoefficient) / slant : 0,
    slopeN: moves ? (weightN * grade) / slant : 0,
    dragN: 0.5 * vehicle.airDensityKgPerM3 * vehicle.dragAreaM2 * speedMPerS ** 2,
    inertiaN: vehicle.massKg * vehicle.rotatingMassFactor * accelerationMPerS2,
  };
}

export const sumOf = ({ rollingN, slopeN, dragN, inertiaN }: RoadForces): number =>
  rollingN + slopeN + dragN + inertiaN;

/** Density of air at an altitude and temperature, kg/m³ (ISO 2533 pressure, ideal gas). */
export const airDensity = (pressurePa: number, temperatureC: number): number =>
  pressurePa / (287.05 * (temperatureC + 273.15));
