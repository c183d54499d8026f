import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { SAMPLES } from '../../build/samples';
import { readTable, verdictLines } from './table';

/** Margins nearer than this are one: solvers stop within it. */
const SAME = 1e-4;

describe('what is judged of a sample stays, unless somebody says why it changes', () => {
  test.each(SAMPLES.map(({ key, make }) => [key, make] as const))('%s', (key, make) => {
    const kept = readTable(readFileSync(new URL(`./${key}.txt`, import.meta.url), 'utf8'));
    const now = verdictLines(make(key));
    expect(now.map((line) => `${line.key} | ${line.verdict}`)).toEqual(
      kept.map((line) => `${line.key} | ${line.verdict}`),
    );
    const moved = now.flatMap((line, k) => {
      const before = kept[k]!.margin;
      if (line.margin === null || before === null) return line.margin === before ? [] : [{ ...line, before }];
      if (line.margin === before || Math.abs(line.margin - before) <= SAME * (1 + Math.abs(before))) return [];
      return [{ ...line, before }];
    });
    expect(moved).toEqual([]);
  });
});
