import type { Meters } from './meters';
import type { State } from './stepper';
import type { LoadSwitching } from './transient-options';

/** Two moments count as the same from this share of the scale on, and a rhythm is believed when it came twice. */
const SAME = 1e-5;
/** Fewer cycles than these are simply lived through. */
const WORTH_SKIPPING = 2;

interface Moment {
  readonly t: number;
  readonly key: string;
  readonly state: State;
  readonly totals: Float64Array;
  readonly switchings: number;
}

/**
 * Loads that come and go for ever in one rhythm (a converter that wakes, pulls the link down and lets go): once two cycles in a row
 * were the same, the rest of them up to the next thing that happens is added up instead of lived through.
 */
export class Cycles {
  private before: Moment | null = null;
  private last: Moment | null = null;

  /** Anything else has happened: what was seen before tells nothing any more. */
  forget(): void {
    this.before = null;
    this.last = null;
  }

  /** Called as a load has come on. The time that may be skipped before `until`, s; 0: none. */
  skip(
    t: number,
    until: number,
    key: string,
    state: State,
    scales: readonly number[],
    meters: Meters,
    switchings: LoadSwitching[],
  ): number {
    const now: Moment = { t, key, state: state.slice(), totals: meters.totals(), switchings: switchings.length };
    const [first, second] = [this.before, this.last];
    this.before = this.last;
    this.last = now;
    if (!first || !second || !alike(first, second, scales) || !alike(second, now, scales)) return 0;
    const period = now.t - second.t;
    if (Math.abs(second.t - first.t - period) > 1e-3 * period) return 0;
    const times = Math.floor((until - t) / period) - 1;
    if (times < WORTH_SKIPPING) return 0;
    meters.repeat(second.totals, times);
    for (let k = second.switchings; k < switchings.length; k++)
      switchings[k] = { ...switchings[k]!, again: (switchings[k]!.again ?? 0) + times };
    this.forget();
    return times * period;
  }
}

const alike = (p: Moment, q: Moment, scales: readonly number[]): boolean =>
  p.key === q.key && p.state.every((value, i) => Math.abs(value - q.state[i]!) <= SAME * scales[i]!);
