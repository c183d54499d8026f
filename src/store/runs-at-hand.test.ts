import { expect, test } from 'vitest';
import type { SequenceSearch } from '@/core/simulate/sequence';
import { RunsAtHand } from './runs-at-hand';

const search = (key: string) => ({ key }) as SequenceSearch;
/** Whether it has answered by now. */
const answered = async (soon: Promise<unknown>) =>
  Promise.race([soon.then(() => true), new Promise((resolve) => setTimeout(() => resolve(false), 0))]);

test('who asks waits for what is being made, and gets it', async () => {
  const runs = new RunsAtHand();
  runs.begin('sequence');
  runs.begin('trip');
  const soon = runs.soon();
  runs.take('sequence', search('a'));
  runs.end('sequence');
  expect(await answered(soon)).toBe(false);
  runs.end('trip');
  expect(await soon).toEqual({ sequence: search('a') });
});

test('what is asked anew is waited for, what was asked before it is not', async () => {
  const runs = new RunsAtHand();
  runs.begin('sequence');
  const soon = runs.soon();
  runs.begin('sequence');
  expect(await answered(soon)).toBe(false);
  runs.take('sequence', search('b'));
  runs.end('sequence');
  expect(await soon).toEqual({ sequence: search('b') });
});

test('with nothing under way there is nothing to wait for', async () => {
  const runs = new RunsAtHand();
  expect(await answered(runs.soon())).toBe(true);
  runs.end('trip');
  expect(await runs.soon()).toEqual({});
});

test('nobody waits for ever for what never ends', async () => {
  const runs = new RunsAtHand();
  runs.begin('trip');
  runs.take('sequence', search('c'));
  expect(await runs.soon(10)).toEqual({ sequence: search('c') });
});
