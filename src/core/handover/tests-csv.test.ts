import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9, larkspur } from '../build/samples';
import { bringIn, partIdOf, type SheetLine } from '../stations/commission';
import { readTestsCsv, testsCsv } from './tests-csv';

const WHO = { by: 'A. Tester', date: '2026-07-01' };
const sheetsOf = (build: Build) => assess(build).results.commission.sheets;
const linesOf = (build: Build): readonly SheetLine[] => sheetsOf(build).flatMap(({ lines }) => lines);
const bring = (build: Build, text: string) => {
  const read = readTestsCsv(text);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  return bringIn(build, sheetsOf(build), read.rows, WHO);
};
const table = (...rows: readonly (readonly string[])[]) =>
  ['id;read;unit;skipped;by;date;part', ...rows.map((row) => row.join(';'))].join('\n');

const firn = firn9();
const blank: Build = applyEdit(firn, {
  edit: 'dropFromCommission',
  input: { list: 'results', id: Object.keys(firn.commission!.results!)[0]! },
}).build;
/** A line with volts that has a band on both sides, and one that is looked at. */
const volts = linesOf(firn).find(
  ({ step }) => step.dimension === 'voltage' && step.low !== null && step.high !== null && step.expected !== null,
)!.step;
const ohms = linesOf(firn).find(({ step }) => step.dimension === 'resistance' && step.low !== null)!.step;
const looked = linesOf(firn).find(({ step }) => step.dimension === null)!.step;

