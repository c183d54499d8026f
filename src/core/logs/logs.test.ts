import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { canDatabase, signalReader } from './can-database';
import { CanLog, canColumns } from './can-log';
import { CsvLog, csvHead } from './csv-log';
import { type MadeDrive, madeCsv, madeDatabase, madeFrames } from './made-log';
import { numberIn } from './number-in-bytes';
import { guessRoles } from './roles';

const bytes = (text: string) => new TextEncoder().encode(text);
const SETTINGS = { lowV: 3.3, restA: 2, stepA: 20 };
/** Cell 3 has three times the resistance and stands lower. */
const drive: MadeDrive = {
  cells: 6,
  rows: 1800,
  everyS: 0.2,
  restV: (k) => (k === 2 ? 3.55 : 3.6),
  ohm: (k) => (k === 2 ? 0.003 : 0.001),
};

function readCsv(text: string, cut: (length: number) => number = (length) => length) {
  const all = bytes(text);
  const head = csvHead(all.subarray(0, 65536));
  if ('why' in head) throw new Error(head.why);
  const log = new CsvLog(head, SETTINGS);
  for (let at = 0; at < all.length; ) {
    const next = Math.min(all.length, at + Math.max(1, cut(all.length)));
    log.push(all.subarray(at, next));
    at = next;
  }
  return log.end();
}

