import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { PinRow } from '../../build';
import { comparePins, pinsTwice } from './compare-pins';

const row = (pin: string, signal: string): PinRow => ({ pin, signal, colour: '' });

test('same, moved, missing, different, only in the second', () => {
  const first = [
    row('1', 'CAN H'),
    row('2', 'Pedal 1'),
    row('3', 'Sensor ground'),
    row('4', 'Brake'),
    row('5', 'Wake'),
  ];
  const second = [row('1', 'can  h'), row('2', 'Sensor ground'), row('3', 'Pedal 2'), row('5', ''), row('6', 'Lamp')];
  expect(comparePins(first, second).map(({ pin, is, second: other }) => [pin, is, other?.pin ?? null])).toEqual([
    ['1', 'same', '1'],
    ['2', 'different', '2'],
    ['3', 'moved', '2'],
    ['4', 'missing', null],
    ['5', 'missing', '5'],
    ['3', 'extra', '3'],
    ['6', 'extra', '6'],
  ]);
});

const table = fc
  .uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 20 })
  .map((signals) => signals.map((n, k) => row(String(k + 1), `signal ${n}`)));

test('a table agrees with itself', () => {
  fc.assert(
    fc.property(table, (rows) => {
      expect(comparePins(rows, rows).map(({ is }) => is)).toEqual(rows.map(() => 'same'));
    }),
  );
});

test('pins changed about: nothing is missing, and as many are the same as stayed', () => {
  fc.assert(
    fc.property(table, fc.integer({ min: 0, max: 19 }), (rows, by) => {
      const n = rows.length;
      const turned = rows.map(({ pin }, k) => row(pin, rows[(k + by) % n]!.signal));
      const is = comparePins(rows, turned).map((one) => one.is);
      expect(is).toEqual(rows.map(() => (by % n === 0 ? 'same' : 'moved')));
    }),
  );
});

test('a pin that is named twice is told', () => {
  expect(pinsTwice([row('1', 'a'), row('2', 'b'), row(' 1', 'c')])).toEqual(['1']);
});
