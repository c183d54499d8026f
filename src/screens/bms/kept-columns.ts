import type { LogColumn } from '@/core/logs';

const KEY = 'ropeway-log-columns';
const MOST = 20;

type Kept = readonly (readonly [string, readonly LogColumn[]])[];

const namesOf = (columns: readonly LogColumn[]): string => columns.map(({ name }) => name).join('\u0000');

function kept(): Kept {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(found) ? (found as Kept) : [];
  } catch {
    // Storage may be blocked, or hold what somebody else wrote there.
    return [];
  }
}

const isColumn = (one: unknown): one is LogColumn => {
  if (typeof one !== 'object' || one === null) return false;
  const { name, factor, role } = one as { name?: unknown; factor?: unknown; role?: { is?: unknown; number?: unknown } };
  const plain = ['time', 'current', 'voltage', 'skip'];
  const counted = ['cell', 'temperature'];
  return (
    typeof name === 'string' &&
    typeof factor === 'number' &&
    (plain.includes(String(role?.is)) || (counted.includes(String(role?.is)) && typeof role?.number === 'number'))
  );
};

/** Columns as they were told for the same names before; else as they are guessed. */
export function rememberedColumns(guessed: readonly LogColumn[]): readonly LogColumn[] {
  const before = kept().find((one) => Array.isArray(one) && one[0] === namesOf(guessed))?.[1];
  return Array.isArray(before) && before.length === guessed.length && before.every(isColumn) ? before : guessed;
}

/** Remembers what the columns of these names are, the last twenty sorts of log. */
export function rememberColumns(columns: readonly LogColumn[]): void {
  try {
    const others = kept().filter((one) => Array.isArray(one) && one[0] !== namesOf(columns));
    localStorage.setItem(KEY, JSON.stringify([[namesOf(columns), columns], ...others].slice(0, MOST)));
  } catch {
    // As above.
  }
}
