import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readBuildText } from '../schema';
import { VERSION } from '../types';
import { MIGRATIONS, type Migration, migrate } from './index';

test('there is exactly one migration from each older version, in order', () => {
  expect(MIGRATIONS.map((migration) => migration.from)).toEqual(Array.from({ length: VERSION - 1 }, (_, i) => i + 1));
});

test('a stored sample of every version up to the newest opens', () => {
  const folder = new URL('./stored/', import.meta.url);
  const stored = readdirSync(folder).sort();
  expect(stored).toEqual(Array.from({ length: VERSION }, (_, i) => `version-${i + 1}.json`));
  for (const file of stored)
    expect(readBuildText(readFileSync(new URL(file, folder), 'utf8'))).toMatchObject({ ok: true });
});

test('steps run one after the other, and each stamps the version', () => {
  const steps: Migration[] = [1, 2].map((from) => ({
    from,
    name: `step ${from}`,
    step: (document) => ({ ...document, trail: [...((document.trail as number[]) ?? []), from] }),
  }));
  expect(migrate({ version: 1 }, steps, 3)).toEqual({ version: 3, trail: [1, 2] });
  expect(() => migrate({ version: 1 }, steps.slice(1), 3)).toThrow('no migration from version 1');
});
