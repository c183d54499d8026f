/** Traction motors as envelopes: what they give at a speed and a link voltage, and with what efficiency. */
export type MotorKind = 'series-dc' | 'induction' | 'permanent-magnet';

export interface MotorData {
  readonly motorKind: MotorKind;
  readonly peakTorqueNm: number;
  readonly peakPowerW: number;
  readonly continuousPowerW: number;
  /** Up to this speed the peak torque is there at `baseLinkV`, rev/min. */
  readonly baseSpeedRpm: number;
  readonly baseLinkV: number;
  readonly maximumSpeedRpm: number;
  /** Peak between two phases at 1000 rev/min, turned without current; permanent magnets only. */
  readonly backVoltagePerKrpmV?: number;
  /** Peak torque as measured or from a sheet, at `baseLinkV`, by rising speed; takes the place of the generic shape. */
  readonly envelope?: readonly { readonly speedRpm: number; readonly torqueNm: number }[];
}

/** One of several motors that work together: its share of the torque at the gearbox’s input (all together 1), and its own turns for one turn there. */
export interface Ganged {
  readonly motor: MotorData;
  readonly share: number;
  readonly gearing: number;
}

/** One motor, or several that stand for one at the gearbox’s input: then its own figures are sums, and `gang` decides. */
export type DriveMotor = MotorData & { readonly gang?: readonly Ganged[] };

export const rpmToRadPerS = (rpm: number): number => (rpm * 2 * Math.PI) / 60;

/** Induction: torque falls with 1/n² beyond this many times the base speed (generic pull-out). */
const PULL_OUT = 2.5;

/** Line-to-line rms voltage that a link gives: 0.707·V·m, m = 0.95 with space-vector modulation. V. */
export const availableRmsV = (linkV: number, modulation = 0.95): number => (linkV / Math.SQRT2) * modulation;

/** The link voltage that a machine wound for so many volts rms between phases wants for its rated speed: U · √2 / m. V. @example 160 V → 238 V */
export const linkForRmsV = (rmsV: number, modulation = 0.95): number => (rmsV * Math.SQRT2) / modulation;

/** Speed up to which the peak torque is there at a link voltage, rev/min: it falls in proportion with the voltage. */
export function baseSpeedRpm(motor: DriveMotor, linkV: number): number {
  if (motor.gang) return Math.min(...motor.gang.map((one) => baseSpeedRpm(one.motor, linkV) / one.gearing));
  const byVoltage = (motor.baseSpeedRpm * Math.max(0, linkV)) / motor.baseLinkV;
  return Math.min(byVoltage, motor.maximumSpeedRpm);
}

/**
 * Greatest torque at a speed and a link voltage, Nm: constant to the base speed, then constant power; induction falls with 1/n² beyond
 * its pull-out, a series motor from its base speed on; never more than the peak power; nothing beyond the highest speed. Points of its own, where
 * there are any, take the place of that shape.
 */
export function peakTorqueNm(motor: DriveMotor, speedRpm: number, linkV: number): number {
  // The shares are fixed: the first that can't give its own bounds them all.
  if (motor.gang)
    return Math.min(
      ...motor.gang.map((one) => (peakTorqueNm(one.motor, speedRpm * one.gearing, linkV) * one.gearing) / one.share),
    );
  const n = Math.abs(speedRpm);
  const base = baseSpeedRpm(motor, linkV);
  if (n > motor.maximumSpeedRpm || base <= 0) return 0;
  const omega = rpmToRadPerS(n);
  const byPower = omega > 0 ? motor.peakPowerW / omega : Number.POSITIVE_INFINITY;
  if (motor.envelope && motor.envelope.length > 0 && linkV > 0)
    // Another voltage stretches the speeds: the same torque at the same volts per turn.
    return Math.min(alongPoints(motor.envelope, (n * motor.baseLinkV) / linkV), byPower);
  let torque = motor.peakTorqueNm;
  if (n > base) {
    if (motor.motorKind === 'series-dc') torque *= (base / n) ** 2;
    else if (motor.motorKind === 'induction' && n > PULL_OUT * base) torque *= (PULL_OUT * base * base) / (n * n);
    else torque *= base / n;
  }
  return Math.min(torque, byPower);
}

