import { expect, test } from 'vitest';
import { airM3PerH, HYDROGEN_L_PER_AH, ventAreaMm2, WATER_G_PER_AH } from './lead-upkeep';

test('Faraday: 18.015 g/mol over two electrons of 26.801 Ah/mol each', () => {
  expect(WATER_G_PER_AH).toBeCloseTo(18.015 / (2 * 26.801), 3);
  // Half a mole of hydrogen for each mole of electrons, 24.06 L/mol at 20 °C.
  expect(HYDROGEN_L_PER_AH).toBeCloseTo((24.06 * 0.5) / 26.801, 2);
});

test('EN IEC 62485-2 by hand: 24 cells of 100 Ah while boosted: 0.05·24·20·100/1000 = 2.4 m³/h, 67.2 cm²', () => {
  expect(airM3PerH(24, 100)).toBeCloseTo(2.4, 12);
  expect(ventAreaMm2(24, 100)).toBeCloseTo(6720, 9);
});
