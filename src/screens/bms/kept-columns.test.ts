import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { LogColumn } from '@/core/logs';
import { rememberColumns, rememberedColumns } from './kept-columns';

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
  });
});
afterEach(() => vi.unstubAllGlobals());

const column = (name: string, is: 'time' | 'current' | 'skip'): LogColumn => ({ name, factor: 1, role: { is } });
const guessed = [column('t', 'time'), column('I', 'skip')];
const told = [column('t', 'time'), column('I', 'current')];

test('what columns are is asked once for the same names', () => {
  expect(rememberedColumns(guessed)).toBe(guessed);
  rememberColumns(told);
  expect(rememberedColumns(guessed)).toEqual(told);
  expect(rememberedColumns([column('t', 'time'), column('U', 'skip')])).toEqual([
    column('t', 'time'),
    column('U', 'skip'),
  ]);
});

test('what somebody else wrote there, or half a record, counts for nothing', () => {
  const key = () => [...store.keys()][0]!;
  rememberColumns(told);
  for (const text of [
    'no JSON',
    '{}',
    '[["t\\u0000I", "text"]]',
    '[["t\\u0000I", [{"name":"t","factor":1,"role":{"is":"time"}}]]]',
    '[["t\\u0000I", [{"name":"t","factor":1,"role":{"is":"rm"}},{"name":"I","factor":1,"role":{"is":"current"}}]]]',
    '[["t\\u0000I", [{"name":"t","factor":"1","role":{"is":"time"}},{"name":"I","factor":1,"role":{"is":"skip"}}]]]',
  ]) {
    store.set(key(), text);
    expect(rememberedColumns(guessed), text).toBe(guessed);
  }
});

test('twenty sorts of log are kept, the oldest goes; blocked storage only forgets', () => {
  for (let k = 0; k < 21; k++) rememberColumns([column(`t${k}`, 'time'), column('I', 'current')]);
  const again = (k: number) => rememberedColumns([column(`t${k}`, 'time'), column('I', 'skip')])[1]!.role.is;
  expect(again(0)).toBe('skip');
  expect(again(1)).toBe('current');
  expect(again(20)).toBe('current');
  vi.stubGlobal('localStorage', {
    getItem: () => {
      throw new Error('blocked');
    },
    setItem: () => {
      throw new Error('blocked');
    },
  });
  expect(() => rememberColumns(told)).not.toThrow();
  expect(rememberedColumns(guessed)).toBe(guessed);
});
