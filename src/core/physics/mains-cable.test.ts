import fc from 'fast-check';
import { expect, test } from 'vitest';
import { mainsAmpacity, mainsDrop } from './mains-cable';

test('table B.52.10 of IEC 60364-5-52: 2.5 mm² of two loaded cores carry 30 A at 30 °C, of three 25 A', () => {
  expect(mainsAmpacity(2.5, 2, 70, 30)).toBe(30);
  expect(mainsAmpacity(2.5, 3, 70, 30)).toBe(25);
});

test('table B.52.14: at 50 °C PVC carries 0.71 of it', () => {
  expect(mainsAmpacity(2.5, 2, 70, 50) / 30).toBeCloseTo(0.71, 2);
});

test('3.31 mm² (12 AWG) counts as 2.5 mm², and nothing is carried in air as hot as the insulation', () => {
  expect(mainsAmpacity(3.31, 2, 70, 30)).toBe(30);
  expect(mainsAmpacity(6, 2, 70, 70)).toBe(0);
  expect(mainsAmpacity(0.5, 2, 70, 20)).toBe(0);
});

test('25 m of 2.5 mm² at 16 A lose 2·25·0.017241·1.1965/2.5·16 = 6.60 V of 230 V', () => {
  const drop = mainsDrop({ lengthM: 25, areaMm2: 2.5, currentA: 16, voltageV: 230, phases: 1 });
  expect(drop * 230).toBeCloseTo(6.6, 2);
});

test('thicker is never worse, and three phases lose half of one', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.75, max: 70, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (area, air) => {
        expect(mainsAmpacity(area * 1.6, 2, 70, air)).toBeGreaterThanOrEqual(mainsAmpacity(area, 2, 70, air));
        const run = { lengthM: 20, areaMm2: area, currentA: 10, voltageV: 230 };
        expect(mainsDrop({ ...run, phases: 1 })).toBeCloseTo(2 * mainsDrop({ ...run, phases: 3 }), 12);
      },
    ),
  );
});
