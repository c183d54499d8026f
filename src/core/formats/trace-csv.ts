import Papa from 'papaparse';
import type { Problem, TraceKind } from '../build';
import { readNumber } from './csv';

export interface ReadTrace {
  readonly timesS: readonly number[];
  /** In V, Pa or °C, as the kind has it. */
  readonly values: readonly number[];
  /** What the heading called them; empty: it has none. */
  readonly heads: readonly [string, string];
}
export type TraceRead =
  | { readonly ok: true; readonly trace: ReadTrace }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const MOST_ROWS = 200_000;
const LARGEST_CHARACTERS = 10_000_000;

/** Units behind a heading, as “time (ms)” or “U/kV”, to s and to V, Pa or °C. */
const TIME: Readonly<Record<string, number>> = {
  s: 1,
  sec: 1,
  seconds: 1,
  ms: 1e-3,
  us: 1e-6,
  µs: 1e-6,
  ns: 1e-9,
  min: 60,
  h: 3600,
};
const VALUE: Readonly<Record<string, number>> = {
  v: 1,
  volt: 1,
  volts: 1,
  mv: 1e-3,
  kv: 1e3,
  pa: 1,
  hpa: 100,
  mbar: 100,
  kpa: 1000,
  bar: 1e5,
  inhg: 3386.389,
  c: 1,
  '°c': 1,
};
const unitOf = (head: string): string =>
  (head.match(/[([/]\s*([°\wµ]+)\s*[)\]]?\s*$/)?.[1] ?? head.trim().split(/\s+/).at(-1) ?? '').toLowerCase();

const refuse = (path: string, reason: string, remedy: string): TraceRead => ({
  ok: false,
  errors: [{ path, reason, remedy }],
});

/**
 * A course from an oscilloscope or a logger: time and value in the first two columns that hold numbers, with or without lines above them.
 * Without a unit in the heading: seconds, and volts, pascals or degrees by its kind.
 */
export function readTraceCsv(text: string, kind: TraceKind): TraceRead {
  if (text.length > LARGEST_CHARACTERS)
    return refuse('(file)', 'is larger than 10 million characters.', 'Export less of it, or fewer points.');
  const bare = text.replace(/^\uFEFF/, '');
  const delimiter = [';', '\t', ','].find((one) => bare.split(/\r?\n/, 40).some((line) => numbersIn(line, one) >= 2));
  if (delimiter === undefined)
    return refuse('(file)', 'has no two columns of numbers.', 'Export it as CSV: time and value in each line.');
  const { data } = Papa.parse(bare, { delimiter, skipEmptyLines: false });
  const isRow = (cells: readonly string[]) =>
    readNumber(cells[0] ?? '') !== undefined && readNumber(cells[1] ?? '') !== undefined;
  const first = data.findIndex(isRow);
  if (first < 0)
    return refuse('(file)', 'has no line of time and value.', 'Time is the first column, the value the second.');
  if (data.length - first > MOST_ROWS)
    return refuse('(file)', `has more than ${MOST_ROWS} lines.`, 'Export fewer points.');
  const heading = data[first - 1] ?? [];
  const heads: readonly [string, string] = [(heading[0] ?? '').trim(), (heading[1] ?? '').trim()];
  const perTime = TIME[unitOf(heads[0])] ?? 1;
  const valueUnit = unitOf(heads[1]);
  const fahrenheit = kind === 'temperature' && (valueUnit === 'f' || valueUnit === '°f');
  const perValue = VALUE[valueUnit] ?? 1;
  const timesS: number[] = [];
  const values: number[] = [];
  const errors: Problem[] = [];
  for (let k = first; k < data.length && errors.length < 8; k++) {
    const cells = data[k]!;
    if (cells.every((cell) => cell.trim() === '')) continue;
    const time = readNumber(cells[0] ?? '');
    const value = readNumber(cells[1] ?? '');
    if (time === undefined || value === undefined) {
      errors.push({
        path: `line ${k + 1}`,
        reason: `“${cells.slice(0, 2).join(delimiter).slice(0, 60)}” is no time and value.`,
        remedy: 'Take the line out, or export it again.',
      });
      continue;
    }
    const timeS = time * perTime;
    const last = timesS.at(-1);
    if (last !== undefined && timeS <= last) {
      errors.push({
        path: `line ${k + 1}`,
        reason: `time goes ${timeS === last ? 'nowhere' : 'backwards'}: ${timeS} s after ${last} s.`,
        remedy: 'The clock was set meanwhile, or two records are joined: keep one of them.',
      });
      continue;
    }
    timesS.push(timeS);
    values.push(fahrenheit ? ((value - 32) * 5) / 9 : value * perValue);
  }
  if (errors.length > 0) return { ok: false, errors };
  if (timesS.length < 2) return refuse('(file)', 'has a single point.', 'Export the whole course.');
  return { ok: true, trace: { timesS, values, heads } };
}

const numbersIn = (line: string, delimiter: string): number => {
  const cells = line.split(delimiter);
  return cells.length >= 2 && readNumber(cells[0]!) !== undefined && readNumber(cells[1]!) !== undefined ? 2 : 0;
};
