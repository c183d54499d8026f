import { expect, test } from 'vitest';
import { namedLoads } from './time-current-chart';

test('every dot of the fuse picture has its name, once, where dots lie together at the greatest of them', () => {
  const named = namedLoads([
    { name: 'Cruise', currentA: 100, timeS: 3600 },
    { name: 'Hill', currentA: 120, timeS: 3600 },
    { name: 'Heating', currentA: 15, timeS: 3600 },
    { name: 'Hard acceleration', currentA: 125, timeS: 10 },
  ]);
  expect(named.map(({ name }) => name)).toEqual(['', 'hill, cruise', 'heating', 'hard acceleration']);
  expect(named.map(({ x, y }) => [x, y])).toEqual([
    [100, 3600],
    [120, 3600],
    [15, 3600],
    [125, 10],
  ]);
});
