import Papa from 'papaparse';
import type { Problem } from '../build';

/** How numbers are written: with a point and commas between fields, or with a comma and semicolons between fields. */
export type DecimalMark = '.' | ',';

const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;
const FORMULA_START = /^[=+\-@\t\r]/;
/** What a formula would start with, behind the apostrophe that `writeCsv` puts before it. */
const DISARMED = /^'(?=[=+\-@\t\r])/;

/**
 * A table as CSV text. A cell that a spreadsheet would run as a formula gets an apostrophe before it; numbers stay numbers.
 * Starts with a byte order mark, so that spreadsheets read it as UTF-8.
 */
export function writeCsv(
  rows: readonly (readonly (string | number | boolean | null)[])[],
  mark: DecimalMark = '.',
): string {
  const cell = (value: string | number | boolean | null): string => {
    if (value === null) return '';
    if (typeof value === 'number') return mark === ',' ? String(value).replace('.', ',') : String(value);
    const text = String(value);
    return FORMULA_START.test(text) && !NUMBER.test(text) ? `'${text}` : text;
  };
  const text = Papa.unparse(
    rows.map((row) => row.map(cell)),
    { delimiter: mark === ',' ? ';' : ',', newline: '\r\n' },
  );
  return `\uFEFF${text}\r\n`;
}

/** A row as read: its fields by column name, and where it stood. */
export interface CsvRow {
  readonly line: number;
  readonly fields: ReadonlyMap<string, string>;
}

export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly CsvRow[];
  readonly delimiter: string;
}

export const LARGEST_CSV_CHARACTERS = 5_000_000;
const MOST_ROWS = 20_000;
const DELIMITERS = [';', '\t', ',', '|'] as const;

/** The delimiter that splits the first lines into the most columns, the same number in each. */
function sniffDelimiter(text: string): string {
  const head = text.split(/\r?\n/).slice(0, 8).join('\n');
  let best: { delimiter: string; score: number } = { delimiter: ',', score: 0 };
  for (const delimiter of DELIMITERS) {
    const widths = Papa.parse(head, { delimiter, skipEmptyLines: 'greedy' }).data.map((row) => row.length);
    const first = widths[0] ?? 0;
    const even = widths.filter((width) => width === first).length;
    const score = first > 1 ? first * even : 0;
    if (score > best.score) best = { delimiter, score };
  }
  return best.delimiter;
}

const refuse = (path: string, reason: string, remedy: string): { ok: false; errors: Problem[] } => ({
  ok: false,
  errors: [{ path, reason, remedy }],
});

/** Reads CSV text with a heading line; the delimiter is found out. Column names are taken in lower case. */
export function readCsv(
  text: string,
): { readonly ok: true; readonly table: CsvTable } | { readonly ok: false; readonly errors: readonly Problem[] } {
  if (text.length > LARGEST_CSV_CHARACTERS)
    return refuse('(file)', 'is larger than 5 million characters.', 'Split it, or choose another file.');
  const bare = text.replace(/^\uFEFF/, '');
  const delimiter = sniffDelimiter(bare);
  const { data, errors } = Papa.parse(bare, { delimiter, skipEmptyLines: false });
  const quote = errors.find((error) => error.type === 'Quotes');
  if (quote)
    return refuse(
      `line ${(quote.row ?? 0) + 1}`,
      'has a quotation mark that is never closed.',
      'Close it, or save the table anew from the spreadsheet.',
    );
  const filled = data
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const heading = filled[0];
  if (!heading) return refuse('(file)', 'is empty.', 'Choose a table with a heading line.');
  if (filled.length - 1 > MOST_ROWS) return refuse('(file)', `has more than ${MOST_ROWS} rows.`, 'Split it.');
  const columns = heading.cells.map((cell) => cell.trim().toLowerCase());
  const twice = columns.find((column, i) => column !== '' && columns.indexOf(column) !== i);
  if (twice !== undefined)
    return refuse(`line ${heading.line}`, `names the column "${twice}" twice.`, 'Give each column its own name.');
  const rows = filled.slice(1).map(({ cells, line }): CsvRow => {
    const fields = new Map<string, string>();
    columns.forEach((column, i) => {
      const value = (cells[i] ?? '').trim().replace(DISARMED, '');
      if (column !== '' && value !== '') fields.set(column, value);
    });
    return { line, fields };
  });
  return { ok: true, table: { columns, rows, delimiter } };
}

/** A plain number with a decimal point or comma; undefined when it is none. "1,234.5" is not guessed at. */
export function readNumber(text: string): number | undefined {
  const bare = text.trim().replace(/^−/, '-');
  if (!NUMBER.test(bare)) return undefined;
  const value = Number(bare.replace(',', '.'));
  return Number.isFinite(value) ? value : undefined;
}
