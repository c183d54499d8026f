import { expect, test } from 'vitest';
import { wordsMatch } from './words-match';

test('all words count, their order and their case do not', () => {
  expect(wordsMatch('Fuse of 115 A', '115')).toBe(1);
  expect(wordsMatch('Go to Cables', 'cab GO')).toBe(1);
  expect(wordsMatch('Go to Cables', 'cab pack')).toBe(0);
  // Digits that are there but not together are another number.
  expect(wordsMatch('Fuse of 101 A, 5 kA', '115')).toBe(0);
  expect(wordsMatch('anything', '')).toBe(1);
});
