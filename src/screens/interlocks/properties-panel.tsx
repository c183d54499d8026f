'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { MOST_ATOMS, type OwnProperty, type PropertyForm, SIGNALS, type Signal, type SignalIs } from '@/core/build';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { SIGNAL_WORDS } from './question-words';

const FORMS: Readonly<Record<PropertyForm, readonly [name: string, second: string]>> = {
  never: ['never all at once', ''],
  followed: ['always followed by', 'time alone brings'],
  'only-after': ['only after', 'not before there was, since the key'],
};

export const atomWords = ({ signal, is }: SignalIs): string =>
  `${is ? '' : 'not '}${SIGNAL_WORDS[signal as Signal] ?? signal}`;

/** Properties of one’s own: a sentence over the signals, searched like the others. */
export function PropertiesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const known = Object.values(assessment.build.controls?.properties ?? {});
  const [draft, setDraft] = useState<Omit<OwnProperty, 'id'> | null>(null);
  return (
    <Panel title="Properties of your own" about="searched with the others">
      {known.map((one) => (
        <div key={one.id} className="flex items-baseline gap-2 border-b border-dotted border-rule py-1">
          <span className="min-w-0 flex-1">
            <b className="font-semibold">{one.name}</b>: {one.when.map(atomWords).join(' and ')}{' '}
            <span className="text-soft">{FORMS[one.form][0]}</span> {(one.brings ?? []).map(atomWords).join(' and ')}
          </span>
          <Action
            look="quiet"
            onPress={() => dispatch({ edit: 'dropProperty', input: { id: one.id } })}
            label={`Drop ${one.name}`}
          >
            Drop
          </Action>
        </div>
      ))}
      {draft === null ? (
        <p className="mt-2">
          <Action onPress={() => setDraft({ name: '', form: 'never', when: [], brings: [] })}>Add a property</Action>
        </p>
      ) : (
        <Draft
          draft={draft}
          onChange={setDraft}
          onAdd={() => {
            const { brings, ...rest } = draft;
            const property = { ...rest, id: freshId(), ...(draft.form === 'never' ? {} : { brings: brings ?? [] }) };
            if (dispatch({ edit: 'setProperty', input: { property } })) setDraft(null);
          }}
          onAway={() => setDraft(null)}
        />
      )}
    </Panel>
  );
}

function Draft({
  draft,
  onChange,
  onAdd,
  onAway,
}: {
  draft: Omit<OwnProperty, 'id'>;
  onChange: (next: Omit<OwnProperty, 'id'>) => void;
  onAdd: () => void;
  onAway: () => void;
}) {
  const ready =
    draft.name.trim() !== '' && draft.when.length > 0 && (draft.form === 'never' || (draft.brings ?? []).length > 0);
  return (
    <div className="mt-2 border-l-[3px] border-ink pl-3">
      <TextField
        label="Name"
        value={draft.name}
        empty="what must hold"
        onCommit={(name) => onChange({ ...draft, name })}
      />
      <Atoms label="When" atoms={draft.when} onChange={(when) => onChange({ ...draft, when })} />
      <ChoiceField
        label="Form"
        value={draft.form}
        choices={Object.entries(FORMS).map(([value, [label]]) => ({ value, label }))}
        onChoose={(form) => onChange({ ...draft, form: form as PropertyForm })}
      />
      {draft.form !== 'never' && (
        <Atoms
          label={FORMS[draft.form][1]}
          atoms={draft.brings ?? []}
          onChange={(brings) => onChange({ ...draft, brings })}
        />
      )}
      <p className="mt-2 flex gap-2">
        <Action look="strong" onPress={onAdd} disabled={!ready}>
          Search it
        </Action>
        <Action look="quiet" onPress={onAway}>
          Leave it
        </Action>
      </p>
    </div>
  );
}

/** A row of conditions, each a signal that is or is not. */
export function Atoms({
  label,
  atoms,
  onChange,
  signals = SIGNALS,
}: {
  label: string;
  atoms: readonly SignalIs[];
  onChange: (next: readonly SignalIs[]) => void;
  signals?: readonly Signal[];
}) {
  return (
    <div className="border-b border-dotted border-rule py-1">
      <p className="text-soft">{label}</p>
      {atoms.map((atom, k) => (
        <p key={`${atom.signal}${atom.is}`} className="flex items-baseline gap-2">
          <span className="flex-1">{atomWords(atom)}</span>
          <Action
            look="quiet"
            onPress={() => onChange(atoms.filter((_, other) => other !== k))}
            label={`Without ${atomWords(atom)}`}
          >
            Without
          </Action>
        </p>
      ))}
      {atoms.length < MOST_ATOMS && (
        <ChoiceField
          label={atoms.length === 0 ? 'What' : 'and'}
          value={null}
          empty="choose"
          choices={signals.flatMap((signal) => [
            { value: `${signal}+`, label: SIGNAL_WORDS[signal] },
            { value: `${signal}-`, label: `not ${SIGNAL_WORDS[signal]}` },
          ])}
          onChoose={(chosen) => {
            const next = { signal: chosen.slice(0, -1), is: chosen.endsWith('+') };
            if (!atoms.some(({ signal, is }) => signal === next.signal && is === next.is)) onChange([...atoms, next]);
          }}
        />
      )}
    </div>
  );
}