describe('test sheets as a table', () => {
  test.each([',', '.'] as const)(
    'saved with the mark “%s” and brought back: all stands here already, nothing changes',
    (mark) => {
      for (const build of [firn, larkspur()]) {
        const text = testsCsv(assess(build), mark);
        const { lines, same, problems } = bring(build, text);
        const entered = linesOf(build).filter(
          ({ read, result }) => read !== null || result?.ok !== undefined || result?.skipped !== undefined,
        );
        expect(entered.length).toBeGreaterThan(10);
        expect(problems).toEqual([]);
        expect(lines).toEqual([]);
        expect(same).toBe(entered.length);
      }
    },
  );

  test('what was taken off comes back as it was, with its day, its name and its note', () => {
    const [id, result] = Object.entries(firn.commission!.results!)[0]!;
    expect(blank.commission!.results![id]).toBeUndefined();
    const { lines, problems } = bring(blank, testsCsv(assess(firn), '.'));
    expect(problems).toEqual([]);
    expect(lines.map(({ entry }) => [entry.id, entry.value, entry.ok, entry.date, entry.by, entry.note])).toEqual([
      [id, result.value, result.ok, result.date, result.by, result.note],
    ]);
    const back = applyEdit(blank, {
      edit: 'putInCommission',
      input: { list: 'results', entries: lines.map(({ entry }) => entry) },
    }).build;
    expect(linesOf(back).find(({ step }) => step.id === id)!.state).toBe(
      linesOf(firn).find(({ step }) => step.id === id)!.state,
    );
  });

  test('a figure has its own unit, or the one beside it, or that of the sheet; a decimal comma counts', () => {
    const after = (row: readonly string[]) => bring(firn, table(row)).lines[0]?.entry.value;
    expect(after([volts.id, '12.5', '', '', '', ''])).toBe(12.5);
    expect(after([volts.id, '12,5', 'V', '', '', ''])).toBe(12.5);
    expect(after([volts.id, '12500', 'mV', '', '', ''])).toBe(12.5);
    expect(after([volts.id, '0.0125 kV', 'mV', '', '', ''])).toBeCloseTo(12.5, 12);
    expect(after([ohms.id, '1,150', 'MΩ', '', '', ''])).toBeCloseTo(1.15e6, 3);
  });

  test('it is judged as if it were typed on the sheet', () => {
    const out = volts.high! * 2;
    const { lines } = bring(
      firn,
      table([volts.id, String(out), 'V', '', 'B. Second', '2026-06-30'], [looked.id, 'no', '', '', '', '']),
    );
    expect(lines.map(({ after }) => [after.step.id, after.state, after.side])).toEqual([
      [volts.id, 'out', 'high'],
      [looked.id, 'out', 'not'],
    ]);
    expect(lines.map(({ entry }) => [entry.by, entry.date])).toEqual([
      ['B. Second', '2026-06-30'],
      [WHO.by, WHO.date],
    ]);
  });

  const told = (...rows: readonly (readonly string[])[]) => {
    const { lines, problems } = bring(firn, table(...rows));
    expect(lines).toEqual([]);
    expect(problems).toHaveLength(1);
    return `${problems[0]!.path}: ${problems[0]!.reason}`;
  };
  test('what can’t be meant is left out with its line, and says why', () => {
    expect(told([volts.id, '12.5', 'Ω', '', '', ''])).toMatch(/^line 2, .*"Ω" is not a unit of voltage/);
    expect(told([volts.id, '12.5 bar', 'V', '', '', ''])).toMatch(/"bar" is not a unit/);
    expect(told([volts.id, 'twelve', 'V', '', '', ''])).toMatch(/does not start with a number/);
    expect(told([looked.id, '12', '', '', '', ''])).toMatch(/neither yes nor no/);
    expect(told(['no-such-test', '12', '', '', '', ''])).toMatch(/no test on the sheets/);
    expect(told([volts.id, '12.5', 'V', '', '', '2026-07-02'])).toMatch(/still to come/);
    expect(told([volts.id, '12.5', 'V', '', '', '2026-02-30'])).toMatch(/is no day/);
    expect(told([volts.id, '12.5', 'V', '', '', '30.6.2026'])).toMatch(/is no day/);
  });

  test('two lines of one test: the first counts, the second is told', () => {
    const { lines, problems } = bring(
      firn,
      table([volts.id, '12.5', 'V', '', '', ''], [volts.id, '13', 'V', '', '', '']),
    );
    expect(lines.map(({ entry }) => entry.value)).toEqual([12.5]);
    expect(problems[0]!.reason).toContain('the first is line 2');
  });

  test('an older table takes nothing back, and no reading of a part that is gone becomes one of the new part', () => {
    const standing = linesOf(firn).find(
      ({ step, result, read }) => read !== null && result!.date < WHO.date && partIdOf(firn, step) !== null,
    )!;
    const id = standing.step.id;
    const value = String(standing.read! * 1.001);
    const unit = '';
    expect(told([id, value, unit, '', '', '2020-01-01'])).toMatch(/what stands here is of/);
    expect(told([id, value, unit, '', '', WHO.date, 'another-part'])).toMatch(/another part/);
    // Of the part that is there now, and newer: it counts.
    const { lines } = bring(firn, table([id, value, unit, '', '', WHO.date, partIdOf(firn, standing.step)!]));
    expect(lines.map(({ entry }) => entry.partId)).toEqual([partIdOf(firn, standing.step)]);
    // The part has been swapped since: the table that was saved before makes the old reading no new one.
    const partId = partIdOf(firn, standing.step)!;
    const results = { ...firn.commission!.results!, [id]: { ...standing.result!, partId: 'before-the-swap' } };
    const swapped: Build = { ...firn, commission: { ...firn.commission!, results } };
    expect(partIdOf(swapped, standing.step)).toBe(partId);
    const again = bring(swapped, testsCsv(assess(swapped), '.'));
    expect(again.lines).toEqual([]);
    expect(linesOf(swapped).find(({ step }) => step.id === id)!.state).toBe('open');
  });

  test('a reason without a reading skips; nothing at all is no line', () => {
    const open = linesOf(firn).find(({ state }) => state === 'open')!.step;
    const { lines } = bring(firn, table([open.id, '', '', 'no such thing on this car', '', '']));
    expect(lines[0]!.after.state).toBe('skipped');
    expect(readTestsCsv(table([open.id, '', '', '', '', ''])).ok).toBe(false);
  });

  test('a reason alone takes no reading away', () => {
    const standing = linesOf(firn).find(({ state }) => state === 'pass')!.step;
    expect(told([standing.id, '', '', 'no time', '', ''])).toMatch(/a reading stands here/);
  });

  test('a table of something else is refused with what to do', () => {
    const read = readTestsCsv('pin;signal\n1;CANH');
    expect(read.ok || read.errors[0]!.reason).toContain('no column “test”');
    expect(readTestsCsv('').ok).toBe(false);
  });
});
