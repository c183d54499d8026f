'use client';
import { type Resolver, type ResolverResult, useForm, useWatch } from 'react-hook-form';
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

/** What is typed so far: only that counts, so that a long figure that is shown short stays exact. */
interface Typed {
  readonly origin: Origin;
  readonly figures: Readonly<Record<string, string>>;
}

/** The part that it makes, once it holds together. */
interface Taken {
  readonly parts: readonly Part[];
}

/** The part as a whole against its Joi schema and its own sense, in the worker that reads files; each fault under the name of its figure. */
const resolverFor =
  (part: Part): Resolver<Typed, unknown, Taken> =>
  async ({ origin, figures }): Promise<ResolverResult<Typed, Taken>> => {
    const read = await checkPart(typedPart(part, new Map(Object.entries(figures)), origin));
    if (read.ok) return { values: { parts: read.parts }, errors: {} };
    const known = new Set(fieldsOfPart(part).map(({ path }) => path));
    const faults = read.errors.map(({ path, reason, remedy }, k) => {
      const bare = path.replace('line 1, ', '');
      return [`${k}`, { type: known.has(bare) ? labelOfField(bare) : bare, message: `${reason} ${remedy}` }] as const;
    });
    return { values: {}, errors: { root: Object.fromEntries(faults) } };
  };

/** A part's figures to type over. It is checked as a whole; until it holds together nothing is taken. */
export function PartEditor({ part, units, onDone }: { part: Part; units: UnitSystem; onDone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { control, formState, handleSubmit, setValue } = useForm<Typed, unknown, Taken>({
    defaultValues: { origin: 'plate', figures: {} },
    reValidateMode: 'onSubmit',
    resolver: resolverFor(part),
  });
  const { origin, figures } = useWatch({ control }) as Typed;
  const write = (path: string, text: string) => setValue('figures', { ...figures, [path]: text });
  const problems = Object.values(formState.errors.root ?? {}).flatMap((error) =>
    typeof error === 'object' ? [{ path: String(error.type), reason: error.message ?? '', remedy: '' }] : [],
  );
  const take = ({ parts }: Taken) => {
    if (dispatch({ edit: 'importParts', input: { parts } })) onDone();
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
          text={figures[field.path] ?? null}
          from={field.path in figures ? origin : part.origins?.[field.path]}
          units={units}
          onWrite={(text) => write(field.path, text)}
        />
      ))}
    </div>
  );
  return (
    <Panel title="A part of your own" about={PART_KINDS.find(({ kind }) => kind === part.kind)!.words.toLowerCase()}>
      <form onSubmit={(event) => void handleSubmit(take)(event)} noValidate>
        <ChoiceField
          label="What is typed now is"
          value={origin}
          choices={ORIGINS.filter((one) => one !== 'generic' && one !== 'unknown').map((value) => ({
            value,
            label: ORIGIN_WORDS[value],
          }))}
          onChoose={(value) => setValue('origin', value as Origin)}
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
