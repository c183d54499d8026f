import type { MotorPart } from '../../parts';
import { baseSpeedRpm, peakTorqueNm, rpmToRadPerS } from '../../physics/motor';
import { GRAVITY_M_PER_S2, roadForces, sumOf } from '../../physics/road-load';
import { Recent, type RoadModel, roadModel, room, type Vehicle } from '../../vehicle';

/** What motor, gears and voltage make of the vehicle. */
export interface DriveResults {
  readonly model: RoadModel;
  /** Link voltage that the envelope is taken at: sagging where known, else nominal. */
  readonly linkV: number;
  readonly baseSpeedRpm: number;
  readonly gears: readonly GearFigures[];
  readonly topSpeedMPerS: number;
  /** Steepest slope on which it starts and keeps moving, tyres’ grip counted, rise over run. */
  readonly startGrade: number;
  /** From rest on the flat, s; null: never reached. */
  readonly to50S: number | null;
  readonly to100S: number | null;
  /** Force at the wheels over speed, by gear. */
  readonly chart: readonly {
    readonly speedMPerS: number;
    readonly gears: readonly (number | null)[];
  }[];
}

export interface GearFigures {
  readonly gear: number;
  readonly ratio: number;
  readonly topSpeedMPerS: number;
  readonly startGrade: number;
  readonly pullN: number;
}

/** Force at the wheels in a gear at a speed, N; null above the motor's highest speed. */
function pullAt(model: RoadModel, ratio: number, speedMPerS: number, linkV: number, mostW: number): number | null {
  const { motor, wheelRadiusM } = model;
  if (!motor || wheelRadiusM === null) return null;
  const omega = (speedMPerS / wheelRadiusM) * ratio;
  const rpm = omega / rpmToRadPerS(1);
  if (rpm > motor.maximumSpeedRpm) return null;
  const torque = peakTorqueNm(motor, rpm, linkV);
  const force = (torque * ratio * model.drivelineEfficiency) / wheelRadiusM;
  // The inverter's battery limit, with nine tenths reaching the shaft (generic).
  const byPower = speedMPerS > 0 ? (mostW * 0.9 * model.drivelineEfficiency) / speedMPerS : Number.POSITIVE_INFINITY;
  return Math.min(force, byPower);
}

const road = (model: RoadModel, speedMPerS: number, grade = 0): number =>
  sumOf(roadForces(model.road, Math.max(speedMPerS, 1e-3), grade, 0));
/** Slope on which a force is just enough at walking speed: F = m·g·(sinθ + C_rr·cosθ), solved for tanθ. */
function gradeFor(model: RoadModel, forceN: number): number {
  const weight = model.massKg * GRAVITY_M_PER_S2;
  const share = forceN / weight;
  const c = model.road.rollingCoefficient;
  const sine = (share - c * Math.sqrt(Math.max(0, 1 + c * c - share * share))) / (1 + c * c);
  if (sine >= 1) return 10;
  return Math.max(0, sine) / Math.sqrt(1 - Math.max(0, sine) ** 2);
}

const STEP_MPS = 0.25;
/** No road vehicle of this kind goes faster, m/s: odd ratios must not make the search endless. */
const FASTEST_MPS = 100;
const CHART_POINTS = 60;
const SLIP_SHARE = 0.8;

/** Null while mass, tyres or motor are missing. */
export function driveResults(vehicle: Vehicle, linkV: number, mostW: number): DriveResults | null {
  const model = roadModel(vehicle.build);
  if (!model?.motor || model.wheelRadiusM === null) return null;
  const { motor } = model;
  // The road model is the same object while nothing that it reads has changed.
  return vehicle.memory.of(known).get([model, linkV, mostW], () => makeResults(model, motor, linkV, mostW));
}

const known = room(() => new Recent<DriveResults>(4));

