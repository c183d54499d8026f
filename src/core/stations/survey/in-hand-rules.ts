import { deviceDefinition, findDevice } from '../../build';
import { type Finding, marginAtMost, type Ref } from '../../checks';
import { defineRule, type Rule } from '../define';

const COSTS: Ref = { kind: 'build', id: 'costs', name: 'Costs' };

const budget = defineRule({
  id: 'survey.budget',
  endangers: 'comfort',
  says: {
    fails: 'The parts cost more than the budget',
    holds: 'The parts stay within the budget',
    line: '{cost} of {budget}',
    open: 'Costs of the parts',
  },
  comfort: 0,
  sources: [
    'Sum over the list of what is in hand and wanted: price · count, paid or expected; what was replaced counts too',
  ],
  judge: ({ vehicle: { build } }): Finding<'cost' | 'budget'>[] => {
    const most = build.costs?.budget;
    const items = Object.values(build.inHand ?? {});
    if (most === undefined) return [];
    const unpriced = items.filter(({ price }) => price === undefined);
    if (items.length === 0 || unpriced.length > 0)
      return [
        {
          subject: COSTS,
          missing: [
            {
              ref: COSTS,
              what:
                items.length === 0
                  ? 'the list of what is in hand and wanted'
                  : `the price of ${unpriced
                      .slice(0, 3)
                      .map(({ name }) => name)
                      .join(', ')}${unpriced.length > 3 ? ` and ${unpriced.length - 3} more` : ''}`,
            },
          ],
        },
      ];
    const listed = new Set(items.map(({ deviceId }) => deviceId));
    const unlisted = [build.circuits.hv, build.circuits.lv].reduce(
      (sum, { devices }) =>
        sum +
        Object.values(devices).filter(({ id, kind }) => deviceDefinition(kind).part !== null && !listed.has(id)).length,
      0,
    );
    const cost = items.reduce((sum, { price, count }) => sum + price! * count, 0);
    return [
      {
        subject: COSTS,
        margin: marginAtMost(cost, most),
        figures: { cost: cost.toFixed(0), budget: most.toFixed(0) },
        assumed:
          unlisted > 0 ? [`${unlisted} devices of the circuits stand in no line: their price is not in the sum.`] : [],
        lines: () => [
          {
            formula: 'Σ price · count',
            figures: `${items.length} lines, ${items.filter(({ paid }) => paid).length} of them paid`,
            result: { value: cost, dimension: 'count' },
          },
        ],
      },
    ];
  },
  remedies: 'Leave something for a later stage, or look for it used.',
});

const found = defineRule({
  id: 'survey.in-hand',
  endangers: 'people',
  says: {
    fails: '{subject} was found bad and is fitted all the same',
    holds: '{subject} was looked at',
    line: '{detail}',
  },
  sources: [
    'Connectors, pins, corrosion, coolant, codes and insulation are looked at before a used part is paid, and again before it is fitted (practice)',
  ],
  judge: ({ vehicle: { build } }): Finding<'detail'>[] =>
    Object.values(build.inHand ?? {}).flatMap((item): Finding<'detail'>[] => {
      const looked = Object.entries(item.found ?? {});
      if (looked.length === 0 || item.state === 'replaced') return [];
      const bad = looked.flatMap(([point, how]) => (how === 'bad' ? [point] : []));
      // A line for a device that is gone is kept, and judges nothing.
      if (item.deviceId !== undefined && !findDevice(build, item.deviceId)) return [];
      return [
        {
          subject: { kind: 'build', id: `in-hand-${item.id}`, name: item.name },
          holds: bad.length === 0 || item.state !== 'fitted',
          figures: {
            detail: bad.length > 0 ? `bad: ${bad.join(', ')}; ${item.state}` : `${looked.length} points good`,
          },
        },
      ];
    }),
  remedies: 'Mend it and look again, or put another in its place and mark this one as replaced.',
});

const AGREED: Ref = { kind: 'build', id: 'agreed', name: 'Agreed price' };

const agreed = defineRule({
  id: 'survey.agreed',
  endangers: 'comfort',
  says: {
    fails: 'The parts alone cost more than the price that was agreed',
    holds: 'The parts stay within the price that was agreed',
    line: '{cost} of {price}',
    open: 'Agreed price',
  },
  comfort: 0,
  sources: ['Sum over the list of what is in hand and wanted against the agreed price; hours are not counted'],
  judge: ({ vehicle: { build } }): Finding<'cost' | 'price'>[] => {
    const most = build.customer?.agreedPrice;
    const items = Object.values(build.inHand ?? {});
    if (most === undefined) return [];
    if (items.length === 0)
      return [{ subject: AGREED, missing: [{ ref: AGREED, what: 'the list of what is in hand and wanted' }] }];
    const unpriced = items.filter(({ price }) => price === undefined).length;
    const cost = items.reduce((sum, { price = 0, count }) => sum + price * count, 0);
    // What is told already may be too much, whatever the rest costs.
    if (unpriced > 0 && cost <= most)
      return [{ subject: AGREED, missing: [{ ref: AGREED, what: `the price of ${unpriced} parts` }] }];
    return [
      {
        subject: AGREED,
        margin: marginAtMost(cost, most),
        figures: { cost: cost.toFixed(0), price: most.toFixed(0) },
      },
    ];
  },
  remedies: 'Talk before more is bought: put something off, or agree anew.',
});

const oldFault = defineRule({
  id: 'survey.old-fault',
  endangers: 'fire',
  says: {
    fails: '{subject}: found, not mended',
    holds: '{subject}: mended',
    line: '{detail}',
    open: '{subject}',
  },
  sources: ['A fault of the old wiring that stays is blamed on the conversion, and heats where nobody looks'],
  judge: ({ vehicle: { build } }): Finding<'detail'>[] =>
    Object.values(build.oldFaults ?? {}).map(({ id, what, cause, mended }): Finding<'detail'> => {
      const subject: Ref = { kind: 'build', id, name: what };
      return cause === ''
        ? { subject, missing: [{ ref: subject, what: 'its cause' }] }
        : { subject, holds: mended, figures: { detail: cause } };
    }),
  remedies: 'Mend it, and tell so in Survey, As found.',
});

export const IN_HAND_RULES: readonly Rule[] = [budget, found, agreed, oldFault];
