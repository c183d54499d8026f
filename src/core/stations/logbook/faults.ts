import type { LogbookData, LogEntry } from '../../build';
import { inOrder } from './due';

/** A fault code over the book. */
export interface FaultLine {
  readonly code: string;
  readonly what: string;
  readonly first: string;
  readonly last: string;
  readonly times: number;
  /** open: not cleared since it last came. returned: cleared before, and here again. cleared: gone. */
  readonly state: 'open' | 'returned' | 'cleared';
}

/** Each code, or each fault without one, with what became of it. */
export function faultsOf(logbook: LogbookData): readonly FaultLine[] {
  const byCode = new Map<string, LogEntry[]>();
  for (const entry of inOrder(logbook)) {
    if (entry.kind !== 'fault') continue;
    const key = (entry.code?.trim() || entry.what.trim()).toUpperCase();
    byCode.set(key, [...(byCode.get(key) ?? []), entry]);
  }
  return [...byCode.values()].map((list): FaultLine => {
    const [first, last] = [list[0]!, list.at(-1)!];
    const clearedBefore = list.slice(0, -1).some(({ cleared }) => cleared !== undefined && cleared <= last.date);
    return {
      code: last.code?.trim() ?? '',
      what: last.what,
      first: first.date,
      last: last.date,
      times: list.length,
      state: last.cleared !== undefined ? 'cleared' : clearedBefore ? 'returned' : 'open',
    };
  });
}
