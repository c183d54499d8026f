'use client';
import { useState } from 'react';
import type { Problem } from '@/core/build';
import { ORIGINS, type Origin, PART_KINDS, type Part } from '@/core/parts';
import { linkForRmsV } from '@/core/physics/motor';
import type { UnitSystem } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { checkPart } from '@/workers/files';
import {
  dimensionOfField,
  fieldsOfPart,
  isQuick,
  labelOfField,
  nameOfField,
  type PartField,
  quickOrder,
  typedPart,
} from './part-fields';

export const ORIGIN_WORDS: Readonly<Record<Origin, string>> = {
  plate: 'read off its plate',
  sheet: 'from its data sheet',
  measured: 'measured',
  seller: 'the seller’s word',
  guess: 'guessed',
  generic: 'of a generic part',
  unknown: 'unknown',
};

/** What an optional figure is while nobody stated it. */
const UNSTATED = 'not stated';

/** A part's figures to type over. It is checked as a whole; until it holds together nothing is taken. */
export function PartEditor({ part, units, onDone }: { part: Part; units: UnitSystem; onDone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  // Only what is typed counts: a long figure that is shown short stays exact.
  const [texts, setTexts] = useState<ReadonlyMap<string, string>>(new Map());
  const [origin, setOrigin] = useState<Origin>('plate');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const write = (path: string, text: string) => setTexts(new Map(texts).set(path, text));

  const take = async () => {
    const read = await checkPart(typedPart(part, texts, origin));
    if (!read.ok) {
      setProblems(
        read.errors.map((error) => {
          const path = error.path.replace('line 1, ', '');
          return { ...error, path: fieldsOfPart(part).some((one) => one.path === path) ? labelOfField(path) : path };
        }),
      );
      return;
    }
    if (dispatch({ edit: 'importParts', input: { parts: read.parts } })) onDone();
  };

  const fields = fieldsOfPart(part);
  const quick = fields
    .filter(({ path }) => isQuick(part.kind, path))
    .sort((p, q) => quickOrder(part.kind, p.path) - quickOrder(part.kind, q.path));
  const others = fields.filter(({ path }) => !isQuick(part.kind, path));
  const shown = (list: readonly PartField[]) => (
    <div className="grid gap-x-8 min-[700px]:grid-cols-2">
      {list.map((field) => (
        <Figure
          key={field.path}
          field={field}
          text={texts.get(field.path) ?? null}
          from={texts.has(field.path) ? origin : part.origins?.[field.path]}
          units={units}
          onWrite={(text) => write(field.path, text)}
        />
      ))}
    </div>
  );
  return (
    <Panel title="A part of your own" about={PART_KINDS.find(({ kind }) => kind === part.kind)!.words.toLowerCase()}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <ChoiceField
          label="What is typed now is"
          value={origin}
          choices={ORIGINS.filter((one) => one !== 'generic' && one !== 'unknown').map((value) => ({
            value,
            label: ORIGIN_WORDS[value],
          }))}
          onChoose={(value) => setOrigin(value as Origin)}
        />
        {shown(quick)}
        {part.kind === 'motor' && (
          <QuantityField
            label="… or its plate says, rms between phases"
            dimension="voltage"
            system={units}
            value={null}
            empty="not read"
            note="sets the link that it is wound for"
            onCommit={(rmsV) => write('baseLinkV', String(Math.round(linkForRmsV(rmsV) * 10) / 10))}
          />
        )}
        <Fold head={<span className="font-semibold">More figures</span>}>{shown(others)}</Fold>
        {problems.length > 0 && (
          <div className="mt-2">
            <Problems title="These figures don’t hold together yet." problems={problems} />
          </div>
        )}
        <div className="mt-3 flex gap-2">
          <button
            type="submit"
            className="rounded-[3px] bg-strong px-4 py-2 font-tight text-lead font-semibold text-strong-ink"
          >
            Take it into the build
          </button>
          <Action onPress={onDone}>Leave it</Action>
        </div>
      </form>
    </Panel>
  );
}

function Figure({
  field,
  text,
  from,
  units,
  onWrite,
}: {
  field: PartField;
  /** As typed; null: untouched. */
  text: string | null;
  from: Origin | undefined;
  units: UnitSystem;
  onWrite: (text: string) => void;
}) {
  const { path, kind, emptied, choices } = field;
  const note = from === undefined || (from === 'unknown' && text === null) ? '' : ORIGIN_WORDS[from];
  // A figure that nobody knows is shown as that, not as the generic one in its place.
  const now = text ?? (from === 'unknown' ? '' : field.text);
  const dimension = kind === 'number' ? dimensionOfField(path) : null;
  if (dimension !== null)
    return (
      <QuantityField
        label={nameOfField(path)}
        value={now === '' ? null : Number(now)}
        dimension={dimension}
        system={units}
        empty={from === 'unknown' ? 'unknown' : UNSTATED}
        note={note}
        onCommit={(value) => onWrite(String(value))}
        {...(emptied ? { onClear: () => onWrite('') } : {})}
      />
    );
  if (kind === 'flag' || kind === 'choice')
    return (
      <ChoiceField
        label={labelOfField(path)}
        value={now || (emptied ? UNSTATED : null)}
        empty="unknown"
        choices={[
          ...(choices ?? ['yes', 'no']).map((value) => ({ value, label: value.replaceAll('-', ' ') })),
          ...(emptied ? [{ value: UNSTATED, label: UNSTATED }] : []),
        ]}
        onChoose={(value) => onWrite(value === UNSTATED ? '' : value)}
      />
    );
  return (
    <TextField
      label={labelOfField(path)}
      value={kind === 'number' && now !== '' ? String(Number(Number(now).toPrecision(6))) : now}
      onCommit={onWrite}
      clears={emptied !== undefined}
    />
  );
}
