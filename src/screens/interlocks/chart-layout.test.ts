import { expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { arrowsOf, BOX, isUsual, PLACES, SIZE } from './chart-layout';

const MODES = Object.keys(PLACES) as (keyof typeof PLACES)[];
const arrows = [firn9(), larkspur(), teasel()].map((build) => arrowsOf(assess(build).results.interlocks.steps));

test('boxes of the modes stand apart and inside the drawing', () => {
  for (const mode of MODES) {
    const [x, y] = PLACES[mode];
    expect(x - BOX.width / 2, mode).toBeGreaterThanOrEqual(0);
    expect(x + BOX.width / 2, mode).toBeLessThanOrEqual(SIZE.width);
    expect(y - BOX.height / 2, mode).toBeGreaterThanOrEqual(0);
    expect(y + BOX.height / 2, mode).toBeLessThanOrEqual(SIZE.height);
    for (const other of MODES) {
      const [u, v] = PLACES[other];
      if (mode < other)
        expect(Math.abs(x - u) > BOX.width || Math.abs(y - v) > BOX.height, `${mode}, ${other}`).toBe(true);
    }
  }
});

test('one arrow for all steps between two modes, none from a mode to itself', () => {
  for (const list of arrows) {
    const pairs = list.map(({ from, to }) => `${from}>${to}`);
    expect(new Set(pairs).size).toBe(pairs.length);
    for (const { from, to, steps } of list) {
      expect(from).not.toBe(to);
      expect(steps.every((step) => step.from === from && step.to === to)).toBe(true);
    }
  }
});

test('an arrow leaves and meets its boxes at their edges', () => {
  for (const { from, to, path } of arrows.flat()) {
    const numbers = path.match(/-?[\d.]+/g)!.map(Number);
    const [x0, y0, , , x1, y1] = numbers as [number, number, number, number, number, number];
    for (const [mode, x, y] of [
      [from, x0, y0],
      [to, x1, y1],
    ] as const) {
      const [mx, my] = PLACES[mode];
      // On the rectangle three wider than the box: the farther of the two ways, each as a share of its half.
      const share = Math.max(Math.abs(x - mx) / (BOX.width / 2 + 3), Math.abs(y - my) / (BOX.height / 2 + 3));
      expect(Math.abs(share - 1), `${from} to ${to}: ${path}`).toBeLessThan(0.01);
    }
  }
});

test('the usual way from off to driving and back is drawn in every sample', () => {
  for (const list of arrows) {
    const usual = list.filter(isUsual).map(({ from, to }) => `${from}>${to}`);
    for (const step of ['off>awake', 'awake>precharge', 'precharge>ready', 'ready>drive', 'stopping>off'])
      expect(usual).toContain(step);
  }
});
