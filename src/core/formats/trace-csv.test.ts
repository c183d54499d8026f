import { describe, expect, test } from 'vitest';
import { readTraceCsv } from './trace-csv';

const read = (text: string, kind: Parameters<typeof readTraceCsv>[1] = 'precharge') => {
  const found = readTraceCsv(text, kind);
  if (!found.ok) throw new Error(JSON.stringify(found.errors));
  return found.trace;
};

describe('traces of instruments', () => {
  test('lines of the instrument above the columns, milliseconds and kilovolts in the heading', () => {
    const { timesS, values, heads } = read('Record length,4\nSource,CH1\ntime (ms),U (kV)\n0,0\n100,0.15\n200,0.25\n');
    expect(timesS).toEqual([0, 0.1, 0.2]);
    expect(values).toEqual([0, 150, 250]);
    expect(heads).toEqual(['time (ms)', 'U (kV)']);
  });

  test('decimal commas and semicolons, no heading at all', () => {
    const { timesS, values } = read('0,0;0,5\n0,5;12,25\n1,0;13,5\n');
    expect(timesS).toEqual([0, 0.5, 1]);
    expect(values).toEqual([0.5, 12.25, 13.5]);
  });

  test('degrees Fahrenheit: 212 °F are 100 °C', () => {
    expect(read('t (s);T (°F)\n0;32\n60;212\n', 'temperature').values).toEqual([0, 100]);
  });

  test('time that goes backwards is named with its line, and nothing is taken', () => {
    const found = readTraceCsv('t,V\n0,0\n1,5\n0.5,6\n2,7\n', 'precharge');
    expect(found).toEqual({
      ok: false,
      errors: [
        {
          path: 'line 4',
          reason: 'time goes backwards: 0.5 s after 1 s.',
          remedy: 'The clock was set meanwhile, or two records are joined: keep one of them.',
        },
      ],
    });
  });

  test.each([
    ['', /no two columns/],
    ['a;b\nc;d\n', /no two columns/],
    ['t;V\n0;0\n1;over\n2;3\n', /is no time and value/],
    ['t;V\n0;0\n', /single point/],
  ])('%j is refused in words', (text, reason) => {
    const found = readTraceCsv(text, 'precharge');
    expect(found.ok).toBe(false);
    expect(found.ok ? '' : found.errors[0]!.reason).toMatch(reason);
  });
});
