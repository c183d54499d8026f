import type { ValidationErrorItem } from 'joi';
import { oversized } from '../limits/limits';
import { migrate } from '../migrations';
import type { Problem } from '../problem';
import { checkReferences } from '../references';
import { type Build, FORMAT, VERSION } from '../types';
import { buildSchema } from './build-schema';

export type ReadBuild =
  | { readonly ok: true; readonly build: Build }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const MOST_ERRORS = 20;
/** Largest file that is read, bytes. */
export const LARGEST_FILE_BYTES = 20_000_000;

/** What to do about each kind of refusal, by Joi's code. */
const REMEDIES: Readonly<Record<string, string>> = {
  'any.required': 'Add this field; the sample builds show every field.',
  'any.only': 'Use one of the listed values.',
  'object.unknown': 'Remove this field or correct its spelling.',
  'number.base': 'Write a plain number without quotes or units; the unit is in the field name.',
  'number.infinity': 'Write a finite number.',
  'number.unsafe': 'Write a number of ordinary size.',
  'string.pattern.name': 'Ids are letters, digits, dots, dashes and underscores, 60 at most.',
  'object.pattern.match': 'Ids are letters, digits, dots, dashes and underscores, 60 at most.',
};

function problemOf(item: ValidationErrorItem): Problem {
  const path = item.path.map((key) => short(String(key))).join('.') || '(file)';
  const reason = item.message.replace(/^"[^"]*" /, '').slice(0, 300);
  return {
    path,
    reason: `${reason}.`.replace(/\.\.$/, '.'),
    remedy: REMEDIES[item.type] ?? 'Correct the value; the limits are in `ropeway schema`.',
  };
}

const FORBIDDEN_KEYS = new Set(['__proto__', 'prototype', 'constructor']);

/** More values than the largest build has, all its lists full; it is refused before anything is made of it. */
const MOST_VALUES = 2_000_000;
const DEEPEST = 30;
/** The longest list of a build has half as many. */
const MOST_KEYS = 20_000;
const short = (key: string): string => (key.length > 60 ? `${key.slice(0, 60)}…` : key);

/** Keys that reach into the prototype, nesting and numbers of values that no build has, are refused before anything reads the data. */
function hostile(document: object): Problem | undefined {
  let count = 0;
  const path: string[] = [];
  const at = () => path.map(short).slice(0, 4).join('.') || '(file)';
  const look = (value: unknown): Problem | undefined => {
    if (typeof value !== 'object' || value === null) return undefined;
    if (path.length > DEEPEST)
      return { path: at(), reason: 'is nested too deeply.', remedy: 'A build file has fewer than ten levels.' };
    // Of a list without keys only what is in it can be hostile: numbers are counted, not looked at one by one.
    const keys = Object.keys(value);
    if (keys.length > MOST_KEYS && !Array.isArray(value))
      return {
        path: at(),
        reason: `has ${keys.length} fields or entries.`,
        remedy: `No list of a build has more than ${MOST_KEYS / 2}: choose another file.`,
      };
    count += keys.length;
    if (count > MOST_VALUES)
      return {
        path: at(),
        reason: `has more than ${MOST_VALUES / 1e6} million values.`,
        remedy: 'A build file has far fewer: choose another file.',
      };
    for (const key of keys) {
      path.push(key);
      if (FORBIDDEN_KEYS.has(key))
        return {
          path: path.map(short).join('.'),
          reason: `the key "${key}" is not allowed.`,
          remedy: 'Remove it: no build needs it.',
        };
      const found = look((value as Record<string, unknown>)[key]);
      if (found) return found;
      path.pop();
    }
    return undefined;
  };
  return look(document);
}

/** From here on only the first fault is looked for: a list of a hundred thousand helps nobody. */
const FEW_VALUES = 60_000;

/** How many values a document has; counting ends beyond `most`. */
function valuesIn(value: unknown, most: number): number {
  let count = 0;
  const open = [value];
  while (open.length > 0 && count <= most) {
    const one = open.pop();
    if (typeof one !== 'object' || one === null) continue;
    const inside = Object.values(one);
    count += inside.length;
    if (count <= most) for (const inner of inside) open.push(inner);
  }
  return count;
}

/** Reads a build from data: migrated, validated, references checked. Nothing is half-read: either a build or the reasons. */
export function readBuild(data: unknown): ReadBuild {
  const refuse = (path: string, reason: string, remedy: string): ReadBuild => ({
    ok: false,
    errors: [{ path, reason, remedy }],
  });
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('(file)', 'is not a build: one JSON object is expected.', 'Choose a file that Ropeway exported.');
  const refused = hostile(data);
  if (refused) return { ok: false, errors: [refused] };
  const { format, version } = data as { format?: unknown; version?: unknown };
  if (format !== FORMAT) return refuse('format', `is not "${FORMAT}".`, 'Choose a file that Ropeway exported.');
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('version', 'is not a version number.', 'Choose a file that Ropeway exported.');
  if (version > VERSION)
    return refuse(
      'version',
      `${version} is newer than this program, which reads up to ${VERSION}.`,
      'Update Ropeway, then open the file again. It has not been changed.',
    );
  const migrated = migrate(data as { version: number });
  const sizes = oversized(migrated as unknown as Build);
  if (sizes.length > 0) return { ok: false, errors: sizes.slice(0, MOST_ERRORS) };
  const few = valuesIn(migrated, FEW_VALUES) <= FEW_VALUES;
  const { error, value } = buildSchema.validate(migrated, { abortEarly: !few, convert: false });
  if (error) return { ok: false, errors: error.details.slice(0, MOST_ERRORS).map(problemOf) };
  const build = value as Build;
  const dangling = checkReferences(build);
  return dangling.length > 0 ? { ok: false, errors: dangling.slice(0, MOST_ERRORS) } : { ok: true, build };
}

/** Reads a build from the text of a file. */
export function readBuildText(text: string): ReadBuild {
  const data = parseFile(text);
  return data.ok ? readBuild(data.data) : data;
}

type Parsed =
  | { readonly ok: true; readonly data: unknown }
  | { readonly ok: false; readonly errors: readonly Problem[] };

/** Data of a file’s text; a file that is too large or no JSON is told. */
export function parseFile(text: string, mostBytes = LARGEST_FILE_BYTES): Parsed {
  if (text.length > mostBytes)
    return {
      ok: false,
      errors: [
        {
          path: '(file)',
          reason: `is larger than ${mostBytes / 1e6} MB.`,
          remedy: 'A build file is far smaller: choose another file.',
        },
      ],
    };
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return {
      ok: false,
      errors: [
        {
          path: '(file)',
          reason: `is not readable JSON: ${(error as Error).message.slice(0, 120)}.`,
          remedy: 'The file is damaged or of another kind; choose an intact copy.',
        },
      ],
    };
  }
  return { ok: true, data };
}
