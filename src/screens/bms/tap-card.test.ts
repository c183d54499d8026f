import { describe, expect, test } from 'vitest';
import { pinOf } from './tap-card';

describe('plug and pin of a sense wire', () => {
  // By counting on the fingers: 24 pins a plug, the 25th wire begins the second.
  test.each([
    [1, 24, '1.1'],
    [24, 24, '1.24'],
    [25, 24, '2.1'],
    [91, 24, '4.19'],
    [3, 2, '2.1'],
  ])('wire %i of plugs with %i pins', (wire, pins, at) => {
    expect(pinOf(wire, pins)).toBe(at);
  });
});
