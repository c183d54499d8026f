import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cut, linesOf, nameIn } from './plan-names';

describe('names on the plan', () => {
  test('what is too long ends in an ellipsis that counts', () => {
    expect(cut('Junction box', 12)).toBe('Junction box');
    expect(cut('Junction box', 8)).toBe('Junctio…');
  });

  test('two lines break between words, one line is cut', () => {
    expect(linesOf('Battery box, rear', 12, 2)).toEqual(['Battery box,', 'rear']);
    expect(linesOf('Battery box, rear', 12, 1)).toEqual(['Battery box…']);
    expect(linesOf('Interconnection', 8, 2)).toEqual(['Interco…']);
  });

  test('no line is longer than there is room for, and no word is lost without an ellipsis', () => {
    const word = fc.stringMatching(/^[a-z]{1,9}$/);
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 2, max: 30 }),
        fc.integer({ min: 1, max: 3 }),
        (words, most, lines) => {
          const name = words.join(' ');
          const said = linesOf(name, most, lines);
          expect(said.length).toBeLessThanOrEqual(lines);
          for (const line of said) expect(line.length).toBeLessThanOrEqual(most);
          if (!said.at(-1)!.endsWith('…')) expect(said.join(' ')).toBe(name);
        },
      ),
    );
  });

  test('a block too low or too narrow has its name outside; a tall one has two lines', () => {
    const at = (width: number, height: number) => nameIn({ name: 'Motor controller', width, height });
    expect(at(63, 27).inside).toBe(true);
    expect(at(62, 27).inside).toBe(false);
    expect(at(63, 26).inside).toBe(false);
    expect(at(70, 43).lines.length).toBe(2);
    expect(at(70, 42).lines.length).toBe(1);
  });
});
