import { marginAtMost, quantityText as q } from '../../checks';
import { told } from '../../quantities';
import { brakingOf, mostBrakingN, REGEN_FROM_MPS } from '../../simulate';
import { massEmptyKg, motorOf, nominalLinkV, roadModel } from '../../vehicle';
import { type Context, fromRules } from '../context';
import { defineRule, type Rule } from '../define';
import { motorRef } from './shared';

/** The driver alone, on top of the empty vehicle: the lightest that it drives, kg. */
const DRIVER_KG = 75;
const STEP_MPS = 0.5;

/** Hardest braking that the motor alone can do: most force at any speed over the lightest vehicle, within torque and battery limit. m/s² */
export function hardestBraking(
  context: Context,
): { readonly decelerationMPerS2: number; readonly forceN: number; readonly massKg: number } | null {
  const { build } = context.vehicle;
  const model = roadModel(build);
  const empty = massEmptyKg(build);
  if (!model?.motor || model.wheelRadiusM === null || empty === null) return null;
  const braking = brakingOf(build);
  const linkV = context.fullV ?? nominalLinkV(build);
  const fastest = build.duty.cruiseSpeedMPerS ?? 25;
  let forceN = 0;
  for (let v = REGEN_FROM_MPS; v <= Math.max(fastest, REGEN_FROM_MPS); v += STEP_MPS) {
    // What the battery takes bounds it at speed; losses on the way only lower what is needed: counted as none.
    const byPower = braking.mostW / v / 0.8;
    forceN = Math.max(forceN, Math.min(mostBrakingN(model, braking.torqueShare, v, linkV), byPower));
  }
  const massKg = empty + DRIVER_KG;
  return { decelerationMPerS2: forceN / massKg, forceN, massKg };
}

const brakeLamp = defineRule({
  id: 'drive.brake-lamp',
  endangers: 'people',
  says: {
    fails: '{subject} brakes hard with dark brake lamps',
    holds: 'Brake lamps in regeneration',
    line: '{detail}',
    open: 'Brake lamps in regeneration',
  },
  sources: ['Braking by the motor that is asked for by lifting the foot lights the brake lamps from a deceleration on'],
  sourcesIn: fromRules('lampFromMPerS2'),
  judge: (context) => {
    const { build } = context.vehicle;
    const subject = motorRef(context);
    const kind = motorOf(build)?.part?.motorKind;
    if (!subject || kind === undefined || kind === 'series-dc') return [];
    const { asked, lampLit, torqueShare } = build.regeneration ?? {};
    if (asked === 'none') return [];
    if (asked === undefined) return [{ subject, missing: [{ ref: subject, what: 'how regeneration is asked for' }] }];
    if (asked === 'brake-pedal')
      return [{ subject, holds: true, figures: { detail: 'asked for by the brake pedal, whose switch lights them' } }];
    if (lampLit === true) return [{ subject, holds: true, figures: { detail: 'its controller lights them' } }];
    const hardest = hardestBraking(context);
    if (!hardest) return [{ subject, missing: [{ ref: subject, what: 'the empty mass and the tyres' }] }];
    const limit = context.rules.lampFromMPerS2.value;
    const demand = hardest.decelerationMPerS2;
    const margin = marginAtMost(demand, limit);
    if (margin < 0 && lampLit === undefined)
      return [{ subject, missing: [{ ref: subject, what: 'whether its controller lights the brake lamps' }] }];
    return [
      {
        subject,
        margin,
        figures: {
          detail: `${told(demand, 'acceleration', 3)} without lamps, they must be lit from ${told(limit, 'acceleration', 3)}`,
        },
        lines: () => [
          {
            formula: 'a = F_motor / m',
            figures: `${q(hardest.forceN, 'force')} / ${q(hardest.massKg, 'mass')} = ${q(demand, 'acceleration')}`,
            result: { value: margin, dimension: 'ratio' },
          },
        ],
        assumed: [
          `The vehicle empty with its driver, ${told(DRIVER_KG, 'mass')}.`,
          ...(torqueShare === undefined ? ['Assumed: the motor brakes with its whole peak torque.'] : []),
        ],
      },
    ];
  },
  remedies:
    'Have the controller light the brake lamps, or ask for regeneration by the brake pedal; then tell it in Drive.',
});

export const BRAKING_RULES: readonly Rule[] = [brakeLamp];
