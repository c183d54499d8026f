import fc from 'fast-check';
import { expect, test } from 'vitest';
import { linesOf } from './plan-names';

test('a name is broken between words where it has room for two lines, and cut where it has not', () => {
  expect(linesOf('Charger and converter', 11, 2)).toEqual(['Charger and', 'converter']);
  expect(linesOf('Charger and converter', 11, 1)).toEqual(['Charger an…']);
  expect(linesOf('Inverter', 11, 2)).toEqual(['Inverter']);
  expect(linesOf('Precharge', 5, 2)).toEqual(['Prec…']);
});

test('no line is longer than its room, and no more lines than there is room for', () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 60 }),
      fc.integer({ min: 5, max: 30 }),
      fc.constantFrom(1, 2),
      (name, most, lines) => {
        const made = linesOf(name, most, lines);
        expect(made.length).toBeLessThanOrEqual(lines);
        for (const line of made) expect(line.length).toBeLessThanOrEqual(most);
      },
    ),
  );
});
