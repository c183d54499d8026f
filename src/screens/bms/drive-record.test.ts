import { expect, test } from 'vitest';
import { typedDrive } from './drive-record';

const about = { id: 'd', date: '2026-05-02', name: 'By meter' };

test('R = (U_rest − U_load) / I: (3.30 − 3.21) V / 90 A = 1 mΩ', () => {
  const typed = typedDrive('3.30 3.30', '3.21\n3.12', 90, about);
  if (!typed.ok) throw new Error(typed.trouble);
  expect(typed.drive.cells[0]!.resistanceOhm).toBeCloseTo(0.001, 12);
  expect(typed.drive.cells[1]!.resistanceOhm).toBeCloseTo(0.002, 12);
  expect(typed.drive.cells[1]!.lowestV).toBe(3.12);
});

test('a load without its current, another number of cells, text, nothing: each is said', () => {
  const trouble = (rest: string, load: string, ampere: number | null) => {
    const typed = typedDrive(rest, load, ampere, about);
    return typed.ok ? null : typed.trouble;
  };
  expect(trouble('3.3', '3.2', null)).toContain('The current under load is missing');
  expect(trouble('3.3 3.3', '3.2', 90)).toContain('2 cells at rest and 1 under load');
  expect(trouble('3.3 bad', '', null)).toContain('At rest: Reading 2, “bad”, is no voltage.');
  expect(trouble('', '', null)).toContain('Nothing is typed yet');
});
