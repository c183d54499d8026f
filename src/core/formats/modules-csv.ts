import type { Problem, SalvagedModule } from '../build';
import { type DecimalMark, readCsv, readNumber, writeCsv } from './csv';

export type ReadModules =
  | { readonly ok: true; readonly modules: readonly SalvagedModule[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const COLUMNS = ['id', 'voltageV', 'capacityAh', 'resistanceOhm'] as const;
const ID = /^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/;
/** Names that every object inherits are no ids. */
const RESERVED: ReadonlySet<string> = new Set(['constructor', 'prototype', 'toString', 'valueOf', 'hasOwnProperty']);
const MOST_ERRORS = 20;

const LIMITS: Readonly<Record<string, readonly [number, number, string]>> = {
  voltageV: [0.01, 1000, 'V at rest'],
  capacityAh: [0.01, 10000, 'Ah, as measured'],
  resistanceOhm: [0, 10, 'Ω'],
};

/** Headings that people write, by what they mean. */
const LOOSE: Readonly<Record<(typeof COLUMNS)[number], RegExp>> = {
  id: /^(id|module|modul|name|no\.?|nr\.?|number)$/,
  voltageV: /^(volt|u\b|v$|ocv|rest)/,
  capacityAh: /^(cap|ah$|charge)/,
  resistanceOhm: /^(res|r\b|ri\b|ir\b|ohm|m?Ω|mohm)/i,
};
/** The heading of a table that holds this figure; undefined: none does, or more than one might. */
function columnOf(columns: readonly string[], wanted: (typeof COLUMNS)[number]): string | undefined {
  const exact = columns.find((column) => column === wanted.toLowerCase());
  const loose = columns.filter((column) => LOOSE[wanted].test(column.trim()));
  return exact ?? (loose.length === 1 ? loose[0] : undefined);
}

/**
 * Salvaged modules as measured: id; voltageV; capacityAh; resistanceOhm, one line each, or headings that mean the same; a resistance in mΩ where
 * its heading says so. All or none are taken.
 */
export function readModulesCsv(text: string): ReadModules {
  const read = readCsv(text);
  if (!read.ok) return read;
  const { columns, rows } = read.table;
  const found = new Map(COLUMNS.map((column) => [column, columnOf(columns, column)] as const));
  const missing = COLUMNS.filter((column) => found.get(column) === undefined);
  const times = /m(illi)?\s*(Ω|ω|ohm)/i.test(found.get('resistanceOhm') ?? '') ? 1e-3 : 1;
  if (missing.length > 0)
    return {
      ok: false,
      errors: [
        {
          path: 'line 1',
          reason: `lacks the ${missing.length === 1 ? 'column' : 'columns'} ${missing.join(', ')}.`,
          remedy: `The heading is ${COLUMNS.join('; ')}.`,
        },
      ],
    };
  if (rows.length === 0)
    return { ok: false, errors: [{ path: '(file)', reason: 'has no modules.', remedy: 'Write a line for each.' }] };
  const errors: Problem[] = [];
  const seen = new Set<string>();
  const modules = rows.map(({ line, fields }): SalvagedModule => {
    const id = fields.get(found.get('id')!) ?? '';
    if (!ID.test(id) || RESERVED.has(id) || id.startsWith('__'))
      errors.push({
        path: `line ${line}`,
        reason: `has no usable id ("${id.slice(0, 40)}").`,
        remedy: 'Letters, digits, dots and dashes, 60 at most.',
      });
    else if (seen.has(id))
      errors.push({ path: `line ${line}`, reason: `names the module "${id}" again.`, remedy: 'Each module once.' });
    seen.add(id);
    const figure = (column: 'voltageV' | 'capacityAh' | 'resistanceOhm'): number => {
      const [least, most, words] = LIMITS[column]!;
      const written = fields.get(found.get(column)!) ?? '';
      const bare = readNumber(written);
      const value = bare === undefined || column !== 'resistanceOhm' ? bare : bare * times;
      if (value === undefined || value < least || value > most) {
        errors.push({
          path: `line ${line}, ${column}`,
          reason: `"${written.slice(0, 40)}" is no ${words} from ${least} to ${most}.`,
          remedy: 'Write a plain number without a unit.',
        });
        return Number.NaN;
      }
      return value;
    };
    return {
      id,
      voltageV: figure('voltageV'),
      capacityAh: figure('capacityAh'),
      resistanceOhm: figure('resistanceOhm'),
    };
  });
  return errors.length > 0 ? { ok: false, errors: errors.slice(0, MOST_ERRORS) } : { ok: true, modules };
}

/** The same as CSV text. */
export const modulesCsv = (modules: readonly SalvagedModule[], mark: DecimalMark = '.'): string =>
  writeCsv([[...COLUMNS], ...modules.map((module) => COLUMNS.map((column) => module[column]))], mark);
