import { describe, expect, test } from 'vitest';
import { LawRefused } from '@/core/calc';
import { answerOf, answerText, figureText } from './answer';
import type { Sum } from './sum-types';

const plain = (text: string) => text.replace(/[\u00A0\u202F]/g, ' ');
/** Ohm’s law, made up for the test. */
const ohm = {
  id: 'ohm',
  title: 'Current',
  fields: [
    { key: 'voltageV', label: 'Voltage', dimension: 'voltage', needed: true },
    { key: 'resistanceOhm', label: 'Resistance', dimension: 'resistance', needed: true },
    { key: 'note', label: 'Hot', needed: false },
  ],
  figures: [{ key: 'currentA', label: 'Current', dimension: 'current' }],
  run: ({ voltageV, resistanceOhm }: Record<string, number>) => {
    if (resistanceOhm === 0) throw new LawRefused('resistanceOhm', 'is nothing.', 'Enter what it is.');
    return {
      result: { currentA: voltageV! / resistanceOhm! },
      working: [{ formula: 'I = U / R', figures: `${voltageV} / ${resistanceOhm}` }],
    };
  },
} as unknown as Sum;

describe('a quick sum', () => {
  test('what is empty is asked for by its name before anything is worked out', () => {
    expect(answerOf(ohm, { voltageV: 12, resistanceOhm: null, note: false })).toEqual({
      ok: false,
      reason: 'Resistance is empty.',
      remedy: 'Fill it in for an answer.',
    });
  });

  test('12 V across 4 Ω are 3 A, with the working', () => {
    const answer = answerOf(ohm, { voltageV: 12, resistanceOhm: 4, note: false });
    expect(answer).toMatchObject({ ok: true, result: { currentA: 3 } });
    expect(answer.ok && answer.working).toHaveLength(1);
  });

  test('a law that refuses says why at the field’s own name', () => {
    expect(answerOf(ohm, { voltageV: 12, resistanceOhm: 0, note: false })).toEqual({
      ok: false,
      reason: 'Resistance is nothing.',
      remedy: 'Enter what it is.',
    });
  });

  test('a fault of ours is not hidden in words', () => {
    const broken = {
      ...ohm,
      run: () => {
        throw new TypeError('x is not a function');
      },
    } as unknown as Sum;
    expect(() => answerOf(broken, { voltageV: 1, resistanceOhm: 1, note: false })).toThrow(TypeError);
  });

  test('what is copied says what was given, what came out, and that it is computed', () => {
    const text = plain(answerText(ohm, { voltageV: 12, resistanceOhm: 4, note: true }, { currentA: 3 }));
    expect(text).toBe('Current: Voltage 12 V, Resistance 4 Ω, Hot yes.\n→ Current 3 A. Computed, not proved.');
  });

  test('what is not told is left out of it; a figure that never comes is a dash, or its own word', () => {
    expect(plain(answerText(ohm, { voltageV: 12, resistanceOhm: 4, note: false }, {}))).toBe(
      'Current: Voltage 12 V, Resistance 4 Ω.\n→ Current –. Computed, not proved.',
    );
    const figure = { key: 'timeS', label: 'Time', dimension: 'time', never: 'never' } as const;
    expect(figureText({ timeS: null }, figure)).toBe('never');
    expect(figureText({ timeS: true }, figure)).toBe('yes');
  });
});
