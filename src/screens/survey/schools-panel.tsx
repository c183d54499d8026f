'use client';
import type { Assessment } from '@/core/assess';
import { SCHOOL_CHOICES, type SchoolId } from '@/core/build';
import { formatQuantity, inUnits } from '@/core/quantities';
import { RULE_SETS, ruleSetOf } from '@/core/rules';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { OwnLimits } from './own-limits';
import { SchoolField } from './school-field';

/** Charged so far on usual days: a school too, kept as the figure that Pack takes. */
const FOR_LIFE = 0.8;

/** The rules of the place, and every matter on which the trade disagrees. */
export function SchoolsPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { socFull } = build.packLimits;
  const limits = ruleSetOf(build.ruleSet, build.ownLimits);
  const all = Object.keys(SCHOOL_CHOICES) as SchoolId[];
  const share = (value: number) => formatQuantity({ value, dimension: 'ratio' }, build.units, 3, '%').text;
  return (
    <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
      <Panel title="Rules" about="limits that differ by region">
        <ChoiceField
          label="Rules"
          value={build.ruleSet}
          choices={[
            ...Object.values(RULE_SETS).map(({ id, name }) => ({ value: id, label: name })),
            { value: 'own', label: 'own limits' },
          ]}
          onChoose={(value) => dispatch({ edit: 'setRuleSet', input: { ruleSet: value as 'iec' } })}
        />
        <ChoiceField
          label="Units"
          value={build.units}
          choices={[
            { value: 'metric', label: 'metric' },
            { value: 'us', label: 'US' },
          ]}
          onChoose={(value) => dispatch({ edit: 'setUnits', input: { units: value as 'metric' } })}
        />
        {build.ruleSet === 'own' && <OwnLimits build={build} />}
        <p className="mt-2 text-note text-soft">
          {formatQuantity({ value: limits.classBDcV.value, dimension: 'voltage' }, build.units).text} is where high
          voltage begins: {inUnits(limits.classBDcV.source, build.units)}.
        </p>
      </Panel>
      <Panel title="Design choices" about="where the trade disagrees; each choice has its consequences in the ledger">
        {all.map((school) => (
          <SchoolField key={school} assessment={assessment} school={school} />
        ))}
        <ChoiceField
          label="Charge limit"
          value={socFull === undefined ? 'full' : socFull === FOR_LIFE ? 'life' : 'own'}
          choices={[
            { value: 'full', label: 'full' },
            { value: 'life', label: '80 % for life' },
            ...(socFull !== undefined && socFull !== FOR_LIFE
              ? [{ value: 'own', label: `${share(socFull)}, as told in Pack` }]
              : []),
          ]}
          onChoose={(value) =>
            value !== 'own' &&
            dispatch({ edit: 'setFigure', input: { figure: 'socFull', value: value === 'life' ? FOR_LIFE : null } })
          }
        />
      </Panel>
    </div>
  );
}
