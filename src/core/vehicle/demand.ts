import type { Build, Device } from '../build';
import { aBody, own } from '../build';
import type { MotorPart } from '../parts';
import { airPressurePa } from '../physics/air';
import { type DriveMotor, driveEfficiency, peakTorqueNm, rpmToRadPerS } from '../physics/motor';
import { airDensity, type RoadVehicle, roadForces, sumOf } from '../physics/road-load';
import { stageEfficiency } from '../physics/stage';
import { parseTyre } from '../physics/tyre';
import { told as figure } from '../quantities';
import { BODY_FIGURES, massEmptyKg } from './body-figures';
import { driveTrainOf } from './drive-units';
import { Follows, Recent } from './memory';
import { packStringsOf } from './strings';

/** From motor shaft to wheels, gearbox and axle (generic 0.90–0.95). */
const DRIVELINE = 0.92;
/** Mass that turns, beside the vehicle's own (generic 0.03–0.08). */
const ROTATING = 1.05;
/** Efficiency of motor and inverter where no motor is chosen (generic). */
const UNKNOWN_MOTOR = 0.88;
const MILD_C = 15;

/** What the road asks of this vehicle; every figure that nobody told is in `assumed`. */
export interface RoadModel {
  readonly road: RoadVehicle;
  readonly massKg: number;
  readonly wheelRadiusM: number | null;
  /** Motor turns per wheel turn, by gear. */
  readonly ratios: readonly number[];
  readonly drivelineEfficiency: number;
  readonly motor: (MotorPart & DriveMotor) | null;
  readonly assumed: readonly string[];
}

const kept = new Follows<Build['vehicle'], Recent<RoadModel | null>>();

/** The first motor, with the part that the road is reckoned with: its own, or of several that work together all as one. */
export const motorOf = (build: Build): { device: Device; part: (MotorPart & DriveMotor) | null } | null => {
  const { units, motor } = driveTrainOf(build);
  return units[0] ? { device: units[0].motor, part: motor } : null;
};

/** The road model of a build; null while its mass is not known. */
export const roadModel = (build: Build): RoadModel | null => ofBuild.get(build, () => keptModel(build));
const ofBuild = new Follows<Build, RoadModel | null>();

function keptModel(build: Build): RoadModel | null {
  const motor = motorOf(build)?.part ?? null;
  const known = kept.get(build.vehicle, () => new Recent(2));
  return known.get([build.duty.towedMassKg, motor, build.stage], () => makeModel(build, motor, MILD_C));
}

/** The same on a day of another temperature: denser air when cold. */
export const roadModelAt = (build: Build, temperatureC: number): RoadModel | null =>
  makeModel(build, motorOf(build)?.part ?? null, temperatureC);

function makeModel(build: Build, motor: RoadModel['motor'], temperatureC: number): RoadModel | null {
  const { vehicle, duty } = build;
  const emptyKg = massEmptyKg(build);
  if (emptyKg === null) return null;
  const assumed: string[] = [];
  const shape = vehicle.body ?? 'saloon';
  const body = BODY_FIGURES[shape];
  const told = <T>(value: T | undefined | null, otherwise: T, words: string): T => {
    if (value !== undefined && value !== null) return value;
    assumed.push(words);
    return otherwise;
  };
  if (vehicle.massEmptyKg === null) assumed.push(`${figure(emptyKg, 'mass')} empty, as ${aBody(shape)}: weigh it`);
  const toGross = vehicle.grossMassKg === null ? null : Math.max(0, vehicle.grossMassKg - emptyKg);
  const payloadKg = told(
    vehicle.payloadKg,
    toGross ?? (vehicle.body ? body.payloadKg : 0),
    toGross !== null
      ? 'loaded to the gross limit'
      : vehicle.body
        ? `a load of ${figure(body.payloadKg, 'mass')}, as ${aBody(shape)}`
        : 'no load',
  );
  const dragAreaM2 = told(
    vehicle.dragAreaM2,
    body.dragAreaM2,
    `drag area ${figure(body.dragAreaM2, 'surface')}, as ${aBody(shape)}`,
  );
  const rollingCoefficient = told(vehicle.rollingCoefficient, body.rolling, `rolling ${body.rolling}`);
  const { kind } = build.stage ?? {};
  const through = DRIVELINE * (kind ? stageEfficiency(kind) : 1);
  const drivelineEfficiency = told(
    vehicle.drivelineEfficiency,
    through,
    `driveline ${Math.round(through * 1000) / 10} %${kind ? ', its stage included' : ''}`,
  );
  // A shape that was told stands in for tyres and gears too; one that was not says nothing of them.
  const code =
    vehicle.tyre ?? (vehicle.body ? told(undefined, body.tyre, `tyres ${body.tyre}, as ${aBody(shape)}`) : undefined);
  const tyre = code === undefined ? null : parseTyre(code);
  // Nothing told of any gear: as the shape's gearbox. One ratio told: the others are 1.
  const asShape = vehicle.body && vehicle.gearRatios === undefined && vehicle.finalDriveRatio === undefined;
  const gears = vehicle.gearRatios ?? (asShape ? told(undefined, body.gearRatios, `gears as ${aBody(shape)}`) : [1]);
  const finalDrive = vehicle.finalDriveRatio ?? (asShape ? body.finalDriveRatio : 1);
  const massKg = emptyKg + payloadKg + (duty.towedMassKg ?? 0);
  const last = finalDrive * (vehicle.stageRatio ?? 1);
  return {
    road: {
      massKg,
      rotatingMassFactor: ROTATING,
      rollingCoefficient,
      dragAreaM2,
      airDensityKgPerM3: airDensity(airPressurePa(vehicle.altitudeM), temperatureC),
    },
    massKg,
    wheelRadiusM: tyre?.ok ? tyre.tyre.rollingRadiusM : null,
    ratios: gears.map((ratio) => ratio * last),
    drivelineEfficiency,
    motor,
    assumed,
  };
}

