import { type Finding, quantityText as q, type Ref } from '../../checks';
import { CATEGORY_FIGURES } from '../../physics/vehicle-category';
import { defineRule, type Rule } from '../define';

const CATEGORY: Ref = { kind: 'build', id: 'category', name: 'Vehicle category' };

/** A heavier class asks less of the battery's fixings: it has to be the one that the gross limit gives. */
const category = defineRule({
  id: 'survey.category',
  endangers: 'people',
  says: {
    fails: 'Category and gross limit contradict each other',
    holds: 'Vehicle category',
    line: '{detail}',
    open: 'Vehicle category',
  },
  sources: [
    'Classes by gross mass: UN R.E.3 (from memory: verify)',
    'A gross limit is no more than both axles bear together',
  ],
  judge: ({ vehicle: { build } }): Finding<'detail'>[] => {
    const { category: told, grossMassKg } = build.vehicle;
    if (told === undefined) return [];
    const { name, overKg, mostKg } = CATEGORY_FIGURES[told];
    if (overKg === undefined && mostKg === undefined) return [];
    if (grossMassKg === null) return [{ subject: CATEGORY, missing: [{ ref: CATEGORY, what: 'the gross limit' }] }];
    const { frontLimitKg, rearLimitKg } = build.chassis ?? {};
    const bornKg =
      frontLimitKg === undefined || rearLimitKg === undefined ? Number.POSITIVE_INFINITY : frontLimitKg + rearLimitKg;
    const tooMuch = grossMassKg > bornKg;
    return [
      {
        subject: CATEGORY,
        holds:
          !tooMuch && (overKg === undefined || grossMassKg > overKg) && (mostKg === undefined || grossMassKg <= mostKg),
        figures: {
          detail: `${name}, with a gross limit of ${q(grossMassKg, 'mass')}${tooMuch ? `, of which the axles bear ${q(bornKg, 'mass')}` : ''}`,
        },
      },
    ];
  },
  remedies: 'Tell the category and the gross limit as the registration has them.',
});

export const CATEGORY_RULES: readonly Rule[] = [category];
