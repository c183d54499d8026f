import type { Assessment } from '../assess';
import type { Problem } from '../build';
import { type DecimalMark, readCsv, writeCsv } from '../formats';
import { DIMENSIONS, inUnits } from '../quantities';
import { SHEET_WORDS, type TestRow } from '../stations/commission';

const HEADS = [
  'sheet',
  'id',
  'test',
  'probes',
  'switches',
  'quantity',
  'unit',
  'least',
  'expected',
  'most',
  'read',
  'state',
  'skipped',
  'by',
  'date',
  'note',
  'part',
] as const;

/** Every test with its band and what was read, one line each; filled in at the car it is read again. */
export const testsCsv = ({ results, build }: Assessment, mark: DecimalMark): string =>
  writeCsv(
    [
      [...HEADS],
      ...results.commission.sheets.flatMap(({ id, lines }) =>
        lines.map(({ step, result, read, state }) => [
          SHEET_WORDS[id][0],
          step.id,
          step.name,
          inUnits(step.where, build.units),
          inUnits(step.switches, build.units),
          step.dimension ?? 'yes or no',
          step.dimension === null ? '' : DIMENSIONS[step.dimension].canonical,
          step.low,
          step.expected,
          step.high,
          read ?? (result?.ok === undefined ? null : result.ok ? 'yes' : 'no'),
          state,
          result?.skipped ?? '',
          result?.by ?? '',
          result?.date ?? '',
          result?.note ?? '',
          result?.partId ?? '',
        ]),
      ),
    ],
    mark,
  );

export type TestsRead =
  | { readonly ok: true; readonly rows: readonly TestRow[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

/** A table of tests that was filled in: lines with something read, or with a reason why it was not. Nothing is understood yet. */
export function readTestsCsv(text: string): TestsRead {
  const table = readCsv(text);
  if (!table.ok) return table;
  const { columns, rows, delimiter } = table.table;
  const lacking = ['test', 'read'].filter(
    (head) => !columns.includes(head) && !(head === 'test' && columns.includes('id')),
  );
  const refuse = (path: string, reason: string, remedy: string): TestsRead => ({
    ok: false,
    errors: [{ path, reason, remedy }],
  });
  if (lacking.length > 0)
    return refuse(
      'line 1',
      `has no column “${lacking[0]}”.`,
      'Save the sheets as a table here, fill in the columns “read”, “by” and “date”, and bring that table in.',
    );
  const filled = rows.flatMap(({ line, fields }): TestRow[] => {
    const of = (head: (typeof HEADS)[number], most = 200) => (fields.get(head) ?? '').slice(0, most);
    const row: TestRow = {
      line,
      sheet: of('sheet'),
      id: of('id'),
      test: of('test'),
      read: of('read'),
      unit: of('unit', 20),
      skipped: of('skipped', 300),
      by: of('by', 60),
      date: of('date', 20),
      note: of('note', 300),
      part: of('part', 60),
      commaIsDecimal: delimiter === ';',
    };
    return row.read === '' && row.skipped === '' ? [] : [row];
  });
  if (filled.length === 0)
    return refuse(
      '(file)',
      'has nothing in its column “read”.',
      'Fill in what the meter showed, with its unit or in the unit beside it.',
    );
  return { ok: true, rows: filled };
}
