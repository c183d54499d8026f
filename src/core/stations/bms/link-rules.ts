import type { Finding } from '../../checks';
import { chargersOf } from '../../simulate';
import { PACK_REF } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf, electronic, groupsOf, lithiumIn, watches } from './shared';

const watched = defineRule({
  id: 'bms.watched',
  endangers: 'fire',
  says: {
    fails: 'Nothing watches the lithium cells',
    holds: 'Each cell is watched',
    line: '{detail}',
    open: 'What watches the cells',
  },
  sources: [
    'Lithium cells need electronics on each that can end charge and discharge (UN R100; practice); flooded lead is kept by hand, with water and equalising charges',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (cellsOf(vehicle).length === 0) return [];
    const choice = vehicle.build.schools.bms;
    if (choice === undefined)
      return [
        { subject: PACK_REF, missing: [{ ref: PACK_REF, what: 'the design choice of battery management, in Survey' }] },
      ];
    const lithium = lithiumIn(vehicle);
    const detail = {
      none: lithium ? 'no electronics at all' : 'kept by hand: water, equalising charges, a meter',
      shunts: 'regulators on each cell: they hold it down when full, and nothing up when empty',
      distributed: 'electronics on each cell',
      central: 'one unit with a wire to each cell',
    }[choice];
    return [{ subject: PACK_REF, holds: !(lithium && choice === 'none'), figures: { detail } }];
  },
  remedies: [() => [{ edit: 'setSchool', input: { bms: 'central' } }]],
});

interface Link {
  readonly id: string;
  readonly flag: 'stopsCharger' | 'opensCoils' | 'senseFused';
  readonly says: { readonly fails: string; readonly holds: string; readonly line: string; readonly open: string };
  readonly why: string;
  readonly source: string;
  readonly cure: string;
  readonly applies: (vehicle: Parameters<typeof watches>[0]) => boolean;
}

const linkRule = ({ id, flag, says, why, source, cure, applies }: Link): Rule =>
  defineRule({
    id,
    endangers: 'fire',
    says: { ...says, line: '{detail}' } as { fails: string; holds: string; line: '{detail}'; open: string },
    sources: [source],
    judge: ({ vehicle }): Finding<'detail'>[] => {
      if (!applies(vehicle)) return [];
      const is = vehicle.build.bms?.[flag];
      if (is === undefined) return [{ subject: CELLS_REF, missing: [{ ref: CELLS_REF, what: why }] }];
      return [{ subject: CELLS_REF, holds: is, figures: { detail: is ? 'told so' : 'told that it does not' } }];
    },
    remedies: cure,
  });

const LINKS: readonly Link[] = [
  {
    id: 'bms.stops-charger',
    flag: 'stopsCharger',
    says: {
      fails: 'A full cell does not stop the charger',
      holds: 'A full cell stops the charger',
      line: '{detail}',
      open: 'Whether a full cell stops the charger',
    },
    why: 'whether the first full cell ends the charge: a wire or a message to the charger',
    source:
      'The charger sees the sum of the cells; only what watches each cell knows when the first is full (practice)',
    cure: 'A link from the battery management to the charger: its enable input, or a relay in its supply.',
    applies: (vehicle) => lithiumIn(vehicle) && watches(vehicle) && chargersOf(vehicle).length > 0,
  },
  {
    id: 'bms.opens-contactors',
    flag: 'opensCoils',
    says: {
      fails: 'A stop of the battery management does not open the contactors',
      holds: 'A stop of the battery management opens the contactors',
      line: '{detail}',
      open: 'Whether a stop opens the contactors',
    },
    why: 'whether its stop stands in the safety loop of the contactors’ coils',
    source:
      'The last line of defence against a runaway charge or an empty cell is to disconnect the pack (UN R100, practice)',
    cure: 'Its normally open contact into the safety loop, before the coils.',
    applies: (vehicle) => lithiumIn(vehicle) && watches(vehicle),
  },
  {
    id: 'bms.sense-fused',
    flag: 'senseFused',
    says: {
      fails: 'Sense wires are not fused at the cells',
      holds: 'Sense wires are fused at the cells',
      line: '{detail}',
      open: 'Fuses of the sense wires',
    },
    why: 'whether each sense wire has a fuse, or a fusible trace, right at its cell',
    source: 'A chafed sense wire has the whole pack behind it; it is as thin as it is long (practice)',
    cure: 'A small fuse or a fusible resistor at each tap, within a hand’s width of the cell.',
    applies: (vehicle) => lithiumIn(vehicle) && electronic(vehicle),
  },
];

const channels = defineRule({
  id: 'bms.channels',
  endangers: 'fire',
  says: {
    fails: 'Battery management has too few inputs',
    holds: 'Battery management has an input for each cell',
    line: '{detail}',
    open: 'Inputs of the battery management',
  },
  sources: ['A group of cells that nobody measures is the one that fails (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const groups = groupsOf(vehicle);
    if (groups === 0 || !electronic(vehicle)) return [];
    const inputs = vehicle.build.bms?.channels;
    if (inputs === undefined)
      return [{ subject: CELLS_REF, missing: [{ ref: CELLS_REF, what: 'how many cells it has inputs for' }] }];
    return [
      { subject: CELLS_REF, holds: inputs >= groups, figures: { detail: `${inputs} for ${groups} cells in a row` } },
    ];
  },
  remedies: 'A unit with more inputs, or a second one that can be chained.',
});

export const LINK_RULES: readonly Rule[] = [watched, ...LINKS.map(linkRule), channels];
