import { quantityText as q, type WorkingLine } from '../checks';
import { type JoinInput, joinPacks } from '../simulate';
import { straightCurve } from './ocv-curve';
import { LawRefused } from './refused';

export type JoinPacksInput = Omit<JoinInput, 'jointResistanceOhm' | 'ocvCurve'> & {
  readonly jointResistanceOhm?: number | null;
  readonly ocvCurve: readonly (readonly number[])[];
};

/** Two packs joined in parallel: what flows at first, and until when. */
export function calcJoinPacks(input: JoinPacksInput): { result: unknown; working: readonly WorkingLine[] } {
  const curve = straightCurve(input.ocvCurve).points;
  const jointResistanceOhm = input.jointResistanceOhm ?? 0;
  const ohm = input.resistanceAOhm + input.resistanceBOhm + jointResistanceOhm;
  if (!(ohm > 0))
    throw new LawRefused(
      'jointResistanceOhm',
      'and both packs have no resistance: the current has no bound.',
      'Give a resistance above zero somewhere in the loop.',
    );
  const joined = joinPacks({ ...input, jointResistanceOhm, ocvCurve: curve });
  return {
    result: {
      ...joined,
      // One figure where both rest at the same state of charge, as packs of the same cells do on a rising curve.
      finalSoc:
        (joined.finalSocA * input.capacityAAh + joined.finalSocB * input.capacityBAh) /
        (input.capacityAAh + input.capacityBAh),
    },
    working: [
      {
        formula: 'I = N · (U_A − U_B) / (R_A + R_B + R_joint)',
        figures: `${q(joined.differenceV, 'voltage')} / ${q(ohm, 'resistance')}`,
        result: { value: joined.initialCurrentA, dimension: 'current' },
        note: 'From A to B; exact within each straight piece of the curve.',
      },
      {
        formula: 't until I is a twentieth of that',
        figures: `rate N/R · (m_A/Q_A + m_B/Q_B) in each piece`,
        ...(joined.timeTo5PercentS === null
          ? { note: 'never' }
          : { result: { value: joined.timeTo5PercentS, dimension: 'time' as const } }),
      },
    ],
  };
}
