import { expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9 } from '@/core/build/samples';
import { layOutPlan } from './derive-plan';
import { numbersOf } from './plan-key';

test('every block without room for its name has a number of its own, from front to rear', () => {
  const build = firn9();
  const { blocks } = layOutPlan(assess(build).vehicle, build, 'top');
  const numbers = numbersOf(blocks);
  const small = blocks.filter((block) => block.small);
  expect(small.length).toBeGreaterThan(5);
  expect([...numbers.keys()].sort()).toEqual(small.map(({ id }) => id).sort());
  expect([...numbers.values()]).toEqual(small.map((_, k) => k + 1));
  const xs = [...numbers.keys()].map((id) => blocks.find((block) => block.id === id)!.x);
  expect(xs).toEqual(xs.toSorted((p, q) => p - q));
});