/** Straight between points, held before the first, nothing after the last. */
function alongPoints(points: NonNullable<MotorData['envelope']>, speedRpm: number): number {
  const first = points[0]!;
  if (speedRpm <= first.speedRpm) return first.torqueNm;
  for (let i = 1; i < points.length; i++) {
    const [p, q] = [points[i - 1]!, points[i]!];
    if (speedRpm > q.speedRpm) continue;
    const share = q.speedRpm > p.speedRpm ? (speedRpm - p.speedRpm) / (q.speedRpm - p.speedRpm) : 1;
    return p.torqueNm + (q.torqueNm - p.torqueNm) * share;
  }
  return 0;
}

/** Efficiency of motor and inverter together, by share of the peak torque (rows) and of the highest speed (columns) (generic). */
const TORQUE_SHARES = [0.02, 0.1, 0.3, 0.6, 1] as const;
const SPEED_SHARES = [0.02, 0.15, 0.4, 0.7, 1] as const;
const MAP: readonly (readonly number[])[] = [
  [0.4, 0.62, 0.72, 0.72, 0.68],
  [0.6, 0.8, 0.87, 0.87, 0.84],
  [0.66, 0.86, 0.92, 0.92, 0.9],
  [0.62, 0.86, 0.93, 0.92, 0.9],
  [0.52, 0.8, 0.9, 0.9, 0.88],
];

function place(axis: readonly number[], value: number): [number, number] {
  if (value <= axis[0]!) return [0, 0];
  for (let i = 1; i < axis.length; i++)
    if (value <= axis[i]!) return [i - 1, (value - axis[i - 1]!) / (axis[i]! - axis[i - 1]!)];
  return [axis.length - 2, 1];
}

/**
 * Efficiency of motor and inverter together at a torque and a speed, 0 to 1: a generic map, bilinear between its points. Of several motors
 * what all of them take for what all of them give: 1/η = Σ share/η_i.
 */
export function driveEfficiency(motor: DriveMotor, torqueNm: number, speedRpm: number): number {
  if (motor.gang)
    return (
      1 /
      motor.gang.reduce(
        (sum, { motor: one, share, gearing }) =>
          sum + share / driveEfficiency(one, (torqueNm * share) / gearing, speedRpm * gearing),
        0,
      )
    );
  const [row, u] = place(TORQUE_SHARES, Math.abs(torqueNm) / motor.peakTorqueNm);
  const [column, w] = place(SPEED_SHARES, Math.abs(speedRpm) / motor.maximumSpeedRpm);
  const a = MAP[row]!;
  const b = MAP[row + 1]!;
  return (a[column]! * (1 - w) + a[column + 1]! * w) * (1 - u) + (b[column]! * (1 - w) + b[column + 1]! * w) * u;
}

/** Several motors as one at the gearbox’s input. The first names it; sums and least figures for what is shown, `gang` for what is reckoned. */
export function gangOf<M extends MotorData>(first: M, gang: readonly Ganged[]): M & DriveMotor {
  const least = (pick: (one: Ganged) => number) => Math.min(...gang.map(pick));
  const baseSpeedRpm = least(({ motor, gearing }) => motor.baseSpeedRpm / gearing);
  const { envelope: _, ...bare } = first;
  return {
    ...(bare as M),
    peakTorqueNm: least(({ motor, share, gearing }) => (motor.peakTorqueNm * gearing) / share),
    peakPowerW: least(({ motor, share }) => motor.peakPowerW / share),
    continuousPowerW: least(({ motor, share }) => motor.continuousPowerW / share),
    baseSpeedRpm,
    maximumSpeedRpm: least(({ motor, gearing }) => motor.maximumSpeedRpm / gearing),
    motorKind: gang.some(({ motor }) => motor.motorKind === 'series-dc') ? 'series-dc' : first.motorKind,
    gang,
  };
}

/** Power factor of an AC machine at its peak torque (generic 0.82–0.9). */
const POWER_FACTOR = 0.85;

/**
 * Motor amperes at the peak torque, A: rms of a phase, P/(√3·U·cosφ) at the base speed with the voltage that its own link gives; of a
 * series motor the direct current P/U. They are not the battery's: at low speed many motor amperes are few battery amperes.
 */
export function motorCurrentA(motor: MotorData): number {
  const inputW =
    (motor.peakTorqueNm * rpmToRadPerS(motor.baseSpeedRpm)) /
    driveEfficiency(motor, motor.peakTorqueNm, motor.baseSpeedRpm);
  if (motor.motorKind === 'series-dc') return inputW / motor.baseLinkV;
  return inputW / (Math.sqrt(3) * availableRmsV(motor.baseLinkV) * POWER_FACTOR);
}
