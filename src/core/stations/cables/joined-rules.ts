import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { BAR_M, casesApartM, FACES_M } from '../../vehicle';
import { conductorRef } from '../context';
import { defineRule, type Rule } from '../define';

const joined = defineRule({
  id: 'cable.joined',
  endangers: 'fire',
  says: {
    fails: '{subject} is no bolted joint',
    holds: '{subject} is bolted together',
    line: '{demand} apart, {limit} at most',
  },
  variants: {
    bar: {
      fails: '{subject} is no busbar within a box',
      holds: '{subject} is a busbar within a box',
      line: '{demand} long, {limit} at most',
    },
  },
  sources: [
    'What is bolted face to face has no length, and a bar is part of its box: anything longer is a conductor with a section, an insulation and a way (engineering judgement)',
  ],
  judge: ({ vehicle }) =>
    vehicle.conductors.flatMap((one): Finding<never, 'bar'>[] => {
      const { kind } = one.conductor;
      if (kind === 'cable') return [];
      const bar = kind === 'busbar';
      const [toldM, casesM] = [one.lengthM, casesApartM(vehicle.build, one.conductor)];
      // Nobody says how far: there is nothing to hold against it.
      if (toldM === null && casesM === null) return [];
      const apartM = Math.max(toldM ?? 0, casesM ?? 0);
      const limitM = bar ? BAR_M : FACES_M;
      const margin = marginAtMost(apartM, limitM);
      return [
        {
          subject: conductorRef(one),
          ...(bar ? { variant: 'bar' as const } : {}),
          demand: { value: apartM, dimension: 'length' },
          limit: { value: limitM, dimension: 'length' },
          margin,
          lines: () => [
            {
              formula: 'the longer of what is entered and the gap between the cases',
              figures: `${toldM === null ? 'no length' : q(toldM, 'length')}, ${casesM === null ? 'a place is not known' : q(casesM, 'length')}`,
              result: { value: margin, dimension: 'ratio' },
            },
          ],
        },
      ];
    }),
  remedies: 'Make it a cable of a size, or put its ends together.',
});

export const JOINED_RULES: readonly Rule[] = [joined];
