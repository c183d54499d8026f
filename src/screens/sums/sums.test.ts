import { describe, expect, test } from 'vitest';
import { LAWS } from '@/core/calc/schema';
import { answerOf, answerText, figureText } from './answer';
import { figureAt } from './sum-types';
import { SUMS } from './sums';

const sum = (name: string) => SUMS.find((candidate) => candidate.name === name)!;

test('every law but the general network has a pocket tool', () => {
  expect(SUMS.map(({ name }) => name).sort()).toEqual(
    LAWS.map(({ name }) => name)
      .filter((name) => name !== 'network')
      .sort(),
  );
});

describe.each(SUMS.map((one) => [one.name, one] as const))('%s', (_, one) => {
  test('answers from its starting values, every figure is there, and it can be copied', () => {
    const answer = answerOf(one, one.start);
    if (!answer.ok) throw new Error(answer.reason);
    for (const figure of one.figures) expect(figureAt(answer.result, figure.key)).not.toBeUndefined();
    expect(answerText(one, one.start, answer.result)).toContain('→');
  });

  test('a needed field that is empty is named', () => {
    for (const field of one.fields.filter(({ needed }) => needed)) {
      const answer = answerOf(one, { ...one.start, [field.key]: null });
      expect(answer).toMatchObject({ ok: false, reason: `${field.label} is empty.` });
    }
  });
});

test('what never happens is said in words: a link without a resistor stays charged', () => {
  const discharge = sum('discharge');
  const answer = answerOf(discharge, { ...discharge.start, bleedResistanceOhm: null });
  if (!answer.ok) throw new Error(answer.reason);
  expect(figureText(answer.result, discharge.figures[0]!)).toBe('never');
});

test('a law that refuses says so with the field’s own name', () => {
  const withstand = sum('withstand');
  expect(answerOf(withstand, { ...withstand.start, finalTemperatureC: 60 })).toMatchObject({
    ok: false,
    reason: expect.stringMatching(/^May reach is not above/),
  });
});

test('the fuse’s pulse and rest make its profile: rms of 260 A for 10 s and 120 A for 300 s is 127 A', () => {
  const fuse = sum('fuse');
  const answer = answerOf(fuse, fuse.start);
  if (!answer.ok) throw new Error(answer.reason);
  expect(figureText(answer.result, fuse.figures[0]!)).toMatch(/^127.A$/);
});
