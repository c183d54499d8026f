import { expect, test } from 'vitest';
import { jointHeatW, SHED_BY_FACES_W, shedByCableW } from './joint';

test('by hand: 200 A through 5 mΩ at two crimps are 100 W each, through one face 200 W', () => {
  expect(jointHeatW(200, 0.005, 2)).toBeCloseTo(100, 9);
  expect(jointHeatW(200, 0.005, 1)).toBeCloseTo(200, 9);
});

test('a cable that carries all it may has nothing left to shed; idle it sheds what it would itself heat over 0.3 m', () => {
  // 35 mm², 0.554 mΩ/m (IEC 60228, class 5) and 180 A.
  expect(shedByCableW(180, 180, 0.000554)).toBe(0);
  expect(shedByCableW(180, 250, 0.000554)).toBe(0);
  expect(shedByCableW(180, 0, 0.000554)).toBeCloseTo(180 ** 2 * 0.000554 * 0.3, 9);
});

test('bolted faces: 80 cm² at 10 W/(m²·K) and 60 K by hand', () => {
  expect(SHED_BY_FACES_W).toBeCloseTo(4.8, 9);
});
