import { describe, expect, test } from 'vitest';
import { type Along, chosenSpan, type Pane, rowsWithin, sheetOf, spread, wholeSpan } from './chart-data';

const ALONG: Along = { key: 't', name: 'Time', dimension: 'time' };
const PANES: readonly Pane[] = [
  {
    heightPx: 100,
    dimension: 'temperature',
    curves: [{ key: 'c', name: 'Conductor', stroke: 'black' }],
  },
];
const ROWS = [0, 10, 20, 30, 40].map((t) => ({ t, c: t === 20 ? null : 20 + t }));

describe('what a chart shows', () => {
  test('the whole of it, unless the axis says more', () => {
    expect(wholeSpan(ROWS, ALONG)).toEqual([0, 40]);
    expect(wholeSpan(ROWS, { ...ALONG, to: 60 })).toEqual([0, 60]);
    expect(wholeSpan([], ALONG)).toEqual([0, 0]);
  });
  test('a part of it keeps one row beyond each end', () => {
    expect(rowsWithin(ROWS, 't', [15, 25]).map(({ t }) => t)).toEqual([10, 20, 30]);
    expect(rowsWithin(ROWS, 't', [0, 10]).map(({ t }) => t)).toEqual([0, 10, 20]);
  });
  test('a drag to the left is one to the right, a slip chooses nothing, and it ends at the edge', () => {
    expect(chosenSpan(30, 10, [0, 40])).toEqual([10, 30]);
    expect(chosenSpan(30, 90, [0, 40])).toEqual([30, 40]);
    expect(chosenSpan(30, 30.1, [0, 40])).toBeNull();
  });
  test('a table has the first and the last row', () => {
    expect(spread([0, 1, 2, 3, 4, 5, 6, 7, 8, 9], 4)).toEqual([0, 3, 6, 9]);
    expect(spread([1, 2], 4)).toEqual([1, 2]);
  });
});

test('a sheet has its units in the heads, in those that are shown, and nothing where nothing is', () => {
  expect(sheetOf(ROWS, ALONG, PANES, 'metric').slice(0, 4)).toEqual([
    ['Time, s', 'Conductor, °C'],
    [0, 20],
    [10, 30],
    [20, null],
  ]);
  // 20 °C are 68 °F, 60 °C are 140 °F.
  const us = sheetOf(ROWS, ALONG, PANES, 'us');
  expect(us[0]).toEqual(['Time, s', 'Conductor, °F']);
  expect([us[1]![1], us[5]![1]]).toEqual([68, 140]);
});
