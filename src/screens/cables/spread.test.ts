import { expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9, larkspur } from '@/core/build/samples';
import { layOutPlan } from './derive-plan';
import { numbersOf } from './plan-key';
import { type Box, crowdBox, crowdsOf, crowdText, shiftsOf, spread, wordsOf } from './spread';

const within: Box = { x: 0, y: 0, width: 200, height: 100 };
const apart = (p: Box, q: Box) =>
  p.x >= q.x + q.width || q.x >= p.x + p.width || p.y >= q.y + q.height || q.y >= p.y + p.height;

test('what has room stays; of two at one spot the first stays and the other stands beside it', () => {
  const mark = (id: string, x: number, y: number) => ({ id, x, y, width: 20, height: 16 });
  const shifts = spread([mark('a', 50, 50), mark('b', 50, 50), mark('c', 120, 50)], [], within);
  expect(shifts.get('a')).toEqual([0, 0]);
  expect(shifts.get('c')).toEqual([0, 0]);
  const [dx, dy] = shifts.get('b')!;
  // A mark’s width and height away at least, and no further than one step more.
  expect(Math.abs(dx) >= 23 || Math.abs(dy) >= 19).toBe(true);
  expect(Math.hypot(dx, dy)).toBeLessThanOrEqual(30);
});

test('marks keep off words and inside the drawing; without any room they stay', () => {
  const mark = { id: 'a', x: 2, y: 2, width: 20, height: 16 };
  const [dx, dy] = spread([mark], [{ x: 0, y: 0, width: 60, height: 30 }], within).get('a')!;
  expect(mark.x + dx >= 60 || mark.y + dy >= 30).toBe(true);
  expect(mark.x + dx).toBeGreaterThanOrEqual(0);
  expect(spread([mark], [within], within).get('a')).toEqual([0, 0]);
});

test.each(['top', 'side'] as const)(
  'on the samples no number lies over another or over a name, from the %s',
  (view) => {
    for (const build of [firn9(), larkspur()]) {
      const plan = layOutPlan(assess(build).vehicle, build, view);
      const numbers = numbersOf(plan.blocks);
      const crowds = crowdsOf(plan.blocks, numbers, null);
      const shifts = shiftsOf(plan, numbers, crowds);
      const first = new Set(crowds.map(({ ids }) => ids[0]!));
      const marks = plan.blocks
        .filter(({ id }) => shifts.has(id))
        .map((block) => {
          const box = first.has(block.id) ? crowdBox(block) : block;
          return { ...box, x: box.x + shifts.get(block.id)![0], y: box.y + shifts.get(block.id)![1] };
        });
      // Each number is drawn, or stands in the mark of a crowd.
      expect([...numbers.keys()].filter((id) => !shifts.has(id)).toSorted()).toEqual(
        crowds.flatMap(({ ids }) => ids.slice(1)).toSorted(),
      );
      expect(marks.length).toBeGreaterThan(5);
      const words = wordsOf(plan);
      for (const [k, mark] of marks.entries()) {
        expect(marks.slice(k + 1).filter((other) => !apart(mark, other))).toEqual([]);
        expect(words.filter((box) => !apart(mark, box))).toEqual([]);
      }
    }
  },
);

test('the fuses of a box have one mark together; with one of them picked each has its own', () => {
  const build = firn9();
  const { blocks } = layOutPlan(assess(build).vehicle, build, 'top');
  const numbers = numbersOf(blocks);
  const [crowd] = crowdsOf(blocks, numbers, null);
  expect(crowd!.ids).toContain('low-box');
  expect(crowdText(crowd!)).toBe(`${numbers.get(crowd!.ids[0]!)}–${numbers.get(crowd!.ids.at(-1)!)}`);
  expect(crowdsOf(blocks, numbers, 'low-box')).not.toContainEqual(crowd);
  expect(crowdText({ ids: ['a', 'b', 'c', 'd', 'e'], from: 3, to: 9 })).toBe('5 here');
});
