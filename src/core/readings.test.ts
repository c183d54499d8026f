import { describe, expect, test } from 'vitest';
import { assess } from './assess';
import { applyEdit, asMeasured, type Build, designedValue, type Edit, measurablesOf, oddTimes, WHOLE } from './build';
import { firn9, larkspur } from './build/samples';
import { checkKey } from './checks';

const made = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const reading = (subjectId: string, field: string, value: number, adopt = true, date = '2026-05-02'): Edit => ({
  edit: 'addReading',
  input: {
    reading: { id: `r-${field}-${date}`, subjectId, field, value, date, conditions: '', by: '', instrument: 'meter' },
    adopt,
  },
});
/** Every answer but the one about the reading itself. */
const answers = (build: Build) =>
  assess(build)
    .checks.filter(({ id }) => id !== 'survey.reading')
    .map((check) => [checkKey(check), check.verdict, check.margin]);

describe('a reading that is adopted gives the answers of a build that was designed so', () => {
  const firn = firn9();
  const cases: readonly (readonly [string, Build, Edit, Edit])[] = [
    [
      'the length of a cable',
      firn,
      reading('c-minus', 'lengthM', 3.3),
      { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: 3.3 } },
    ],
    [
      'the empty mass',
      larkspur(),
      reading(WHOLE, 'massEmpty', 1020),
      { edit: 'setFigure', input: { figure: 'massEmpty', value: 1020 } },
    ],
    [
      'insulation of the inverter',
      firn,
      reading('inverter', 'insulationOhm', 3e6),
      { edit: 'setLeakage', input: { deviceId: 'inverter', insulationOhm: 3e6 } },
    ],
  ];
  test.each(cases)('%s', (_, build, read, designed) => {
    const measured = made(build, read);
    expect(answers(measured)).toEqual(answers(made(build, designed)));
    expect(answers(measured)).not.toEqual(answers(build));
    // Retired, everything is as it was.
    const { subjectId, field } = (read as Extract<Edit, { edit: 'addReading' }>).input.reading;
    expect(answers(made(measured, { edit: 'dropAdopted', input: { subjectIds: [subjectId], field } }))).toEqual(
      answers(build),
    );
  });
});

test('a reading that is only written down changes no answer, and what is designed stays beside what was measured', () => {
  const build = larkspur();
  const written = made(build, reading(WHOLE, 'massEmpty', 1500, false));
  expect(answers(written)).toEqual(answers(build));
  const adopted = made(build, reading(WHOLE, 'massEmpty', 1100));
  expect(adopted.vehicle.massEmptyKg).toBe(build.vehicle.massEmptyKg);
  expect(asMeasured(adopted).vehicle.massEmptyKg).toBe(1100);
  expect(designedValue(asMeasured(adopted), WHOLE, 'massEmpty')).toBe(build.vehicle.massEmptyKg);
  expect(asMeasured(asMeasured(adopted))).toBe(asMeasured(adopted));
});

test('another part on the device retires what was measured on the old one', () => {
  const build = made(firn9(), reading('inverter', 'insulationOhm', 3e6));
  const part = build.parts[build.circuits.hv.devices.inverter!.partId!]!;
  const swapped = made(build, {
    edit: 'fitPart',
    input: { deviceId: 'inverter', part: { ...part, id: 'another' } as never },
  });
  expect(swapped.adoptions).toEqual({});
  expect(Object.keys(swapped.readings)).toHaveLength(1);
});

test('milliohms typed as ohms are a thousand times too much, and asked again', () => {
  const build = firn9();
  const ohm = designedValue(build, 'box-rear', 'resistanceOhm')!;
  expect(oddTimes(build, { subjectId: 'box-rear', field: 'resistanceOhm', value: ohm * 1000 })).toBeCloseTo(1000, 6);
  expect(oddTimes(build, { subjectId: 'box-rear', field: 'resistanceOhm', value: ohm * 1.3 })).toBeNull();
});

