import type { Build, Edit, Problem } from '../build';
import { type Field, PART_KINDS, type Part } from '../parts';
import type { Change } from './cables-csv';
import { type CsvTable, type DecimalMark, readCsv, readNumber, writeCsv } from './csv';

/**
 * Parts as a table: a column for each field, nested ones with a dot, lists with spaces ("14 8 5.2"), pairs
 * of a carry table as "35:180 70:250". An empty cell of a field that may be null means null.
 */
const FIRST = ['kind', 'id', 'name', 'provenance'];

type Scalar = string | number | boolean | null;

function flatten(part: Part): Map<string, Scalar> {
  const flat = new Map<string, Scalar>();
  for (const [key, value] of Object.entries(part) as [string, unknown][]) {
    if (key === 'origins')
      flat.set(
        key,
        Object.entries(value as object)
          .map(([path, origin]) => `${path}:${origin}`)
          .join(' '),
      );
    else if (Array.isArray(value))
      flat.set(
        key,
        value.map((entry) => (typeof entry === 'object' ? Object.values(entry).join(':') : String(entry))).join(' '),
      );
    else if (typeof value === 'object' && value !== null)
      for (const [inner, entry] of Object.entries(value)) flat.set(`${key}.${inner}`, entry as Scalar);
    else flat.set(key, value as Scalar);
  }
  return flat;
}

/** Parts as CSV, one line each. */
export function partsCsv(parts: readonly Part[], mark: DecimalMark = '.'): string {
  const flat = parts.map(flatten);
  const others = [...new Set(flat.flatMap((fields) => [...fields.keys()]))].filter((key) => !FIRST.includes(key));
  const columns = [...FIRST, ...others];
  return writeCsv([columns, ...flat.map((fields) => columns.map((column) => fields.get(column) ?? null))], mark);
}

const FIELDS: readonly (readonly [string, Field])[] = PART_KINDS.flatMap(({ fields }) => Object.entries<Field>(fields));
const named = (pick: (field: Field) => boolean): ReadonlySet<string> =>
  new Set(FIELDS.flatMap(([name, field]) => (pick(field) ? [name] : [])));

/** Rows of numbers. */
const LISTS = named(({ is }) => is === 'row');
/** Tables of two columns, and the names of the two. */
const PAIRS: ReadonlyMap<string, readonly string[]> = new Map(
  FIELDS.flatMap(([name, field]) => (field.is === 'table' ? [[name, Object.keys(field.columns)] as const] : [])),
);
/** Fields that may be null: an empty cell means null there. */
const MAY_BE_NULL: ReadonlyMap<string, readonly string[]> = new Map(
  PART_KINDS.map(({ kind, fields }) => [
    kind,
    Object.entries<Field>(fields).flatMap(([name, { unstated }]) => (unstated ? [name] : [])),
  ]),
);
const TEXTS: ReadonlySet<string> = new Set([
  'kind',
  'id',
  'name',
  'note',
  'provenance',
  ...named(({ is }) => is === 'choice'),
]);

function cellValue(key: string, text: string): unknown {
  if (key === 'origins')
    return Object.fromEntries(
      text.split(/\s+/).map((entry) => [...entry.split(':'), ''].slice(0, 2) as [string, string]),
    );
  if (TEXTS.has(key)) return text;
  const pair = PAIRS.get(key);
  if (pair)
    return text.split(/\s+/).map((entry) => {
      const [first, second] = entry.split(':').map((half) => readNumber(half));
      return { [pair[0]!]: first, [pair[1]!]: second };
    });
  if (LISTS.has(key)) return text.split(/\s+/).map((entry) => readNumber(entry) ?? entry);
  if (/^(true|false|yes|no)$/i.test(text)) return /^(true|yes)$/i.test(text);
  return readNumber(text) ?? text;
}

/** Column names come in lower case: the fields' own spelling. */
const SPELLING: ReadonlyMap<string, string> = new Map(
  [
    ...FIRST,
    'note',
    'origins',
    ...FIELDS.flatMap(([name, field]) =>
      field.is === 'group' ? Object.keys(field.of).map((inner) => `${name}.${inner}`) : [name],
    ),
  ].map((key) => [key.toLowerCase(), key]),
);

/** Each row of a table as a part to be; what it is not, the schema says. */
export function rawParts(table: CsvTable): { line: number; data: Record<string, unknown> }[] {
  return table.rows.map(({ line, fields }) => {
    const data: Record<string, unknown> = {};
    for (const [column, text] of fields) {
      const key = SPELLING.get(column) ?? column;
      const [outer, inner] = key.split('.') as [string, string | undefined];
      if (inner === undefined) data[outer] = cellValue(outer, text);
      else {
        const nested = Object.hasOwn(data, outer) ? (data[outer] as Record<string, unknown>) : {};
        nested[inner] = cellValue(inner, text);
        data[outer] = nested;
      }
    }
    for (const key of MAY_BE_NULL.get(String(data.kind)) ?? []) if (!Object.hasOwn(data, key)) data[key] = null;
    data.provenance ??= 'own';
    return { line, data };
  });
}

export type PartsPreview =
  | {
      readonly ok: true;
      readonly fresh: readonly Part[];
      readonly changes: readonly Change[];
      readonly same: number;
      readonly edit: Edit | null;
    }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const shown = (value: Scalar | undefined): string => (value === undefined || value === null ? 'none' : String(value));

/** What a list of parts would add and change in a build, field by field. */
export function previewParts(parts: readonly Part[], build: Build): PartsPreview {
  const changes: Change[] = [];
  const fresh: Part[] = [];
  const taken: Part[] = [];
  let same = 0;
  for (const part of parts) {
    const known = Object.hasOwn(build.parts, part.id) ? build.parts[part.id] : undefined;
    if (!known) {
      fresh.push(part);
      taken.push(part);
      continue;
    }
    const before = flatten(known);
    const after = flatten(part);
    const different = [...new Set([...before.keys(), ...after.keys()])].filter(
      (key) => before.get(key) !== after.get(key),
    );
    if (different.length === 0) same++;
    else taken.push(part);
    for (const key of different)
      changes.push({ subject: known.name, what: key, before: shown(before.get(key)), after: shown(after.get(key)) });
  }
  return {
    ok: true,
    fresh,
    changes,
    same,
    edit: taken.length === 0 ? null : { edit: 'importParts', input: { parts: taken } },
  };
}

export { readCsv };
