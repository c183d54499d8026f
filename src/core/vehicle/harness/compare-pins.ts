import type { PinRow } from '../../build';

export type PinVerdict = 'same' | 'moved' | 'missing' | 'extra' | 'different';
export interface PinDifference {
  readonly pin: string;
  readonly is: PinVerdict;
  readonly first: PinRow | null;
  readonly second: PinRow | null;
}

const bare = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/**
 * Two pin tables against each other: same signal at the same pin; moved: it is at another pin of the second; missing: nowhere in the second;
 * extra: only in the second; different: the pin carries another signal there, which is not its own moved one. Matching by the signal’s words.
 */
export function comparePins(first: readonly PinRow[], second: readonly PinRow[]): readonly PinDifference[] {
  const atPin = new Map(second.map((row) => [bare(row.pin), row]));
  const bySignal = new Map<string, PinRow[]>();
  for (const row of second) {
    const key = bare(row.signal);
    if (key !== '') bySignal.set(key, [...(bySignal.get(key) ?? []), row]);
  }
  const met = new Set<PinRow>();
  const out: PinDifference[] = first.map((row) => {
    const there = atPin.get(bare(row.pin)) ?? null;
    const signal = bare(row.signal);
    if (there && bare(there.signal) === signal) {
      met.add(there);
      return { pin: row.pin, is: 'same', first: row, second: there };
    }
    const moved = signal === '' ? undefined : bySignal.get(signal)?.find((one) => !met.has(one) && !sameIn(first, one));
    if (moved) {
      met.add(moved);
      return { pin: row.pin, is: 'moved', first: row, second: moved };
    }
    if (there && bare(there.signal) !== '') return { pin: row.pin, is: 'different', first: row, second: there };
    return { pin: row.pin, is: 'missing', first: row, second: there };
  });
  for (const row of second)
    if (!met.has(row) && !out.some(({ second: other }) => other === row) && bare(row.signal) !== '')
      out.push({ pin: row.pin, is: 'extra', first: null, second: row });
  return out;
}

/** That row has its like in the first table at the very pin: it is not what has moved. */
const sameIn = (first: readonly PinRow[], row: PinRow): boolean =>
  first.some((one) => bare(one.pin) === bare(row.pin) && bare(one.signal) === bare(row.signal));

/** Pins that a table names twice. */
export const pinsTwice = (rows: readonly PinRow[]): readonly string[] => [
  ...new Set(rows.map(({ pin }) => bare(pin)).filter((pin, k, all) => pin !== '' && all.indexOf(pin) !== k)),
];