test('what nothing can be read of is refused in words, and nothing is written', () => {
  const build = firn9();
  expect(() => made(build, reading('inverter', 'ratedPowerW', 5))).toThrow('has no such figure to read');
  expect(() => made(build, reading('nothing', 'lengthM', 5))).toThrow('has no such figure to read');
  expect(() => made(build, reading('c-minus', 'lengthM', 0))).toThrow('Length can’t be that.');
  expect(() => made(build, reading('c-minus', 'lengthM', Number.NaN))).toThrow('a number from 0 on');
  expect(() => made(build, reading('c-minus', 'lengthM', 2, true, 'yesterday'))).toThrow('is no date');
});

test('every thing of the circuits has something to read but for joints', () => {
  const { hv } = firn9().circuits;
  for (const { id } of Object.values(hv.conductors)) expect(measurablesOf(firn9(), id).length).toBeGreaterThan(0);
  for (const { id } of Object.values(hv.devices)) expect(measurablesOf(firn9(), id).length).toBeGreaterThan(0);
  expect(measurablesOf(firn9(), 'toString')).toEqual([]);
});

test('a file that claims what no thing can have changes no answer, and is asked about', () => {
  const build = firn9();
  const claim = (subjectId: string, field: string, value: number, partId: string | null): Build => ({
    ...build,
    readings: { r: { id: 'r', subjectId, field, value, date: '2026-05-02', conditions: '', by: '', confirmed: true } },
    adoptions: { a: { id: 'a', readingId: 'r', subjectId, field, partId } },
  });
  const partOf = (id: string) => build.circuits.hv.devices[id]!.partId;
  for (const claimed of [
    claim('box-rear', 'resistanceOhm', -0.001, partOf('box-rear')),
    claim(WHOLE, 'massEmpty', -1, null),
    // What is rated is on a sheet, no meter reads it.
    claim('k-plus', 'ratedVoltageV', 9000, partOf('k-plus')),
  ]) {
    expect(answers(claimed)).toEqual(answers(build));
    const asked = assess(claimed).checks.filter(({ id }) => id === 'survey.reading');
    expect(asked.map(({ verdict }) => verdict)).toEqual(['needs-data']);
  }
});

test('an adoption that names another figure or thing than its reading changes no answer, and is asked about', () => {
  const build = firn9();
  const reading = {
    id: 'r',
    subjectId: 'c-minus',
    field: 'lengthM',
    value: 1.2,
    date: '2026-05-02',
    conditions: '',
    by: '',
  };
  const adopted = (subjectId: string, field: string, partId: string | null): Build => ({
    ...build,
    readings: { r: reading },
    adoptions: { a: { id: 'a', readingId: 'r', subjectId, field, partId } },
  });
  const { devices, conductors } = build.circuits.hv;
  for (const claimed of [
    adopted(WHOLE, 'massEmpty', null),
    adopted(WHOLE, 'hardPower', null),
    adopted('inverter', 'kind', devices.inverter!.partId),
    adopted('box-rear', 'resistanceOhm', devices['box-rear']!.partId),
    adopted('c-plus', 'lengthM', conductors['c-plus']!.partId),
    // Made on a part that has been swapped since.
    adopted('c-minus', 'lengthM', 'another-cable'),
  ]) {
    expect(answers(claimed)).toEqual(answers(build));
    const asked = assess(claimed).checks.filter(({ id }) => id === 'survey.reading');
    expect(asked.map(({ verdict }) => verdict)).toEqual(['needs-data']);
  }
});

test('a routed cable measured as ten times its route is asked about, as its route is', () => {
  const build = larkspur();
  const { lengthM } = assess(build).vehicle.conductorOf.get('c-plus')!;
  const asked = (times: number) =>
    assess(made(build, reading('c-plus', 'lengthM', lengthM! * times))).checks.find(
      ({ id }) => id === 'survey.reading',
    )!.verdict;
  expect(asked(10)).toBe('needs-data');
  expect(asked(1.1)).toBe('holds');
});
