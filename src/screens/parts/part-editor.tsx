'use client';
import { useState } from 'react';
import type { Problem } from '@/core/build';
import type { Part } from '@/core/parts';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { Select } from '@/ui/select';
import { checkPart } from '@/workers/files';
import { fieldsOfPart, partWith } from './part-fields';

const PROVENANCES = [
  ['own', 'my own figures'],
  ['data-sheet', 'from its data sheet'],
  ['measured', 'measured'],
  ['generic', 'generic'],
] as const;

/** What an optional figure is while nobody stated it. */
const UNSTATED = 'not stated';

/** A part's figures to type over. It is checked as a whole; until it holds together nothing is taken. */
export function PartEditor({ part, onDone }: { part: Part; onDone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  // Only what is typed counts: a long figure that is shown short stays exact.
  const [texts, setTexts] = useState<ReadonlyMap<string, string>>(new Map());
  const [provenance, setProvenance] = useState(part.provenance);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const write = (path: string, text: string) => setTexts(new Map(texts).set(path, text));

  const take = async () => {
    const read = await checkPart({ ...partWith(part, texts), provenance });
    if (!read.ok) {
      setProblems(read.errors.map((error) => ({ ...error, path: error.path.replace('line 1, ', '') })));
      return;
    }
    if (dispatch({ edit: 'importParts', input: { parts: read.parts } })) onDone();
  };

  return (
    <Panel title="A part of your own" about={part.kind}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <div className="grid gap-x-8 min-[700px]:grid-cols-2">
          {fieldsOfPart(part).map(({ path, label, kind, text, emptied, choices }) => (
            <div
              key={path}
              className="flex items-baseline justify-between gap-3 border-b border-dotted border-rule py-1"
            >
              <label htmlFor={`field-${path}`} className="text-soft">
                {label}
              </label>
              {kind === 'flag' || kind === 'choice' ? (
                <Select
                  id={`field-${path}`}
                  label={label}
                  value={(texts.get(path) ?? text) || (emptied ? UNSTATED : null)}
                  choices={[
                    ...(choices ?? ['yes', 'no']).map((value) => ({ value, label: value.replaceAll('-', ' ') })),
                    ...(emptied ? [{ value: UNSTATED, label: UNSTATED }] : []),
                  ]}
                  onChoose={(value) => write(path, value === UNSTATED ? '' : value)}
                />
              ) : (
                <input
                  id={`field-${path}`}
                  placeholder={emptied ? UNSTATED : ''}
                  value={
                    texts.get(path) ??
                    (kind === 'number' && text !== '' ? String(Number(Number(text).toPrecision(6))) : text)
                  }
                  onChange={(event) => write(path, event.currentTarget.value)}
                  className={`min-w-0 bg-transparent text-right font-semibold placeholder:font-normal placeholder:text-soft ${kind === 'number' ? 'w-28' : 'flex-1'}`}
                />
              )}
            </div>
          ))}
          <ChoiceField
            label="Figures are"
            value={provenance}
            choices={PROVENANCES.map(([value, label]) => ({ value, label }))}
            onChoose={(value) => setProvenance(value as Part['provenance'])}
          />
        </div>
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
