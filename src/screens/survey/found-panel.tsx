'use client';
import type { Assessment } from '@/core/assess';
import { FATES, type Fate, INSPECTIONS, type InspectionState } from '@/core/build';
import { INSPECTION_WORDS } from '@/core/stations/survey';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { LineForm } from '@/ui/line-form';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';

const STATE_WORDS: readonly (readonly [InspectionState, string])[] = [
  ['good', 'good'],
  ['mend', 'needs repair'],
  ['bad', 'bad'],
];

/** What is found on the vehicle before anything comes apart. */
export function FoundPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { asFound } = assessment.build;
  const looked = INSPECTIONS.filter((id) => asFound?.[id] !== undefined).length;
  return (
    <Panel title="As found" about={`${looked} of ${INSPECTIONS.length} looked at, before anything comes apart`}>
      {INSPECTIONS.map((id) => {
        const found = asFound?.[id];
        return (
          <div key={id}>
            <ChoiceField
              label={INSPECTION_WORDS[id]}
              value={found?.state ?? null}
              empty="not looked at"
              choices={STATE_WORDS.map(([value, label]) => ({ value, label }))}
              onChoose={(state) =>
                dispatch({ edit: 'setInspection', input: { inspection: id, state: state as InspectionState } })
              }
            />
            {found && found.state !== 'good' && (
              <TextField
                label="what is wrong there"
                value={found.note}
                empty="in a few words"
                refuse={(text) => (text.length > 500 ? 'At most 500 characters.' : null)}
                onCommit={(note) =>
                  dispatch({ edit: 'setInspection', input: { inspection: id, state: found.state, note } })
                }
              />
            )}
          </div>
        );
      })}
    </Panel>
  );
}

const FATE_WORDS: Readonly<Record<Fate, string>> = {
  keep: 'keep',
  extend: 'extend',
  strip: 'strip out',
  replace: 'replace',
};
const USUAL: readonly (readonly ['part' | 'loom', string])[] = [
  ['loom', 'Engine loom'],
  ['loom', 'Lighting loom, front'],
  ['loom', 'Lighting loom, rear'],
  ['loom', 'Dashboard loom'],
  ['loom', 'Charging and starter cables'],
  ['part', 'Fuel tank, lines and pump'],
  ['part', 'Exhaust'],
  ['part', 'Radiator and fan'],
  ['part', 'Clutch and its actuation'],
];

/** Old parts and branches of the loom, and what becomes of each. */
export function OldPartsPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const parts = Object.values(assessment.build.oldParts ?? {});
  // What is refused says so where all edits do; what was typed stays.
  const add = (kind: 'part' | 'loom') => (name: string) =>
    dispatch({ edit: 'addOldPart', input: { id: freshId(), name, kind } }) ? null : 'It was not taken.';
  const missing = USUAL.filter(([, words]) => !parts.some((part) => part.name === words));
  return (
    <Panel title="Old parts and looms" about="each kept, extended, stripped or replaced; later stations see it">
      <ul>
        {parts.map((part) => (
          <li key={part.id} className="flex items-center gap-2">
            <div className="min-w-0 flex-1">
              <ChoiceField
                label={part.name}
                value={part.fate}
                empty="not decided"
                choices={FATES.map((fate) => ({ value: fate, label: FATE_WORDS[fate] }))}
                onChoose={(fate) => dispatch({ edit: 'decideOldPart', input: { id: part.id, fate: fate as Fate } })}
              />
            </div>
            <Action
              look="quiet"
              label={`Take ${part.name} off the list`}
              onPress={() => dispatch({ edit: 'dropOldPart', input: { id: part.id } })}
            >
              drop
            </Action>
          </li>
        ))}
      </ul>
      <div className="mt-2">
        <LineForm
          label="Old part or loom"
          placeholder="another part or branch"
          button="Part"
          refuse={(name) => (name === '' ? 'Give it a name first.' : null)}
          onTake={add('part')}
          beside={(take) => <Action onPress={() => take(add('loom'))}>Loom</Action>}
        />
      </div>
      {missing.length > 0 && (
        <p className="mt-2">
          <Action
            look="quiet"
            onPress={() => {
              for (const [kind, words] of missing)
                dispatch({ edit: 'addOldPart', input: { id: freshId(), name: words, kind } });
            }}
          >
            List the {missing.length} usual ones
          </Action>
        </p>
      )}
    </Panel>
  );
}
