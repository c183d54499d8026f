'use client';
import type { Assessment } from '@/core/assess';
import { SAFEGUARD_WORDS, safeguardsOf } from '@/core/stations/hv-circuit';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';

/** What an inspector asks: looked at on the car, answered with yes or no. */
export function SafeguardsPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const asked = safeguardsOf(assessment.context);
  const told = assessment.build.safeguards ?? {};
  const seen = asked.filter((id) => told[id] !== undefined).length;
  return (
    <Panel title="What an inspector asks" about={`${seen} of ${asked.length} looked at on the car`}>
      {asked.length === 0 && <p className="text-soft">Nothing yet: the pack is class A, and there is no charger.</p>}
      {asked.map((id) => (
        <div key={id} className="mb-1">
          <ChoiceField
            label={SAFEGUARD_WORDS[id].name}
            value={told[id] === undefined ? null : told[id] ? 'yes' : 'no'}
            empty="not looked at"
            choices={[
              { value: 'yes', label: 'yes' },
              { value: 'no', label: 'no' },
            ]}
            onChoose={(answer) => dispatch({ edit: 'setSafeguard', input: { safeguard: id, seen: answer === 'yes' } })}
          />
          <p className="text-note text-soft">{SAFEGUARD_WORDS[id].wants}</p>
        </div>
      ))}
    </Panel>
  );
}
