import { randomInt } from 'node:crypto';

const GOOD_FOR_MS = 10 * 60_000;
const MOST_KEPT = 4;
/** So many wrong codes and everything that waits is dropped: eight digits can't be guessed in ten tries. */
const MOST_WRONG = 10;
const DIGITS = 8;

export interface Offered {
  readonly code: string;
  readonly until: number;
}
export type Taken =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly why: 'unknown' | 'locked' };

/** Builds that wait to be fetched by another device: in memory only, ten minutes, once. */
export class Handover {
  readonly #waiting = new Map<string, { readonly text: string; readonly until: number }>();
  #wrong = 0;
  constructor(
    private readonly now: () => number = Date.now,
    private readonly draw: () => string = () => String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0'),
  ) {}

  #expire(): void {
    const now = this.now();
    for (const [code, { until }] of this.#waiting) if (until <= now) this.#waiting.delete(code);
    if (this.#waiting.size === 0) this.#wrong = 0;
  }

  /** Null: too many wait already. */
  offer(text: string): Offered | null {
    this.#expire();
    if (this.#waiting.size >= MOST_KEPT) return null;
    let code = this.draw();
    while (this.#waiting.has(code)) code = this.draw();
    const until = this.now() + GOOD_FOR_MS;
    this.#waiting.set(code, { text, until });
    return { code, until };
  }

  take(typed: string): Taken {
    this.#expire();
    const code = typed.replace(/\D/g, '');
    const found = this.#waiting.get(code);
    if (found) {
      this.#waiting.delete(code);
      return { ok: true, text: found.text };
    }
    if (++this.#wrong < MOST_WRONG) return { ok: false, why: 'unknown' };
    this.#waiting.clear();
    this.#wrong = 0;
    return { ok: false, why: 'locked' };
  }
}
