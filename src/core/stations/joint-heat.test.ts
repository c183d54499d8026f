import { expect, test } from 'vitest';
import { FACES_SHED, shedLine } from './joint-heat';

test('what is left for a joint is told with its figures: 180 A may flow, 100 A do, 0.554 mΩ/m', () => {
  const line = shedLine(180, 100, 0.000554);
  // (180² − 100²) · 0.554 mΩ/m · 0.3 m by hand.
  expect(line.result?.value).toBeCloseTo(22_400 * 0.0001662, 9);
  // Each figure is kept with its dimension, for the reader’s units.
  expect(line.figures).toMatch(/180.current.*100.current.*0\.0001662.resistance/);
  expect(line.note).toMatch(/0\.3.length/);
});

test('nothing is left where it carries too much already, and that is said', () => {
  const line = shedLine(100, 180, 0.000554);
  expect(line.result?.value).toBe(0);
  expect(line.note).toContain('nothing is left for a joint');
});

test('the source of what bolted faces shed names the figure', () => {
  expect(FACES_SHED).toContain('4.8');
});
