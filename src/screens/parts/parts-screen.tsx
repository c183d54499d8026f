'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { usersOfPart } from '@/core/build';
import { buildFileName, partsCsv } from '@/core/formats';
import { CATALOGUE, PART_KINDS, type Part, type PartKind } from '@/core/parts';
import { freshId, useBench } from '@/store/bench';
import { Action, decimalMark, download, FileAction } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { readPartsFile } from '@/workers/files';
import { ImportPreviewPanel, type Preview } from '../shell/import-preview';
import { groupOfPart } from '../shell/part-choices';
import { PageHead, useSheet } from '../shell/shell';
import { ComparePanel } from './compare-panel';
import { InHandPanel } from './in-hand-panel';
import { MeasuredPanel } from './measured-panel';
import { PartEditor } from './part-editor';
import { ownCopy, unknownPart } from './part-fields';
import { canBeTried, TryPanel } from './try-panel';

const CATALOGUE_IDS = new Set(CATALOGUE.map(({ id }) => id));
const isCatalogue = ({ id }: Part): boolean => CATALOGUE_IDS.has(id);
const wordsOf = (kind: PartKind): string => PART_KINDS.find((one) => one.kind === kind)!.words;
const FROM: Readonly<Record<Part['provenance'], string>> = {
  generic: 'generic',
  'data-sheet': 'data sheet',
  measured: 'measured',
  own: 'own',
};

export function PartsScreen() {
  return <Sheet assessment={useSheet().assessment} />;
}

function Sheet({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const [preview, setPreview] = useState<Preview | null>(null);
  const [editing, setEditing] = useState<Part | null>(null);
  const [trying, setTrying] = useState<Part | null>(null);
  const parts = Object.values(build.parts);
  const onFile = async (file: File) => {
    const read = await readPartsFile(file, build).catch((error: Error) => ({
      ok: false as const,
      errors: [{ path: '(file)', reason: `could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' }],
    }));
    setPreview(
      read.ok
        ? { file: file.name, fresh: read.fresh.map((part) => part.name), changes: read.changes, edit: read.edit }
        : { file: file.name, errors: read.errors },
    );
  };
  const copy = (part: Part): Part => ownCopy(part, `own-${freshId()}`);
  return (
    <>
      <PageHead name="Parts" about="What this build is made of. Its figures win over the catalogue’s." />
      <div className="mb-3 flex flex-wrap gap-2">
        <Action
          onPress={() => download(partsCsv(parts, decimalMark()), buildFileName(build.name, '-parts.csv'), 'text/csv')}
        >
          Export these parts
        </Action>
        <Action onPress={() => download(partsCsv(CATALOGUE, decimalMark()), 'catalogue-parts.csv', 'text/csv')}>
          Export the catalogue
        </Action>
        <FileAction accept=".csv,.txt,text/csv" label="Parts list" onFile={(file) => void onFile(file)}>
          Bring a parts list in
        </FileAction>
      </div>
      {preview && (
        <div className="mb-3">
          <ImportPreviewPanel preview={preview} onDone={() => setPreview(null)} />
        </div>
      )}
      <div className="mb-3">
        <InHandPanel assessment={assessment} />
      </div>
      <div className="mb-3">
        <MeasuredPanel assessment={assessment} />
      </div>
      {editing ? (
        <div className="mb-3">
          <PartEditor key={editing.id} part={editing} units={build.units} onDone={() => setEditing(null)} />
        </div>
      ) : (
        <Panel title="Make a part of your own" className="mb-3">
          <ChoiceField
            label="From nothing"
            value={null}
            empty="a kind of part"
            choices={PART_KINDS.map(({ kind, words }) => ({ value: kind, label: words.toLowerCase() }))}
            onChoose={(kind) => {
              const like = CATALOGUE.find((part) => part.kind === kind);
              if (like) setEditing(unknownPart(like, `own-${freshId()}`));
            }}
          />
          <ChoiceField
            label="Like"
            value={null}
            empty="a catalogue part"
            choices={CATALOGUE.map((part) => ({
              value: part.id,
              label: part.name,
              group: `${wordsOf(part.kind)}${groupOfPart(part) ? `: ${groupOfPart(part)}` : ''}`,
            }))}
            onChoose={(id) => {
              const part = CATALOGUE.find((candidate) => candidate.id === id);
              if (part) setEditing(copy(part));
            }}
          />
        </Panel>
      )}
      <ComparePanel assessment={assessment} />
      {trying ? (
        <div className="mb-3">
          <TryPanel key={trying.id} assessment={assessment} part={trying} onDone={() => setTrying(null)} />
        </div>
      ) : (
        <Panel
          title="Will it live with this build?"
          about="any part, tried on the model before money is spent"
          className="mb-3"
        >
          <ChoiceField
            label="Part"
            value={null}
            empty="choose a part"
            choices={[...parts.filter((part) => !isCatalogue(part)), ...CATALOGUE].filter(canBeTried).map((part) => ({
              value: part.id,
              label: part.name,
              group: isCatalogue(part) ? wordsOf(part.kind) : 'Of this build',
            }))}
            onChoose={(id) => setTrying(build.parts[id] ?? CATALOGUE.find((part) => part.id === id) ?? null)}
          />
        </Panel>
      )}
      {PART_KINDS.map(({ kind, words: title }) => {
        const listed = parts.filter((part) => part.kind === kind);
        return listed.length === 0 ? null : (
          <Panel key={kind} title={title} className="mb-3">
            <ul>
              {listed.map((part) => (
                <PartRow
                  key={part.id}
                  part={part}
                  users={usersOfPart(build, part.id)}
                  onTry={canBeTried(part) ? () => setTrying(part) : null}
                  onEdit={() => setEditing(part.provenance === 'generic' ? copy(part) : part)}
                />
              ))}
            </ul>
          </Panel>
        );
      })}
      {parts.length === 0 && (
        <p className="text-soft">No parts yet: they come with the circuit in Pack, or from a list.</p>
      )}
    </>
  );
}

function PartRow({
  part,
  users,
  onEdit,
  onTry,
}: {
  part: Part;
  users: readonly string[];
  onEdit: () => void;
  onTry: (() => void) | null;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <li data-part={part.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
      <span className="min-w-0 font-semibold">{part.name}</span>
      <span className="text-small text-soft">
        {FROM[part.provenance]},{' '}
        {users.length === 0 ? 'not used' : users.length > 3 ? `${users.length} uses` : users.join(', ')}
      </span>
      <span className="ml-auto flex">
        {onTry && users.length === 0 && (
          <Action look="quiet" label={`Try ${part.name}`} onPress={onTry}>
            Try it
          </Action>
        )}
        <Action
          look="quiet"
          label={`${part.provenance === 'generic' ? 'Own copy of' : 'Change'} ${part.name}`}
          onPress={onEdit}
        >
          {part.provenance === 'generic' ? 'Own copy' : 'Change'}
        </Action>
        {users.length === 0 && (
          <Action
            look="quiet"
            label={`Remove ${part.name}`}
            onPress={() => dispatch({ edit: 'removePart', input: { partId: part.id } })}
          >
            Remove
          </Action>
        )}
      </span>
    </li>
  );
}