describe('a log of columns', () => {
  test('resistance from steps, U = U0 − I·R: 1 mΩ, and 3 mΩ of the bad cell', () => {
    const { review, problems } = readCsv(madeCsv(drive));
    expect(problems).toEqual([]);
    expect(review.cells[0]!.resistanceOhm! / 0.001).toBeCloseTo(1, 3);
    expect(review.cells[2]!.resistanceOhm! / 0.003).toBeCloseTo(1, 3);
  });

  test('lowest: 3.55 V − 120 A · 3 mΩ = 3.19 V, under the mark of 3.3 V while 120 and 80 A flow', () => {
    const { review } = readCsv(madeCsv(drive));
    const bad = review.cells[2]!;
    expect(bad.lowestV).toBeCloseTo(3.19, 5);
    expect(bad.lowestA).toBe(120);
    // 3.55 − 0.003·80 = 3.31 V stands above it: of five steps of 5 s one is under.
    expect(bad.lowS).toBeCloseTo(300 / 5, -0.5);
    expect(review.cells[0]!.lowS).toBe(0);
    expect(bad.restV).toBeCloseTo(3.55, 6);
    expect(review.restSpreadV).toBeCloseTo(0.05, 6);
    expect(review.loadSpreadV).toBeCloseTo(0.05 + 120 * 0.002, 5);
  });

  test('a current counted the other way round is turned', () => {
    const text = madeCsv(drive)
      .split('\n')
      .map((line, k) =>
        k === 0 || line === '' ? line : line.replace(/^([^,]*),(-?)/, (_, t, minus) => `${t},${minus ? '' : '-'}`),
      )
      .join('\n');
    const { review } = readCsv(text);
    expect(review.cells[2]!.resistanceOhm! / 0.003).toBeCloseTo(1, 3);
    expect(review.peakA).toBe(120);
    expect(review.outC).toBeGreaterThan(review.backC);
  });

  test('however it is cut into pieces, and by which line ends, it says the same', () => {
    const text = madeCsv({ ...drive, rows: 400 });
    const whole = readCsv(text);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.constantFrom('\n', '\r\n', '\r'), (size, end) => {
        expect(readCsv(text.replaceAll('\n', end), () => size)).toEqual(whole);
      }),
      { numRuns: 25 },
    );
  });

  test('decimal commas and semicolons', () => {
    const { review } = readCsv(madeCsv(drive).replaceAll(',', ';').replaceAll('.', ','));
    expect(review.cells[2]!.lowestV).toBeCloseTo(3.19, 5);
  });

  test('text, a missing cell, a gap, a repeated and an earlier time, a line cut in the middle: each said, the rest taken', () => {
    const text = [
      'time,current,cell 1,cell 2',
      '0,10,3.50,3.51',
      '1,10,abc,3.51',
      '2,10,,3.51',
      '2,10,3.49,3.50',
      '100,10,3.49,3.50',
      '50,10,3.49,3.50',
      '51,10,3.48,3.50',
      '52,10,3.4',
    ].join('\n');
    const { review, problems } = readCsv(text);
    expect(problems.map(({ where, why }) => `${where}: ${why}`)).toEqual([
      'line 3: 1 value is no number; taken as missing.',
      'line 9: The file ends in the middle of a line; that line is left out.',
    ]);
    expect(review).toMatchObject({ rows: 7, repeated: 1, gaps: 1, backwards: 1, empty: 2 });
    expect(review.cells[0]!.lowestV).toBe(3.48);
  });

  test('no line of names: said, with what to do', () => {
    const head = csvHead(bytes('1,2,3\n4,5,6\n'));
    expect('why' in head && head.why).toBe('No line names columns such as time, current or cell 1.');
  });

  test('times as clock and as date go on over midnight', () => {
    const { review } = readCsv(
      'Date,Current (A),Cell 1\n2026-02-28 23:59:59,5,3.3\n2026-03-01 00:00:01,5,3.3\n2026-03-01 00:00:03,5,3.2\n',
    );
    expect(review.durationS).toBe(4);
    expect(review.outC).toBe(20);
  });

  test('cells counted from 0, millivolts, names that only look like cells', () => {
    const roles = guessRoles(['t', 'I (A)', 'Cell_0 (mV)', 'Cell_1 (mV)', 'Cell min', 'Temp_0']);
    expect(roles.map(({ role }) => role)).toEqual([
      { is: 'time' },
      { is: 'current' },
      { is: 'cell', number: 1 },
      { is: 'cell', number: 2 },
      { is: 'skip' },
      { is: 'temperature', number: 1 },
    ]);
    expect(roles[2]!.factor).toBe(0.001);
  });

  test('numbers as the language itself reads them', () => {
    fc.assert(
      fc.property(fc.oneof(fc.double({ noNaN: true, noDefaultInfinity: true }), fc.integer()), (value) => {
        const text = String(value);
        expect(numberIn(bytes(text), 0, text.length, 46)).toBe(Number(text) + 0);
      }),
    );
    for (const text of ['', ' ', '-', '1.2.3', '0x10', '12 V', 'NaN'])
      expect(numberIn(bytes(text), 0, text.length, 46)).toBeNaN();
  });
});

