import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type SettableName } from '../../build';
import { firn9 } from '../../build/samples';
import { findRemedies } from '../../remedies';
import { chargeRun } from '../../simulate/charge-run';

const set = (build: Build, figure: SettableName, value: number): Build =>
  applyEdit(build, { edit: 'setFigure', input: { figure, value } }).build;
const check = (build: Build) => assess(build).checks.find(({ id }) => id === 'charging.fills')!;

test('how full a charge ends is where its last current meets the resting voltage: E(SoC) = U − I·R, in closed form on a straight curve', () => {
  // 100 cells of 3 to 4 V on a straight line, 0.1 Ω, charged to 3.8 V a cell until 5 A are left: E = 380 − 0.5 V, SoC = 0.795.
  const { last, end } = chargeRun(
    { restV: (soc) => 300 + 100 * soc, resistanceOhm: 0.1, capacityAh: 50, bends: [0, 1] },
    {
      powerW: 6000,
      currentA: 20,
      voltageV: 380,
      auxiliaryW: 0,
      packA: () => Number.POSITIVE_INFINITY,
      efficiency: () => 0.9,
    },
    { socStart: 0.2, cutoffA: 5, measuredAt: 'pack' },
  );
  expect(end).toBe('cut-off');
  expect(last.soc).toBeCloseTo(0.795, 3);
});

test('the lower cells are charged the less is left of what the range counts on; once it counts on that, it holds', () => {
  const socs = [4.15, 4.05, 3.95].map((cellV) => check(set(firn9(), 'chargeCellV', cellV)));
  expect(socs.map(({ verdict }) => verdict)).toEqual(['holds', 'fails', 'fails']);
  const [, , low] = socs;
  expect(low!.demand!.value).toBeLessThan(socs[1]!.demand!.value);
  const counted = set(set(firn9(), 'chargeCellV', 3.95), 'socFull', low!.demand!.value);
  expect(check(counted).verdict).toBe('holds');
  // Nine tenths of it, exactly.
  expect(check(counted).margin).toBeCloseTo(1 / 0.9 - 1, 6);
});

test('one press tells the range what the charge leaves', () => {
  const low = set(firn9(), 'chargeCellV', 3.95);
  const found = check(low);
  const [best] = findRemedies(low, found);
  expect(best!.edit).toMatchObject({ edit: 'setFigure', input: { figure: 'socFull', value: found.demand!.value } });
});
