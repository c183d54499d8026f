import { quantityText as q, type WorkingLine } from '../checks';
import { baseSpeedRpm, type MotorData, peakTorqueNm, rpmToRadPerS } from '../physics/motor';
import { LawRefused } from './refused';

export interface MotorVoltageInput {
  readonly motorKind: MotorData['motorKind'];
  readonly peakTorqueNm: number;
  readonly peakPowerW?: number | null;
  readonly maximumSpeedRpm: number;
  /** Up to here the peak torque is there at the rated voltage. */
  readonly ratedSpeedRpm: number;
  /** Between two phases at the rated speed, rms; AC machines. */
  readonly windingVoltageRmsV?: number | null;
  /** The link voltage at which the rated speed is reached; instead of the winding's. */
  readonly ratedLinkVoltageV?: number | null;
  readonly modulation?: 'space-vector' | 'sine' | null;
  readonly linkVoltageV?: number | null;
  readonly pack?: { readonly ocvV: number; readonly resistanceOhm: number; readonly currentA: number } | null;
  readonly speedsRpm?: readonly number[] | null;
  readonly backVoltagePerKrpmV?: number | null;
}

/** Line-to-line rms over the link voltage: 0.707·0.95 with space vectors, 0.61 with pure sine (reference values). */
const RMS_PER_LINK = { 'space-vector': 0.95 / Math.SQRT2, sine: 0.61 } as const;

/** A motor at a voltage: base speed, field weakening, torque and power at a speed, voltage that it feeds back. */
export function calcMotorVoltage(input: MotorVoltageInput): { result: unknown; working: readonly WorkingLine[] } {
  if ((input.linkVoltageV == null) === (input.pack == null))
    throw new LawRefused(
      'linkVoltageV',
      'and pack: one of them is wanted, not both.',
      'Give the link voltage, or a pack with its current.',
    );
  if ((input.windingVoltageRmsV == null) === (input.ratedLinkVoltageV == null))
    throw new LawRefused(
      'windingVoltageRmsV',
      'and ratedLinkVoltageV: one of them is wanted, not both.',
      'Give what the winding wants at rated speed, or the link voltage of the rated point.',
    );
  if (input.windingVoltageRmsV != null && input.motorKind === 'series-dc')
    throw new LawRefused(
      'windingVoltageRmsV',
      'is of machines with phases; a series motor has none.',
      'Give ratedLinkVoltageV.',
    );
  if (input.maximumSpeedRpm < input.ratedSpeedRpm)
    throw new LawRefused('maximumSpeedRpm', 'is below the rated speed.', 'Give the highest speed of the machine.');
  const { pack } = input;
  const linkV = input.linkVoltageV ?? pack!.ocvV - pack!.currentA * pack!.resistanceOhm;
  if (!(linkV > 0))
    throw new LawRefused('pack.currentA', 'takes the link to nothing.', 'Give a smaller current or resistance.');
  const rmsPerLink = RMS_PER_LINK[input.modulation ?? 'space-vector'];
  const requiredLinkV = input.ratedLinkVoltageV ?? input.windingVoltageRmsV! / rmsPerLink;
  const motor: MotorData = {
    motorKind: input.motorKind,
    peakTorqueNm: input.peakTorqueNm,
    peakPowerW: input.peakPowerW ?? Number.POSITIVE_INFINITY,
    continuousPowerW: input.peakPowerW ?? 0,
    baseSpeedRpm: input.ratedSpeedRpm,
    baseLinkV: requiredLinkV,
    maximumSpeedRpm: input.maximumSpeedRpm,
  };
  const base = baseSpeedRpm(motor, linkV);
  const points = (input.speedsRpm ?? [base]).map((speedRpm) => {
    const torqueNm = peakTorqueNm(motor, speedRpm, linkV);
    return {
      speedRpm,
      torqueNm,
      powerW: torqueNm * rpmToRadPerS(Math.abs(speedRpm)),
      fieldWeakening: Math.abs(speedRpm) > base,
    };
  });
  const perKrpm = input.backVoltagePerKrpmV ?? null;
  return {
    result: {
      linkVoltageV: linkV,
      requiredLinkVoltageV: requiredLinkV,
      reachesRatedSpeed: linkV >= requiredLinkV,
      availableRmsV: input.motorKind === 'series-dc' ? null : linkV * rmsPerLink,
      baseSpeedRpm: base,
      torqueAtBaseNm: peakTorqueNm(motor, base, linkV),
      powerAtBaseW: peakTorqueNm(motor, base, linkV) * rpmToRadPerS(base),
      points,
      backVoltageAtMaximumV: perKrpm === null ? null : (perKrpm * input.maximumSpeedRpm) / 1000,
    },
    working: [
      {
        formula: input.windingVoltageRmsV == null ? 'V_rated' : 'V_rated = V_rms / (V_rms per volt of the link)',
        figures:
          input.windingVoltageRmsV == null
            ? q(requiredLinkV, 'voltage')
            : `${q(input.windingVoltageRmsV, 'voltage')} / ${rmsPerLink.toPrecision(4)}`,
        result: { value: requiredLinkV, dimension: 'voltage' },
      },
      {
        formula: 'n_base = n_rated · V_link / V_rated, at most the highest speed',
        figures: `${input.ratedSpeedRpm}/min · ${q(linkV, 'voltage')} / ${q(requiredLinkV, 'voltage')} = ${base.toPrecision(5)}/min`,
        note: 'Above it the torque falls with 1/n; induction with 1/n² beyond 2.5 times, a series motor with 1/n² at once.',
      },
    ],
  };
}
