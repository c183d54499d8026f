import { describe, expect, test } from 'vitest';
import { readParts } from '@/core/build/schema';
import { CATALOGUE, cataloguePart, type MotorPart, unsureOf } from '@/core/parts';
import { fieldsOfPart, labelOfField, ownCopy, partWith, typedPart, unknownPart } from './part-fields';

test('labels are words with their unit', () => {
  expect(labelOfField('ratedCurrentA')).toBe('Rated current, A');
  expect(labelOfField('resistance20OhmPerM')).toBe('Resistance at 20 °C, Ω/m');
  expect(labelOfField('window.workingMaxV')).toBe('Works up to, V');
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

test('a figure that the part lacks is offered, taken when it is typed and gone when it is emptied', () => {
  const heater = cataloguePart('heater-400-5000', 'bus-device');
  const field = fieldsOfPart(heater).find(({ path }) => path === 'resistanceAtV')!;
  expect(field).toMatchObject({ text: '', kind: 'number', emptied: 'absent', label: 'Plain resistance, rated at, V' });
  const wire = partWith(heater, new Map([['resistanceAtV', '350']]));
  expect(wire).toMatchObject({ resistanceAtV: 350 });
  const read = readParts([{ line: 1, data: wire }]);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  expect(partWith(read.parts[0]!, new Map([['resistanceAtV', ' ']]))).toEqual(heater);
});

test('a choice has the kind’s words, and a figure that must be there can’t be emptied', () => {
  const motor = cataloguePart('motor-pm-80', 'motor');
  const cooling = fieldsOfPart(motor).find(({ path }) => path === 'cooling')!;
  expect(cooling).toMatchObject({ kind: 'choice', choices: ['air', 'liquid'], text: 'liquid', emptied: 'absent' });
  expect(readParts([{ line: 1, data: partWith(motor, new Map([['peakPowerW', '']])) }]).ok).toBe(false);
});

describe('a part of which five figures are known', () => {
  const blank = unknownPart(cataloguePart('motor-pm-80', 'motor'), 'own-1');
  const five = new Map([
    ['name', 'Motor from the yard'],
    ['peakPowerW', '60000'],
    ['peakTorqueNm', '180'],
    ['maximumSpeedRpm', '9000'],
    ['baseLinkV', '320'],
  ]);

  test('nothing of it is known at first, and what may be unstated is not stated', () => {
    expect(blank.origins).toMatchObject({ peakPowerW: 'unknown', massKg: 'unknown', motorKind: 'unknown' });
    expect(blank).not.toHaveProperty('backVoltagePerKrpmV');
    expect(blank).not.toHaveProperty('cooling');
  });

  test('typed figures have their origin, the rest stays unknown; the base speed follows from power and torque', () => {
    const read = readParts([{ line: 1, data: typedPart(blank, five, 'plate') }]);
    if (!read.ok) throw new Error(JSON.stringify(read.errors));
    const [part] = read.parts;
    expect(part!.origins).toMatchObject({ peakPowerW: 'plate', peakTorqueNm: 'plate', massKg: 'unknown' });
    // n = P / (2π · T): 60 kW over 180 Nm are 3,183 a minute.
    expect((part as MotorPart).baseSpeedRpm).toBeCloseTo(3183.1, 1);
    expect(unsureOf(part!).join()).toContain('continuous power, mass unknown');
  });

  test('an own copy does not pass for the owner’s figures: only what was typed does', () => {
    const copy = ownCopy(cataloguePart('motor-pm-80', 'motor'), 'own-2');
    const typed = typedPart(copy, new Map([['massKg', '41']]), 'measured') as unknown as MotorPart;
    expect(typed.origins).toMatchObject({ massKg: 'measured', peakPowerW: 'generic' });
    expect(unsureOf(typed).join()).toContain('peak power');
    expect(unsureOf(typed).join()).not.toContain('mass');
  });
});
