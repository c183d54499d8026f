import { quantityText as q, type Ref } from '../../checks';
import { defineRule, type Rule } from '../define';

const CLIMATE: Ref = { kind: 'build', id: 'climate', name: 'Temperatures' };
const celsius = (value: number): string => q(value, 'temperature');

/** Temperatures that the whole assessment is made at: turned round, its hardest cases would be its easiest. */
const order = defineRule({
  id: 'survey.temperatures',
  endangers: 'parts',
  says: {
    fails: 'Temperatures contradict each other',
    holds: 'Temperatures are in order',
    line: '{detail}',
    open: 'Temperatures',
  },
  sources: [
    'Coldest below warmest; cells and places at least as hot as the hottest day, or the corners are not corners (by order)',
  ],
  judge: ({ vehicle: { build } }) => {
    // With nothing in it yet nothing is shown as holding.
    if (Object.keys(build.circuits.hv.devices).length === 0) return [];
    const { coldestCellC, warmestCellC } = build.packLimits;
    const { coldestDayC, hottestDayC } = build.duty;
    const cool =
      hottestDayC === undefined ? [] : Object.values(build.zones).filter(({ ambientC }) => ambientC < hottestDayC);
    const wrong = [
      ...(coldestCellC < warmestCellC
        ? []
        : [`coldest cells at ${celsius(coldestCellC)}, warmest at ${celsius(warmestCellC)}`]),
      ...(coldestDayC === undefined || hottestDayC === undefined || coldestDayC < hottestDayC
        ? []
        : [`coldest day ${celsius(coldestDayC)}, hottest ${celsius(hottestDayC)}`]),
      ...(hottestDayC === undefined || warmestCellC >= hottestDayC
        ? []
        : [`warmest cells at ${celsius(warmestCellC)} on a day of ${celsius(hottestDayC)}`]),
      ...cool.map(({ name, ambientC }) => `${name} at ${celsius(ambientC)} on a day of ${celsius(hottestDayC!)}`),
    ];
    return [
      {
        subject: CLIMATE,
        assumed: [
          ...(hottestDayC === undefined
            ? ['The hottest day is not entered: cells and places are taken as hot as it gets.']
            : []),
          ...(coldestDayC !== undefined && coldestCellC > coldestDayC
            ? [
                `Cells at ${celsius(coldestCellC)} on a day of ${celsius(coldestDayC)}: something keeps them warm, or it is not driven before they are.`,
              ]
            : []),
        ],
        holds: wrong.length === 0,
        figures: {
          detail:
            wrong.length > 0
              ? wrong.join('; ')
              : `cells from ${celsius(coldestCellC)} to ${celsius(warmestCellC)}, ${hottestDayC === undefined ? 'the hottest day is not entered' : 'every place at least as hot as the day'}`,
        },
      },
    ];
  },
  remedies: 'Correct the temperature that is named.',
});

export const TEMPERATURE_RULES: readonly Rule[] = [order];
