import { expect, test } from 'vitest';
import { readParts } from '@/core/build/schema';
import { CATALOGUE, cataloguePart } from '@/core/parts';
import { fieldsOfPart, labelOfField, partWith } from './part-fields';

test('labels are words with their unit', () => {
  expect(labelOfField('ratedCurrentA')).toBe('Rated current, A');
  expect(labelOfField('resistance20OhmPerM')).toBe('Resistance 20, Ω/m');
  expect(labelOfField('window.workingMaxV')).toBe('Working max, V');
  expect(labelOfField('family')).toBe('Family');
});

test('every catalogue part comes through its own fields unchanged', () => {
  for (const part of CATALOGUE) {
    const texts = new Map(fieldsOfPart(part).map((field) => [field.path, field.text]));
    expect(partWith(part, texts)).toEqual(part);
  }
});

test('what is typed with a decimal comma counts, what is no number is left for the check to refuse', () => {
  const shunt = cataloguePart('shunt-500', 'sensor');
  expect(partWith(shunt, new Map([['resistanceOhm', '0,0002']]))).toMatchObject({ resistanceOhm: 0.0002 });
  const wrong = readParts([{ line: 1, data: partWith(shunt, new Map([['resistanceOhm', 'thick']])) }]);
  expect(wrong.ok).toBe(false);
  const fuse = cataloguePart('fuse-traction-500-300', 'fuse');
  expect(
    partWith(
      fuse,
      new Map([
        ['ratedVoltageDcV', ''],
        ['multiples', '10 9 8 7 6 5 4'],
      ]),
    ),
  ).toMatchObject({
    ratedVoltageDcV: null,
    multiples: [10, 9, 8, 7, 6, 5, 4],
  });
});
