import { expect, test } from 'vitest';
import { once } from './once';

test('each thing is asked once, and two that say the same are two', () => {
  const asked: object[] = [];
  const lengthOf = once((list: readonly number[]) => {
    asked.push(list);
    return list.length;
  });
  const [one, like] = [
    [1, 2],
    [1, 2],
  ];
  expect([lengthOf(one!), lengthOf(one!), lengthOf(like!)]).toEqual([2, 2, 2]);
  expect(asked).toEqual([one, like]);
});

test('nothing is an answer too: it is not asked again', () => {
  let asked = 0;
  const nothing = once((_: object): undefined => {
    asked += 1;
  });
  const thing = {};
  expect([nothing(thing), nothing(thing), asked]).toEqual([undefined, undefined, 1]);
});

test('what could not be worked out is asked again', () => {
  let asked = 0;
  const fails = once((_: object): number => {
    asked += 1;
    if (asked === 1) throw new Error('not yet');
    return asked;
  });
  const thing = {};
  expect(() => fails(thing)).toThrow('not yet');
  expect(fails(thing)).toBe(2);
});
