'use client';
import { type Build, OWN_LIMITS } from '@/core/build';
import { LIMIT_WORDS, ruleSetOf } from '@/core/rules';
import { useBench } from '@/store/bench';
import { QuantityField } from '@/ui/quantity-field';

/** Limits of a region or an inspector that is neither of the two sets; an empty one is the strictest known. */
export function OwnLimits({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const rules = ruleSetOf('own', build.ownLimits);
  return (
    <fieldset className="mt-2 border-t border-rule pt-1">
      <legend className="pr-2 text-note text-soft">Own limits; an emptied one is the strictest known</legend>
      {OWN_LIMITS.map((limit) => {
        const stated = build.ownLimits?.[limit] !== undefined;
        const { label, dimension } = LIMIT_WORDS[limit];
        return (
          <QuantityField
            key={limit}
            label={label}
            dimension={dimension}
            system={build.units}
            {...(dimension === 'ratio' ? { unit: '%' } : {})}
            value={rules[limit].value}
            note={stated ? 'own' : ''}
            onCommit={(value) => dispatch({ edit: 'setOwnLimit', input: { limit, value } })}
            {...(stated ? { onClear: () => dispatch({ edit: 'setOwnLimit', input: { limit, value: null } }) } : {})}
          />
        );
      })}
    </fieldset>
  );
}
