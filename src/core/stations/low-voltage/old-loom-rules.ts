import type { Finding } from '../../checks';
import { defineRule, type Rule } from '../define';

/** A branch of the old loom that stays is as good as it was found: decided in Survey, seen here. */
const oldLoom = defineRule({
  id: 'lv.old-loom',
  endangers: 'fire',
  says: { fails: '{subject} is not to be relied on', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: [
    'Old wiring that stays is looked at and measured before it is relied on: faults of an old loom stay faults',
  ],
  judge: ({ vehicle: { build } }) =>
    Object.values(build.oldParts ?? {})
      .filter(({ kind, fate }) => kind === 'loom' && (fate === 'keep' || fate === 'extend'))
      .map((part): Finding<'detail'> => {
        const subject = { kind: 'build', id: part.id, name: part.name } as const;
        const found = build.asFound?.['old-wiring'];
        if (!found) return { subject, missing: [{ ref: subject, what: 'a look at the old wiring, in Survey' }] };
        const stays = part.fate === 'extend' ? 'extended' : 'kept';
        if (found.state === 'good') return { subject, holds: true, figures: { detail: `${stays}, found good` } };
        const note = found.note === '' ? '' : `: ${found.note}`;
        return {
          subject,
          holds: false,
          figures: {
            detail: `${stays}, but the old wiring ${found.state === 'mend' ? 'needs repair' : 'is bad'}${note}`,
          },
        };
      }),
  remedies: 'Replace that branch; what is brittle, corroded or spliced does not last.',
});

export const OLD_LOOM_RULES: readonly Rule[] = [oldLoom];
