import { quantityText as q, type WorkingLine } from '../checks';
import { CannotGive, driveLaw } from '../simulate';
import { LawRefused } from './refused';

export interface DriveInput {
  readonly massKg: number;
  readonly rotatingMassFactor?: number | null;
  readonly rollingCoefficient: number;
  readonly dragAreaM2: number;
  readonly airDensityKgPerM3?: number | null;
  readonly gradeFraction?: number | null;
  readonly gradeTrace?: readonly number[] | null;
  readonly drivelineEfficiency: number;
  readonly regenFraction?: number | null;
  readonly regenMinimumSpeedMPerS?: number | null;
  readonly auxiliaryPowerW?: number | null;
  readonly batteryVoltageV?: number | null;
  readonly pack?: { readonly ocvV: number; readonly resistanceOhm: number } | null;
  readonly speedTraceMPerS: readonly number[];
}

/** At sea level and 15 °C, kg/m³ (ISO 2533). */
const SEA_LEVEL = 1.225;

/** A speed trace backwards from the wheels to the battery. */
export function calcDrive(input: DriveInput): { result: unknown; working: readonly WorkingLine[] } {
  const { speedTraceMPerS: speeds, gradeTrace } = input;
  if ((input.batteryVoltageV == null) === (input.pack == null))
    throw new LawRefused(
      'batteryVoltageV',
      'and pack: one of them is wanted, not both.',
      'Give a fixed voltage, or a pack with its resistance.',
    );
  if (gradeTrace != null && input.gradeFraction != null)
    throw new LawRefused('gradeTrace', 'and gradeFraction: one of them at most.', 'Remove one.');
  if (gradeTrace != null && gradeTrace.length !== speeds.length)
    throw new LawRefused(
      'gradeTrace',
      `has ${gradeTrace.length} points, the speed trace ${speeds.length}.`,
      'Give one grade for each point of the speed trace.',
    );
  const stated = input.rotatingMassFactor ?? 1;
  try {
    const result = driveLaw({
      massKg: input.massKg,
      // Below 1 it is the share that is added, from 1 upward the factor itself.
      rotatingMassFactor: stated < 1 ? 1 + stated : stated,
      rollingCoefficient: input.rollingCoefficient,
      dragAreaM2: input.dragAreaM2,
      airDensityKgPerM3: input.airDensityKgPerM3 ?? SEA_LEVEL,
      grades: gradeTrace ?? speeds.map(() => input.gradeFraction ?? 0),
      speedsMPerS: speeds,
      drivelineEfficiency: input.drivelineEfficiency,
      regenFraction: input.regenFraction ?? 0,
      regenMinimumSpeedMPerS: input.regenMinimumSpeedMPerS ?? 0,
      auxiliaryPowerW: input.auxiliaryPowerW ?? 0,
      battery: input.pack ?? { voltageV: input.batteryVoltageV! },
    });
    return {
      result,
      working: [
        {
          formula:
            'F = m·f·a + m·g·C_rr·cosθ + m·g·sinθ + ½·ρ·C_dA·v²; P_batt = F·v/η (or ·η·regen below zero) + P_aux',
          figures: `${q(input.massKg, 'mass')}, C_rr ${input.rollingCoefficient}, C_dA ${q(input.dragAreaM2, 'surface')}, ${speeds.length} points, one a second, straight between`,
          result: { value: result.energyBatteryJ, dimension: 'energy' },
          note: 'Rolling and slope only while it moves; within each second Gauss’s rule on quarters.',
        },
        {
          formula: 'E/s',
          figures: `${q(result.energyBatteryJ, 'energy')} / ${q(result.distanceM, 'length')}`,
          ...(result.energyPerKmWh === null
            ? { note: 'It did not move.' }
            : { note: q(result.energyPerKmWh, 'consumption') }),
        },
        {
          formula: 'I_rms = √(∫I²dt / T), stops included',
          figures: `T = ${q(result.durationS, 'time')}`,
          result: { value: result.rmsCurrentA, dimension: 'current' },
        },
      ],
    };
  } catch (error) {
    if (error instanceof CannotGive)
      throw new LawRefused(
        `speedTraceMPerS.${Math.floor(error.atS)}`,
        `asks for more than the battery gives: ${error.message}.`,
        'Drive gentler there, or give a pack with a higher voltage or less resistance.',
      );
    throw error;
  }
}