/** How a wheel power at a speed is made: in which gear, at what motor torque and speed, for what power from the battery. */
export interface DrivePoint {
  readonly gear: number | null;
  readonly torqueNm: number;
  readonly speedRpm: number;
  readonly efficiency: number;
  readonly batteryW: number;
  /** False: no gear gives it at this link voltage. */
  readonly possible: boolean;
}

/**
 * The gear that takes the least power from the battery for a force at the wheels, N, and a speed, m/s (above zero). Without a motor or
 * tyres a plain efficiency is taken. A force below zero gives power back, the efficiency the other way round.
 */
export function drivePoint(model: RoadModel, forceN: number, speedMPerS: number, linkV: number): DrivePoint {
  const wheelW = forceN * speedMPerS;
  const through = model.drivelineEfficiency;
  const { motor, wheelRadiusM } = model;
  if (!motor || wheelRadiusM === null || speedMPerS <= 0) {
    const batteryW = wheelW >= 0 ? wheelW / through / UNKNOWN_MOTOR : wheelW * through * UNKNOWN_MOTOR;
    return { gear: null, torqueNm: 0, speedRpm: 0, efficiency: UNKNOWN_MOTOR, batteryW, possible: true };
  }
  const shaftW = wheelW >= 0 ? wheelW / through : wheelW * through;
  let best: DrivePoint | null = null;
  let nearest: DrivePoint | null = null;
  for (const [gear, ratio] of model.ratios.entries()) {
    const omega = (speedMPerS / wheelRadiusM) * ratio;
    const speedRpm = omega / rpmToRadPerS(1);
    const torqueNm = shaftW / omega;
    const limit = peakTorqueNm(motor, speedRpm, linkV);
    const efficiency = driveEfficiency(motor, torqueNm, speedRpm);
    const point: DrivePoint = {
      gear,
      torqueNm,
      speedRpm,
      efficiency,
      batteryW: shaftW >= 0 ? shaftW / efficiency : shaftW * efficiency,
      possible: speedRpm <= motor.maximumSpeedRpm && Math.abs(torqueNm) <= limit * (1 + 1e-9),
    };
    if (point.possible && (!best || point.batteryW < best.batteryW)) best = point;
    if (
      !nearest ||
      Math.abs(torqueNm) / Math.max(limit, 1e-9) <
        Math.abs(nearest.torqueNm) / Math.max(peakTorqueNm(motor, nearest.speedRpm, linkV), 1e-9)
    )
      nearest = point;
  }
  return best ?? nearest!;
}

/** Power at the battery for a steady speed on a grade, W; null without mass. */
export function steadyPowerW(
  build: Build,
  speedMPerS: number,
  grade: number,
): { powerW: number; point: DrivePoint; forceN: number } | null {
  const model = roadModel(build);
  if (!model) return null;
  const forceN = sumOf(roadForces(model.road, speedMPerS, grade, 0));
  const point = drivePoint(model, forceN, speedMPerS, nominalLinkV(build));
  return { powerW: point.batteryW, point, forceN };
}

/** Nominal voltage of the boxes of a string in series, of strings in parallel the mean, V. */
export function nominalLinkV(build: Build): number {
  const strings = packStringsOf(build)
    .map(({ boxIds }) =>
      boxIds.reduce((sum, id) => {
        const device = build.circuits.hv.devices[id];
        const part = own(build.parts, device?.partId ?? null);
        return part?.kind === 'cell' ? sum + (device?.cellsInSeries ?? 0) * part.nominalV : sum;
      }, 0),
    )
    .filter((v) => v > 0);
  return strings.length === 0 ? 0 : strings.reduce((sum, v) => sum + v, 0) / strings.length;
}

/** Whether this build's cruise and hill follow from the vehicle, and can. */
export const followsVehicle = (build: Build): boolean =>
  build.duty.powersFrom === 'vehicle' && massEmptyKg(build) !== null && build.duty.cruiseSpeedMPerS !== undefined;
