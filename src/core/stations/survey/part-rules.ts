import type { Build } from '../../build';
import type { Ref } from '../../checks';
import type { Part } from '../../parts';
import { contradictions } from '../../parts';
import { defineRule, type Rule } from '../define';

const PARTS: Ref = { kind: 'build', id: 'parts', name: 'Parts' };

/** The parts that something in the build is made of, each once. */
function partsInUse({ circuits, parts }: Build): readonly Part[] {
  const ids = new Set(
    [circuits.hv, circuits.lv].flatMap(({ devices, conductors }) =>
      [...Object.values(devices), ...Object.values(conductors)].flatMap(({ partId }) => partId ?? []),
    ),
  );
  return [...ids].flatMap((id) => (Object.hasOwn(parts, id) ? [parts[id]!] : []));
}

const figures = defineRule({
  id: 'survey.part-figures',
  endangers: 'parts',
  says: {
    fails: 'Figures of a part contradict each other',
    holds: 'The figures of every part fit together',
    line: '{detail}',
    open: 'Figures of the parts',
  },
  sources: [
    'Figures of one sheet must fit each other: a curve that falls, windows in order, cells within what their chemistry bears, resistance by area (IEC 60228, ISO 19642)',
  ],
  judge: ({ vehicle: { build } }) => {
    const parts = partsInUse(build);
    if (parts.length === 0) return [];
    const wrong = parts.flatMap((part) => contradictions(part).map((words) => `${part.name}: ${words}`));
    return [
      {
        subject: PARTS,
        holds: wrong.length === 0,
        figures: { detail: wrong.length > 0 ? wrong.join('; ') : `${parts.length} in use` },
      },
    ];
  },
  remedies: 'Read the part’s sheet again and correct the figure that is named.',
});

export const PART_RULES: readonly Rule[] = [figures];
