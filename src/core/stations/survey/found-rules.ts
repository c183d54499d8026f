import { INSPECTIONS, type InspectionId } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { CHARGER_EFFICIENCY, chargeChain, drawnFrom, NIGHT_S, supplyOf, tripRun } from '../../simulate';
import { massesOf } from '../../vehicle';
import type { Context } from '../context';
import { defineRule, type Proposer, type Rule } from '../define';

/** What was found on the vehicle before anything came apart, what stays of it, and where it is plugged in. */
export const INSPECTION_WORDS: Readonly<Record<InspectionId, string>> = {
  'gearbox-turns': 'Gearbox turns freely',
  'gearbox-shifts': 'Gearbox shifts every gear',
  brakes: 'Brakes hold evenly',
  steering: 'Steering without play',
  suspension: 'Springs, dampers, bushes',
  'old-wiring': 'Old wiring and its faults',
  rust: 'Rust where boxes go',
  lights: 'Lights and signals work',
  leaks: 'Leaks of oil and brake fluid',
};

const asFound = defineRule({
  id: 'survey.as-found',
  endangers: 'people',
  says: { fails: '{subject}: no', holds: '{subject}', line: '{detail}', open: '{subject}' },
  variants: {
    mend: { fails: '{subject}: not yet', holds: '{subject}', line: '{detail}', open: '{subject}' },
  },
  sources: [
    'Looked at before anything is taken apart: a fault that is not found now is blamed on the conversion later',
  ],
  judge: ({ vehicle: { build } }) => {
    if (!build.asFound) return [];
    return INSPECTIONS.map((id): Finding<'detail', 'mend'> => {
      const found = build.asFound![id];
      const subject: Ref = { kind: 'build', id, name: INSPECTION_WORDS[id] };
      if (!found) return { subject, missing: [{ ref: subject, what: 'a look' }] };
      const words = found.note === '' ? '' : `: ${found.note}`;
      return found.state === 'good'
        ? { subject, holds: true, figures: { detail: `good${words}` } }
        : {
            subject,
            holds: false,
            ...(found.state === 'mend' ? { variant: 'mend' } : {}),
            figures: { detail: `${found.state === 'mend' ? 'needs repair before the road' : 'bad'}${words}` },
          };
    });
  },
  remedies: 'Mend it before anything comes apart, or note that it stays so.',
});

