import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { describeBuildFile } from '../../build/schema';
import { describeLaws } from './describe-laws';
import { calculate } from './index';

const read = (name: string) => readFileSync(new URL(`../../../../docs/${name}`, import.meta.url), 'utf8');

test('the documentation of the build file is the schema’s', () => {
  expect(read('build-file.md')).toBe(describeBuildFile());
});

test('the page of the laws is what they answer', () => {
  expect(read('laws.md')).toBe(describeLaws());
});

describe('every calculation example in the documentation runs', () => {
  const blocks = ['laws.md', 'headless.md'].flatMap((page) =>
    [...read(page).matchAll(/^## ([a-z-]+)\n(?:(?!^## )[\s\S])*?```json\n([\s\S]*?)\n```/gm)].map(
      ([, name, json]) => [page, name!, json!] as const,
    ),
  );
  test('there are some on the pages', () => {
    expect(blocks.length).toBeGreaterThanOrEqual(8);
  });
  test.each(blocks)('%s: %s', (_, name, json) => {
    expect(calculate(name, JSON.parse(json))).toMatchObject({ ok: true });
  });
});