function makeResults(model: RoadModel, motor: MotorPart, linkV: number, mostW: number): DriveResults {
  const fastest = Math.min(
    FASTEST_MPS,
    Math.max(...model.ratios.map((ratio) => (rpmToRadPerS(motor.maximumSpeedRpm) / ratio) * model.wheelRadiusM!)),
  );
  const best = (v: number) => Math.max(0, ...model.ratios.map((ratio) => pullAt(model, ratio, v, linkV, mostW) ?? 0));
  let topSpeedMPerS = 0;
  for (let v = STEP_MPS; v <= fastest; v += STEP_MPS) if (best(v) >= road(model, v)) topSpeedMPerS = v;
  // Half the weight on the driven wheels, dry (generic).
  const grip = model.massKg * GRAVITY_M_PER_S2 * 0.5 * SLIP_SHARE;
  const gears = model.ratios.map((ratio, gear): GearFigures => {
    const pullN = pullAt(model, ratio, 0.5, linkV, mostW) ?? 0;
    let top = 0;
    for (let v = STEP_MPS; v <= fastest; v += STEP_MPS) {
      const pull = pullAt(model, ratio, v, linkV, mostW);
      if (pull === null) break;
      if (pull >= road(model, v)) top = v;
    }
    return { gear: gear + 1, ratio, topSpeedMPerS: top, startGrade: gradeFor(model, Math.min(pullN, grip)), pullN };
  });
  // Forward in steps of 50 ms; the tyres' grip bounds the start.
  let [v, t] = [0, 0];
  let [to50S, to100S]: [number | null, number | null] = [null, null];
  while (t < 120 && v < 100 / 3.6) {
    const force = Math.min(best(v), grip) - road(model, v);
    if (force <= 0) break;
    v += (force / (model.massKg * model.road.rotatingMassFactor)) * 0.05;
    t += 0.05;
    if (to50S === null && v >= 50 / 3.6) to50S = t;
    if (to100S === null && v >= 100 / 3.6) to100S = t;
  }
  const end = Math.max(topSpeedMPerS * 1.15, 5);
  return {
    model,
    linkV,
    baseSpeedRpm: baseSpeedRpm(motor, linkV),
    gears,
    topSpeedMPerS,
    startGrade: Math.max(...gears.map(({ startGrade }) => startGrade)),
    to50S,
    to100S,
    chart: Array.from({ length: CHART_POINTS + 1 }, (_, k) => {
      const speedMPerS = (end * k) / CHART_POINTS;
      return {
        speedMPerS,
        gears: model.ratios.map((ratio) => pullAt(model, ratio, speedMPerS, linkV, mostW)),
      };
    }),
  };
}

/** What the road holds back on one slope, beside the chart's speeds. */
export interface RoadLine {
  readonly grade: number;
  /** At each point of the chart, N. */
  readonly forcesN: readonly number[];
  /** Fastest that the motor keeps up on it, in the best gear, m/s; 0: it does not. */
  readonly heldMPerS: number;
}

/** Slopes that every chart shows, rise over run. */
const USUAL_GRADES = [0, 0.05, 0.1, 0.2];

/** The road on the flat, on usual slopes, and on the one that the duty asks for. */
export function roadLines({ model, chart, linkV }: DriveResults, mostW: number, wantedGrade?: number): RoadLine[] {
  const grades = [...new Set([...USUAL_GRADES, ...(wantedGrade ? [wantedGrade] : [])])].sort((p, q) => p - q);
  const best = (v: number) => Math.max(0, ...model.ratios.map((ratio) => pullAt(model, ratio, v, linkV, mostW) ?? 0));
  const fastest = chart.at(-1)?.speedMPerS ?? 0;
  return grades.map((grade) => {
    let held = 0;
    for (let v = STEP_MPS; v <= fastest; v += STEP_MPS) if (best(v) >= road(model, v, grade)) held = v;
    return { grade, forcesN: chart.map(({ speedMPerS }) => road(model, speedMPerS, grade)), heldMPerS: held };
  });
}