const oldParts = defineRule({
  id: 'survey.old-part',
  endangers: 'fire',
  says: { fails: '{subject}', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: ['Each old part and branch of the loom is kept, extended, stripped or replaced'],
  judge: ({ vehicle: { build } }) =>
    Object.values(build.oldParts ?? {}).map((part): Finding<'detail'> => {
      const subject: Ref = { kind: 'build', id: part.id, name: part.name };
      return part.fate === null
        ? { subject, missing: [{ ref: subject, what: 'what becomes of it' }] }
        : { subject, holds: true, figures: { detail: part.fate } };
    }),
  remedies: 'Tell what becomes of it: kept, sold, or gone.',
});

/** A finished vehicle weighs what its parts add up to, within this share. */
const MASS_SHARE = 0.05;

/** The empty mass as what it is made of adds up to. */
const takeSum: Proposer = ({ vehicle }) => {
  const { builtKg } = massesOf(vehicle);
  return builtKg === null ? [] : [{ edit: 'setFigure', input: { figure: 'massEmpty', value: Math.round(builtKg) } }];
};

const massSum = defineRule({
  id: 'survey.mass-sum',
  endangers: 'parts',
  says: {
    fails: 'The mass does not add up',
    holds: 'The mass adds up',
    line: 'stripped and built in {demand}, the road model takes {limit}',
  },
  sources: ['Stripped mass and everything that is put in, against the mass that the road model takes'],
  judge: ({ vehicle }) => {
    const { massEmptyKg } = vehicle.build.vehicle;
    const masses = massesOf(vehicle);
    if (masses.builtKg === null || massEmptyKg === null) return [];
    const demand = Math.abs(masses.builtKg - massEmptyKg);
    const limit = MASS_SHARE * massEmptyKg;
    return [
      {
        subject: { kind: 'build', id: 'vehicle', name: 'Vehicle' },
        demand: { value: masses.builtKg, dimension: 'mass' },
        limit: { value: massEmptyKg, dimension: 'mass' },
        margin: marginAtMost(demand, limit),
        assumed: masses.assumed,
        lines: () => [
          {
            formula: 'm = m_stripped + Σ m of what is put in',
            figures: `${q(vehicle.build.chassis!.strippedKg!, 'mass')} + ${q(masses.builtKg! - vehicle.build.chassis!.strippedKg!, 'mass')}`,
            result: { value: masses.builtKg!, dimension: 'mass' },
            note: `Cables ${q(masses.cablesKg, 'mass')}. Within a twentieth of ${q(massEmptyKg, 'mass')}.`,
          },
        ],
      },
    ];
  },
  remedies: [takeSum],
  otherwise: 'Weigh again, or tell what came off and went on until the sum fits.',
});

/** What the cells keep of what the charger gives (generic). */
const CELLS_KEEP = 0.96;

/** What a supply gives for hours, W; null while voltage or breaker are not told. */
export const supplyPowerW = (build: Context['vehicle']['build']): number | null => supplyOf(build)?.powerW ?? null;

const supply = defineRule({
  id: 'survey.supply',
  endangers: 'comfort',
  says: {
    fails: 'A night at the supply does not put a day back',
    holds: 'A night at the supply puts a day back',
    line: '{demand} for a winter day, {limit} a night',
    open: 'A night at the supply',
  },
  sources: [
    'A day’s energy back within ten hours of night (practice)',
    'A socket carries 80 % of its breaker continuously; a wall unit all of it (practice; local code decides)',
  ],
  judge: ({ vehicle, trip, tripKey }) => {
    const { build } = vehicle;
    const powerW = supplyPowerW(build);
    const dayM = build.duty.dailyDistanceM;
    if (powerW === null || dayM === undefined || tripKey === null) return [];
    const subject: Ref = { kind: 'build', id: 'supply', name: 'Supply at home' };
    if (!trip) return [{ subject, pending: tripRun.pendingWords }];
    const perM = trip.winter.energyPerKmWh === null ? null : (trip.winter.energyPerKmWh * 3600) / 1000;
    if (perM === null) return [];
    const drawn = drawnFrom(chargeChain(vehicle));
    const efficiency = build.charging?.efficiency ?? CHARGER_EFFICIENCY;
    const intoPackW = Math.min(powerW, drawn?.acW ?? powerW) * efficiency * CELLS_KEEP;
    const neededJ = perM * dayM;
    const demand = neededJ / intoPackW;
    return [
      {
        subject,
        demand: { value: demand, dimension: 'time' },
        limit: { value: NIGHT_S, dimension: 'time' },
        margin: marginAtMost(demand, NIGHT_S),
        assumed: [
          `${q(efficiency * CELLS_KEEP, 'ratio')} of what the socket gives is in the cells afterwards.`,
          ...(drawn ? [] : ['The charger takes all that the supply gives: its power is not told.']),
        ],
        lines: () => [
          {
            formula: 't = E of a winter day / P into the pack',
            figures: `${q(neededJ, 'energy')} / ${q(intoPackW, 'power')}`,
            result: { value: demand, dimension: 'time' },
            note: `The supply gives ${q(powerW, 'power')}${drawn && drawn.acW < powerW ? `; held to ${q(drawn.acW, 'power')} by: ${drawn.binds.name}` : ''}.`,
          },
        ],
      },
    ];
  },
  remedies: 'A stronger supply, a larger charger, or a longer night.',
});

export const FOUND_RULES: readonly Rule[] = [asFound, oldParts, massSum, supply];
