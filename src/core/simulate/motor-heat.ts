import { type DriveMotor, driveEfficiency, type MotorData, rpmToRadPerS } from '../physics/motor';

/** Heat of a motor, J/kgK (generic: iron and copper). */
const MOTOR_J_PER_KGK = 480;
/** Of what motor, inverter and driveline lose together, the motor's part (generic). */
const MOTOR_SHARE = 0.7;
/** Winding of class F (155 °C, IEC 60085) less 15 K to its hot spot; the continuous power is rated in 40 °C (IEC 60034-1). */
export const WINDING_LIMIT_C = 140;
const RATED_AMBIENT_C = 40;
/** Where no motor is known (generic), W/K and kg. */
const UNKNOWN_W_PER_K = 60;
const UNKNOWN_KG = 50;

export interface MotorCooling {
  /** Of all that motors, inverters and driveline lose. */
  readonly share: number;
  readonly wattsPerK: number;
  readonly joulesPerK: number;
}

/**
 * One lump with one way out: sized so that the continuous power, held at the base speed, just reaches the winding's limit in 40 °C, as
 * the rating means it: G = 0.7 · P · (1/η − 1) / (140 − 40) (engineering judgement). W/K and J/K. Of several motors the careful mix: the
 * least way out and the least mass that any has for its share of the heat.
 */
export function motorCooling(motor: (DriveMotor & { readonly massKg: number }) | null): MotorCooling {
  if (motor?.gang) {
    const each = motor.gang.map(({ motor: one, share }) => ({
      ...motorCooling({ massKg: motor.massKg, ...(one as MotorData & { readonly massKg?: number }) }),
      part: share,
    }));
    const least = (pick: (one: (typeof each)[number]) => number) =>
      Math.min(...each.map((one) => pick(one) / one.part));
    return {
      share: MOTOR_SHARE,
      wattsPerK: least(({ wattsPerK }) => wattsPerK),
      joulesPerK: least(({ joulesPerK }) => joulesPerK),
    };
  }
  if (!motor) return { share: MOTOR_SHARE, wattsPerK: UNKNOWN_W_PER_K, joulesPerK: UNKNOWN_KG * MOTOR_J_PER_KGK };
  const rpm = Math.min(motor.baseSpeedRpm, motor.maximumSpeedRpm);
  const torqueNm = motor.continuousPowerW / rpmToRadPerS(rpm);
  const lossW = motor.continuousPowerW * (1 / driveEfficiency(motor, torqueNm, rpm) - 1);
  return {
    share: MOTOR_SHARE,
    wattsPerK: (MOTOR_SHARE * lossW) / (WINDING_LIMIT_C - RATED_AMBIENT_C),
    joulesPerK: motor.massKg * MOTOR_J_PER_KGK,
  };
}
