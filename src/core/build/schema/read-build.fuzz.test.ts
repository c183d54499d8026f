import fc from 'fast-check';
import { expect, test } from 'vitest';
import { checkReferences } from '../references';
import { SAMPLES } from '../samples';
import { readBuild, readBuildText } from './index';

/** 10,000 mutated files in all: of text and of structure. Read whole or refused whole, never thrown, never hung. */
const TEXTS = SAMPLES.map((sample) => JSON.stringify(sample.make(sample.key)));
const whole = (read: ReturnType<typeof readBuild>): void => {
  if (read.ok) {
    expect(checkReferences(read.build)).toEqual([]);
    return;
  }
  expect(read.errors.length).toBeGreaterThan(0);
  for (const { path, reason, remedy } of read.errors)
    expect(path.length > 0 && reason.length > 5 && remedy.length > 5).toBe(true);
};

test('7,000 files with bytes dropped, put in and doubled', () => {
  const text = fc.constantFrom(...TEXTS);
  const bits = fc.constantFrom(
    '',
    '"',
    '}',
    '{',
    ']',
    ',',
    '0',
    '-',
    'null',
    '1e999',
    '[',
    '__proto__',
    '\\u0000',
    '\uFEFF',
    '\ud800',
  );
  fc.assert(
    fc.property(
      text,
      fc.double({ min: 0, max: 1, noNaN: true }),
      bits,
      fc.nat(60),
      fc.nat(3),
      (file, at, put, drop, times) => {
        const from = Math.floor(at * file.length);
        whole(readBuildText(file.slice(0, from) + put.repeat(times + 1) + file.slice(from + drop)));
      },
    ),
    { seed: 72, numRuns: 7000 },
  );
});

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Every place in a document, as a way of keys. */
function places(value: Json, way: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [way];
  return [way, ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...way, key]))];
}

test('3,000 files with fields removed, replaced by nonsense, renamed and moved', () => {
  const documents = TEXTS.map((file) => ({ file, ways: places(JSON.parse(file)).filter((way) => way.length > 0) }));
  const nonsense = fc.constantFrom<Json>(
    null,
    true,
    -1,
    0,
    1e308,
    '',
    'constructor',
    '__proto__',
    [],
    {},
    [[]],
    { id: 'x' },
    '\u0000',
    'a'.repeat(300),
    Number.MAX_SAFE_INTEGER,
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...documents),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      nonsense,
      fc.constantFrom('remove', 'replace', 'rename', 'move'),
      ({ file, ways }, at, other, value, what) => {
        const document = JSON.parse(file) as { [key: string]: Json };
        const way = ways[Math.floor(at * (ways.length - 1))]!;
        const holder = way
          .slice(0, -1)
          .reduce<Json>((inner, key) => (inner as { [key: string]: Json })[key]!, document) as { [key: string]: Json };
        const last = way.at(-1)!;
        if (what === 'remove') delete holder[last];
        else if (what === 'replace') holder[last] = value;
        else if (what === 'rename') {
          holder[`${last}x`] = holder[last]!;
          delete holder[last];
        } else {
          const from = ways[Math.floor(other * (ways.length - 1))]!;
          holder[last] = structuredClone(
            from.reduce<Json>((inner, key) => (inner as { [key: string]: Json })[key]!, document),
          );
        }
        whole(readBuild(document));
      },
    ),
    { seed: 73, numRuns: 3000 },
  );
});