describe('frames and their database', () => {
  const one = (line: string, data: readonly number[]) => {
    const { messages } = canDatabase(`BO_ 1 M: 8 U\n SG_ ${line} "" U\n`);
    return signalReader(messages[0]!.signals[0]!)(Uint8Array.from(data), data.length);
  };

  test('little and big end first, signs, factor and offset, by hand', () => {
    // 0x1234 little end first at bit 8: bytes 34 12.
    expect(one('S : 8|16@1+ (1,0) [0|0]', [0, 0x34, 0x12, 0, 0, 0, 0, 0])).toBe(0x1234);
    // Big end first from bit 7 of byte 0: 0xFF38 signed is −200; · 0.1 − 5 = −25.
    expect(one('S : 7|16@0- (0.1,-5) [0|0]', [0xff, 0x38, 0, 0, 0, 0, 0, 0])).toBeCloseTo(-25, 9);
    // Twelve bits across a byte: bits 4 to 15 of A5 C3 little end first are 0xC3A.
    expect(one('S : 4|12@1+ (1,0) [0|0]', [0xa5, 0xc3, 0, 0, 0, 0, 0, 0])).toBe(0xc3a);
    // A frame that is shorter than the signal says nothing.
    expect(one('S : 8|16@1+ (1,0) [0|0]', [1, 2])).toBeNaN();
  });

  test('the same drive as frames and as columns says the same of its cells', () => {
    const database = canDatabase(madeDatabase(drive.cells));
    expect(database.problems).toEqual([]);
    const log = new CanLog(database, canColumns(database), SETTINGS);
    log.push(bytes(madeFrames(drive)));
    const { review, problems } = log.end();
    const columns = readCsv(madeCsv(drive)).review;
    expect(problems).toEqual([]);
    expect(log.known).toBe(log.frames);
    review.cells.forEach((cell, k) => {
      expect(cell.lowestV).toBeCloseTo(columns.cells[k]!.lowestV!, 3);
      expect(cell.restV).toBeCloseTo(columns.cells[k]!.restV!, 3);
      expect(cell.resistanceOhm! / columns.cells[k]!.resistanceOhm!).toBeCloseTo(1, 1);
    });
  });

  test('the other way of writing frames, and what a logger adds behind them', () => {
    const database = canDatabase(madeDatabase(4));
    const log = new CanLog(database, canColumns(database), SETTINGS);
    log.push(bytes(" (1700000000.000000)  can0  101   [8]  10 8B 10 8B 10 8B 10 8B   '........'\n"));
    expect(log.end().review.cells.map(({ lowestV }) => lowestV)).toEqual([3.56, 3.56, 3.56, 3.56]);
  });

  test('a hostile database: each line said, nothing thrown, the rest taken', () => {
    const { messages, problems } = canDatabase(
      [
        'BO_ 4294967296 Big: 8 U',
        'BO_ 256 __proto__: 8 U',
        ' SG_ constructor : 0|16@1+ (1e999,0) [0|0] "V" U',
        ' SG_ Outside : 60|16@1+ (1,0) [0|0] "V" U',
        ' SG_ Wide : 0|64@1+ (1,0) [0|0] "V" U',
        ' SG_ Cell1 : 0|16@1+ (0.001,0) [0|0] "V" U',
        'BO_ 256 Again: 8 U',
        'BO_ 300 Long: 900 U',
        'BO_ x Broken: 8 U',
        `BO_ 301 ${'A'.repeat(100000)}: 8 U`,
      ].join('\r\n'),
    );
    expect(messages.map(({ name, signals }) => [name, signals.map((one) => one.name)])).toEqual([
      ['__proto__', ['Cell1']],
    ]);
    expect(problems.map(({ where }) => where)).toEqual([1, 3, 4, 5, 7, 8, 9, 10].map((line) => `line ${line}`));
  });

  test('identifiers of 2^32, half bytes, lines that are no frames: said by their line', () => {
    const database = canDatabase(madeDatabase(4));
    const log = new CanLog(database, canColumns(database), SETTINGS);
    log.push(bytes('(1.0) can0 FFFFFFFF1#00\n(1.0) can0 101#1\nhello\n(2.0) can0 101#108B108B108B108B\n'));
    const { problems } = log.end();
    expect(problems.map(({ where }) => where)).toEqual(['line 1', 'line 2', 'line 3']);
    expect(log.known).toBe(1);
  });

  test('signals that a chooser shares one place with', () => {
    const database = canDatabase(
      'BO_ 5 Cells: 3 U\n SG_ Group M : 0|8@1+ (1,0) [0|0] "" U\n SG_ Cell1 m0 : 8|16@1+ (0.001,0) [0|0] "V" U\n SG_ Cell2 m1 : 8|16@1+ (0.001,0) [0|0] "V" U\n',
    );
    const log = new CanLog(database, canColumns(database), SETTINGS);
    log.push(bytes('(1.0) can0 005#00E40C\n(1.5) can0 005#01B80B\n(2.0) can0 005#00E40C\n'));
    const [first, second] = log.end().review.cells;
    expect(first!.lowestV).toBeCloseTo(3.3, 12);
    expect(second!.lowestV).toBeCloseTo(3, 12);
  });
});
