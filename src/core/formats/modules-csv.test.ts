import { expect, test } from 'vitest';
import { modulesCsv, readModulesCsv } from './modules-csv';

const modules = [
  { id: 'M01', voltageV: 7.52, capacityAh: 58.1, resistanceOhm: 0.0021 },
  { id: 'M02', voltageV: 7.51, capacityAh: 61.4, resistanceOhm: 0.0019 },
];

test.each(['.', ','] as const)('what is written with "%s" is read back', (mark) => {
  expect(readModulesCsv(modulesCsv(modules, mark))).toEqual({ ok: true, modules });
});

test.each([
  ['', '(file)', /empty/],
  ['id,voltageV\nM1,7.5', 'line 1', /capacityAh, resistanceOhm/],
  ['id,voltageV,capacityAh,resistanceOhm\n', '(file)', /no modules/],
  ['id,voltageV,capacityAh,resistanceOhm\nM1,7.5,abc,0.002', 'line 2, capacityAh', /"abc"/],
  ['id,voltageV,capacityAh,resistanceOhm\nM1,7.5,60,0.002\nM1,7.5,60,0.002', 'line 3', /again/],
  ['id,voltageV,capacityAh,resistanceOhm\n__proto__,7.5,60,0.002', 'line 2', /no usable id/],
  ['id,voltageV,capacityAh,resistanceOhm\nconstructor,7.5,60,0.002', 'line 2', /no usable id/],
  ['id,voltageV,capacityAh,resistanceOhm\nM1,7.5,-60,0.002', 'line 2, capacityAh', /no Ah/],
])('%j is refused with place and reason', (text, path, reason) => {
  const read = readModulesCsv(text);
  expect(read).toMatchObject({ ok: false });
  if (!read.ok) {
    expect(read.errors[0]!.path).toBe(path);
    expect(read.errors[0]!.reason).toMatch(reason);
    expect(read.errors[0]!.remedy).not.toBe('');
  }
});
