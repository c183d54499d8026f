import { expect, test } from 'vitest';
import { type NetworkRow, solveRows } from './network-rows';

const row = (id: string, kind: NetworkRow['kind'], a: string, b: string, value: string): NetworkRow => ({
  key: 0,
  id,
  kind,
  a,
  b,
  value,
});

test('a divider typed in workshop notation: 12 V over 1k2 and 2k4 gives 8 V', () => {
  const answer = solveRows(
    [
      row('U', 'source', 'p', '0', '12'),
      row('R1', 'resistor', 'p', 'm', '1k2'),
      row('R2', 'resistor', 'm', '0', '2k4'),
    ],
    '0',
  );
  if (typeof answer === 'string') throw new Error(answer);
  expect(answer.nodes.find(({ name }) => name === 'm')!.voltageV).toBeCloseTo(8, 9);
  expect(answer.elements.find(({ id }) => id === 'R2')!.currentA).toBeCloseTo(12 / 3600, 12);
});

test('more power than the source can give says so with what it can', () => {
  // 100 V behind 1 Ω gives 2500 W at most: a quarter of 10 kW.
  const answer = solveRows(
    [row('U', 'source', 'p', '0', '100'), row('R', 'resistor', 'p', 'q', '1'), row('P', 'power', 'q', '0', '10 kW')],
    '0',
  );
  expect(answer).toContain('0.250 times');
});

test('what is no value, no node or no network is said in words', () => {
  expect(solveRows([row('U', 'source', 'p', '0', 'twelve')], '0')).toContain('U:');
  expect(solveRows([row('U', 'source', '', '0', '12')], '0')).toContain('two nodes');
  expect(solveRows([row('U', 'source', 'p', '0', '12'), row('V', 'source', 'p', '0', '13')], '0')).toMatch(/U|V/);
  expect(typeof solveRows([], '0')).toBe('string');
});
