import type { Comma } from '@/core/quantities';

const KEY = 'ropeway-comma';

/** What a comma before three digits was said to mean; undefined: nobody was asked yet. */
export function keptComma(): Comma | undefined {
  try {
    const kept = localStorage.getItem(KEY);
    return kept === 'thousands' || kept === 'decimal' ? kept : undefined;
  } catch {
    // Storage may be blocked: then it is asked each time.
    return undefined;
  }
}

export function keepComma(comma: Comma): void {
  try {
    localStorage.setItem(KEY, comma);
  } catch {
    // As above.
  }
}
