'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { PART_KINDS, type Part, type PartKind } from '@/core/parts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { type Column, DataTable } from '../shell/data-table';
import { PartChoice } from '../shell/part-choice';
import { dimensionOfField, fieldsOfPart, nameOfField, type PartField } from './part-fields';

interface Row {
  readonly path: string;
  readonly label: string;
  readonly texts: readonly string[];
}

/** A figure as it reads in these units; “not stated” where there is none. */
function shown(field: PartField | undefined, system: UnitSystem): string {
  if (!field || field.text === '') return 'not stated';
  const dimension = field.kind === 'number' ? dimensionOfField(field.path) : null;
  return dimension === null ? field.text : formatQuantity({ value: Number(field.text), dimension }, system, 4).text;
}

/** The figures of parts of one kind, one beside the other; null: not stated. Those that differ first. */
export function comparedRows(parts: readonly Part[], system: UnitSystem): readonly Row[] {
  const fields = parts.map((part) => new Map(fieldsOfPart(part).map((field) => [field.path, field] as const)));
  const paths = [...new Set(fields.flatMap((one) => [...one.keys()]))].filter(
    (path) => path !== 'name' && path !== 'note',
  );
  const rows = paths.map(
    (path): Row => ({
      path,
      label: nameOfField(path),
      texts: parts.map((part, k) =>
        part.origins?.[path] === 'unknown' ? 'unknown' : shown(fields[k]!.get(path), system),
      ),
    }),
  );
  const differs = ({ texts }: Row) => new Set(texts).size > 1;
  return [...rows.filter(differs), ...rows.filter((row) => !differs(row))];
}

/** Two parts of a kind side by side: one’s own, fitted ones, and those of the catalogue. */
export function ComparePanel({ assessment: { build } }: { assessment: Assessment }) {
  const [kind, setKind] = useState<PartKind | null>(null);
  const [parts, setParts] = useState<readonly [Part | null, Part | null]>([null, null]);
  const [one, other] = parts;
  const chosen = parts.filter((part): part is Part => part !== null);
  const columns: readonly Column<Row>[] = [
    { id: 'figure', head: 'Figure', value: ({ label }) => label, cell: ({ label }) => label },
    ...chosen.map(
      (part, k): Column<Row> => ({
        id: `part-${k}`,
        head: part.name,
        value: ({ texts }) => texts[k] ?? null,
        cell: ({ texts }) =>
          new Set(texts).size > 1 ? (
            <b className="font-semibold">{texts[k]}</b>
          ) : (
            <span className="text-soft">{texts[k]}</span>
          ),
      }),
    ),
  ];
  return (
    <Panel title="Compare two parts" about="figure by figure; what differs stands first" className="mb-3">
      <ChoiceField
        label="Kind"
        value={kind}
        empty="a kind of part"
        choices={PART_KINDS.map((each) => ({ value: each.kind, label: each.words.toLowerCase() }))}
        onChoose={(next) => {
          setKind(next as PartKind);
          setParts([null, null]);
        }}
      />
      {kind && (
        <>
          <PartChoice
            key={`one ${kind}`}
            kind={kind}
            build={build}
            label="This one"
            value={one?.id ?? null}
            empty="choose a part"
            onChoose={(part) => setParts([part, other])}
          />
          <PartChoice
            key={`other ${kind}`}
            kind={kind}
            build={build}
            label="… and that one"
            value={other?.id ?? null}
            empty="choose a part"
            onChoose={(part) => setParts([one, part])}
          />
        </>
      )}
      {chosen.length === 2 && (
        <div className="mt-2">
          <DataTable
            label="Compared"
            rows={[...comparedRows(chosen, build.units)]}
            columns={columns}
            idOf={({ path }) => path}
          />
        </div>
      )}
    </Panel>
  );
}
