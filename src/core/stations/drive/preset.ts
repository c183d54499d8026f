import { GRAVITY_M_PER_S2, roadForces, sumOf } from '../../physics/road-load';
import { drivePoint, nominalLinkV, roadModel, type Vehicle } from '../../vehicle';

/** A set speed instead of a pedal: what it takes and how long the charge lasts. */
export interface PresetFigures {
  readonly powerW: number;
  /** Throttle set point: share of the motor's highest speed in the gear that takes the least. */
  readonly setPoint: number | null;
  readonly motorRpm: number;
  readonly runTimeS: number;
  /** Force at the wheels while it comes up to speed within the ramp, and of the road at that speed, N. */
  readonly rampN: number;
  readonly roadN: number;
  /** Acceleration, as a share of gravity: what stands on a platform feels it. */
  readonly rampG: number;
}

/** Null while the set speed, the mass or the cells are missing. Run time from full to where driving stops, at that speed on the flat. */
export function presetFigures(vehicle: Vehicle, usableEnergyJ: number): PresetFigures | null {
  const { build } = vehicle;
  const speed = build.presetSpeed?.speedMPerS;
  const model = roadModel(build);
  if (speed === undefined || !model) return null;
  const roadN = sumOf(roadForces(model.road, speed, 0, 0));
  const point = drivePoint(model, roadN, speed, nominalLinkV(build));
  const auxiliaryW = vehicle.devices.reduce(
    (sum, { device }) => sum + (device.kind === 'inverter' ? 0 : (device.powersW?.cruise ?? 0)),
    0,
  );
  const powerW = point.batteryW + auxiliaryW;
  const rampMPerS2 = speed / (build.presetSpeed?.rampS ?? 3);
  return {
    powerW,
    setPoint: model.motor && point.speedRpm > 0 ? point.speedRpm / model.motor.maximumSpeedRpm : null,
    motorRpm: point.speedRpm,
    runTimeS: usableEnergyJ / powerW,
    rampN: roadN + model.massKg * model.road.rotatingMassFactor * rampMPerS2,
    roadN,
    rampG: rampMPerS2 / GRAVITY_M_PER_S2,
  };
}
