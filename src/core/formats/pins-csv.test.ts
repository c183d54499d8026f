import { describe, expect, test } from 'vitest';
import { firn9 } from '../build/samples';
import { harnessOf, vehicleOf } from '../vehicle';
import { readCsv } from './csv';
import { pinsCsv, readPinsCsv } from './pins-csv';
import { labelsCsv, wiringCsv } from './wiring-csv';

describe('pin tables', () => {
  test('semicolons, commas, tabs; headings as people write them', () => {
    for (const by of [';', ',', '\t']) {
      const read = readPinsCsv(`No.${by}Function${by}Wire colour\n1${by}CAN H${by}WH\nA2${by}CAN L${by}BU\n`);
      expect(read).toEqual({
        ok: true,
        rows: [
          { pin: '1', signal: 'CAN H', colour: 'WH' },
          { pin: 'A2', signal: 'CAN L', colour: 'BU' },
        ],
      });
    }
  });
  test('written and read again it is the same', () => {
    const rows = [
      { pin: '1', signal: 'wake; “up”', colour: 'RD/WH' },
      { pin: '12', signal: 'a, b', colour: '' },
    ];
    expect(readPinsCsv(pinsCsv(rows))).toEqual({ ok: true, rows });
    expect(readPinsCsv(pinsCsv(rows, ','))).toEqual({ ok: true, rows });
  });
  test.each([
    ['pin; colour\n1; RD', 'lacks the signals.'],
    ['signal; colour\nx; RD', 'lacks the pins.'],
    ['pin; signal\n1; a\n1; b', 'names the pin "1" twice.'],
    ['pin; signal\n; a', 'has no pin.'],
    ['pin; signal', 'has no pins.'],
    ['', 'is empty.'],
  ])('%j is refused: %s', (text, reason) => {
    const read = readPinsCsv(text);
    expect(read.ok ? '' : read.errors.map((error) => error.reason).join(' ')).toContain(reason);
  });
});

test('a label that looks like a formula is no formula in a spreadsheet', () => {
  const build = firn9('x');
  const odd = {
    ...build,
    harness: { ...build.harness, marks: { 'low-w4': { id: 'low-w4', label: '=1+1', crimpA: '@x' } } },
  };
  const { wires } = harnessOf(vehicleOf(odd));
  for (const text of [wiringCsv(wires), labelsCsv(wires)]) {
    expect(text).toContain("'=1+1");
    expect(text).not.toMatch(/(^|,)=1\+1/m);
  }
  const read = readCsv(wiringCsv(wires));
  expect(read.ok && read.table.rows.length).toBe(wires.length);
  // Two labels a wire, and the heading.
  expect(labelsCsv(wires).trim().split('\r\n').length).toBe(2 * wires.length + 1);
});
