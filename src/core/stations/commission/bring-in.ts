import { isValid, parseISO } from 'date-fns';
import type { Build, Problem, StepResult } from '../../build';
import { DIMENSIONS, parseQuantity } from '../../quantities';
import { type Entered, entryOfReading, entryOfSkip } from './enter';
import { judgeLine, partIdOf, readOf, type Sheet, type SheetLine } from './sheets';
import { SHEET_WORDS } from './sheets-words';
import type { Step } from './step';

/** A line of a filled table, as it stood there. */
export interface TestRow {
  readonly line: number;
  readonly sheet: string;
  readonly id: string;
  readonly test: string;
  readonly read: string;
  readonly unit: string;
  readonly skipped: string;
  readonly by: string;
  readonly date: string;
  readonly note: string;
  readonly part: string;
  /** The table divides its columns by semicolons: a comma is a decimal mark in it. */
  readonly commaIsDecimal: boolean;
}

/** What a line changes: the sheet’s line as it stands, and as it will. */
export interface BroughtLine {
  readonly before: SheetLine;
  readonly after: SheetLine;
  readonly entry: StepResult;
}
export interface BroughtIn {
  readonly lines: readonly BroughtLine[];
  /** Lines that say what stands here already. */
  readonly same: number;
  readonly problems: readonly Problem[];
}

const YES = /^(yes|y|ok|true|as it should be|pass|passed)$/i;
const NO = /^(no|n|not ok|false|not so|fail|failed)$/i;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

type Understood = { readonly reading: Pick<StepResult, 'value' | 'ok'> } | { readonly problem: Problem };

/** What is written under “read”: a figure with its unit, or in the unit beside it; yes or no of what is looked at. */
function understand(step: Step, row: TestRow): Understood {
  const path = `line ${row.line}, ${step.name}`;
  if (step.dimension === null) {
    if (YES.test(row.read)) return { reading: { ok: true } };
    if (NO.test(row.read)) return { reading: { ok: false } };
    return {
      problem: { path, reason: `“${row.read.slice(0, 40)}” is neither yes nor no.`, remedy: 'Write yes or no.' },
    };
  }
  const { canonical } = DIMENSIONS[step.dimension];
  const unit = row.unit === '' ? canonical : row.unit;
  const probe = parseQuantity(`1 ${unit}`, step.dimension);
  if (!probe.ok) return { problem: { path, reason: probe.reason, remedy: probe.remedy } };
  const symbol = probe.unit === 'awg' ? canonical : probe.unit.symbol;
  const parsed = parseQuantity(row.read, step.dimension, symbol, row.commaIsDecimal ? 'decimal' : undefined);
  return parsed.ok
    ? { reading: { value: parsed.value } }
    : { problem: { path, reason: parsed.reason, remedy: parsed.remedy } };
}

const near = (p: number, r: number): boolean => Math.abs(p - r) <= 1e-9 * Math.max(Math.abs(p), Math.abs(r));

/**
 * Readings of a filled table against the sheets as they stand. Nothing is guessed: a line of another part, of a day to come, of no test,
 * or older than what stands here is told and left out. `who` is whom a line without a name and a day is put down to.
 */
export function bringIn(build: Build, sheets: readonly Sheet[], rows: readonly TestRow[], who: Entered): BroughtIn {
  const all = sheets.flatMap(({ lines }) => lines);
  const lines: BroughtLine[] = [];
  const problems: Problem[] = [];
  const taken = new Map<string, number>();
  let same = 0;
  for (const row of rows) {
    const told = (reason: string, remedy: string, name = row.test) =>
      void problems.push({ path: `line ${row.line}${name === '' ? '' : `, ${name}`}`, reason, remedy });
    const named = (line: SheetLine) =>
      line.step.name === row.test && (row.sheet === '' || SHEET_WORDS[line.step.sheet][0] === row.sheet);
    const before = row.id !== '' ? all.find(({ step }) => step.id === row.id) : only(all.filter(named));
    if (!before) {
      told(
        'is no test on the sheets of this build.',
        'The design has changed since, or it is of another build: look the test up and type it there.',
      );
      continue;
    }
    const { step, result } = before;
    const first = taken.get(step.id);
    if (first !== undefined) {
      told(`is the second line of this test, the first is line ${first}.`, 'Keep one of the two.', step.name);
      continue;
    }
    taken.set(step.id, row.line);
    const understood = row.read === '' ? null : understand(step, row);
    if (understood && 'problem' in understood) {
      problems.push(understood.problem);
      continue;
    }
    const reading = understood?.reading ?? null;
    if (reading ? stands(step, result, reading, row) : result?.skipped === row.skipped) {
      same += 1;
      continue;
    }
    if (row.date !== '' && !(DAY.test(row.date) && isValid(parseISO(row.date)))) {
      told(`“${row.date}” is no day.`, 'Write the day as 2026-05-04: year, month, day.', step.name);
      continue;
    }
    if (!reading && (before.state === 'pass' || before.state === 'out')) {
      told(
        'is skipped, and a reading stands here.',
        'The reading stays; take it off the sheet first if it is none.',
        step.name,
      );
      continue;
    }
    const date = row.date === '' ? who.date : row.date;
    if (date > who.date) {
      told(`is of ${date}, which is still to come.`, 'Correct the day, or set the clock of this device.', step.name);
      continue;
    }
    if (result && date < result.date) {
      told(
        `is of ${date}, and what stands here is of ${result.date}.`,
        'The newer one stays; take it off the sheet first if it is wrong.',
        step.name,
      );
      continue;
    }
    const partId = partIdOf(build, step);
    if (row.part !== '' && partId !== null && row.part !== partId) {
      told('was read on another part than the one that is there now.', 'Read it again on this one.', step.name);
      continue;
    }
    const by = { by: row.by === '' ? who.by : row.by, date };
    const entry = reading
      ? entryOfReading(build, before, by, {
          ...reading,
          ...(row.note === '' ? {} : { note: row.note }),
        })
      : entryOfSkip(build, before, by, row.skipped);
    // A reading without a band closes its line only with a reason.
    const whole = reading && row.skipped !== '' ? { ...entry, skipped: row.skipped } : entry;
    lines.push({ before, after: judgeLine(step, whole, partId), entry: whole });
  }
  return { lines, same, problems };
}

/** What is read is what stands here: exported, and brought back as it was. */
function stands(
  step: Step,
  result: StepResult | null,
  reading: Pick<StepResult, 'value' | 'ok'>,
  row: TestRow,
): boolean {
  if (!result || (row.date !== '' && row.date !== result.date)) return false;
  if (reading.ok !== undefined) return result.ok === reading.ok;
  const read = readOf(step, result);
  return read !== null && reading.value !== undefined && near(read, reading.value);
}

/** The one that it can be; several: none. */
const only = <T>(found: readonly T[]): T | undefined => (found.length === 1 ? found[0] : undefined);
