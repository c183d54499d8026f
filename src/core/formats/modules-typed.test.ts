import { expect, test } from 'vitest';
import { readModulesCsv } from './modules-csv';
import { readModulesTyped } from './modules-typed';

test('modules as people write them: with and without names, units or none, any gaps', () => {
  const read = readModulesTyped('A1; 7.52; 58.1; 2.1\n\n7.51 V\t61.4 Ah\t0.0019 Ω\n7,50  60  1.9 mΩ\nB-2 7.5 59 2');
  expect(read).toEqual({
    ok: true,
    modules: [
      { id: 'A1', voltageV: 7.52, capacityAh: 58.1, resistanceOhm: 0.0021 },
      { id: 'M02', voltageV: 7.51, capacityAh: 61.4, resistanceOhm: 0.0019 },
      { id: 'M03', voltageV: 7.5, capacityAh: 60, resistanceOhm: 0.0019 },
      { id: 'B-2', voltageV: 7.5, capacityAh: 59, resistanceOhm: 0.002 },
    ].map((module) => ({ ...module, resistanceOhm: expect.closeTo(module.resistanceOhm, 9) })),
  });
});

test('what can’t be read is told by its line, and nothing is taken', () => {
  const read = readModulesTyped('A1; 7.52; 58.1; 2.1\nA1; 7.5; 58; 2\nA3; 7.5; many; 2\n7.5; 58\n__proto__; 7; 58; 2');
  expect(read.ok).toBe(false);
  if (read.ok) return;
  expect(read.errors.map(({ path, reason }) => `${path} ${reason}`)).toEqual([
    'line 2 names the module "A1" again.',
    'line 3 "many" does not start with a number.',
    'line 4 "7.5; 58" has 2 figures.',
    'line 5 "__proto__" is no name of a module.',
  ]);
  expect(readModulesTyped('  \n ').ok).toBe(false);
});

test('a table’s heading is matched loosely, and milliohms in it are milliohms', () => {
  const read = readModulesCsv('Module;Voltage (V);Cap. [Ah];R in mΩ\nM1;7,52;58,1;2,1');
  expect(read.ok && read.modules[0]).toEqual({
    id: 'M1',
    voltageV: 7.52,
    capacityAh: 58.1,
    resistanceOhm: expect.closeTo(0.0021, 9),
  });
  expect(readModulesCsv('one;two;three\n1;2;3').ok).toBe(false);
});
