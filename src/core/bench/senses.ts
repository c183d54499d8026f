import { MODE, WORLD } from '../simulate/sequence';

/** The link counts as dead below this share of the pack’s voltage. */
const DEAD_SHARE = 0.1;
/** Largest difference at which the main closes, V (reference of the trade). */
const CLOSE_WITHIN_V = 20;
const CURRENT_FROM_A = 5;
/** A link that moves by less than this share of the pack’s voltage in a second stands. */
const FALLS_SHARE = 0.01;
/** So long a link has to stand while the control wakes, s. */
const STANDS_S = 3;

/** What there is to be sensed at one moment. */
export interface Sensed {
  readonly timeS: number;
  readonly mode: number;
  /** Since when the sequence stands there, s. */
  readonly modeSinceS: number;
  readonly linkV: number;
  /** The pack at rest, V. */
  readonly packV: number;
  readonly packA: number;
  readonly speedMPerS: number;
  readonly torqueShare: number;
  /** Share of the pack’s voltage at which the main closes. */
  readonly closeAtFraction: number;
  /** Longest precharge, s. */
  readonly timeoutS: number;
  readonly wakeS: number;
}

/** What the sensors of a board say of volts, amperes, speed and time. */
export class Senses {
  /** The link as it was looked at last, and whether it had fallen since the look before. */
  private lookedV = 0;
  private lookedS = 0;
  private falls = false;

  /** The word with the bits that are measured put as they are. */
  feel(word: number, now: Sensed): number {
    let felt = word;
    const put = (bit: number, is: boolean) => {
      felt = is ? felt | bit : felt & ~bit;
    };
    const { linkV, packV, mode, closeAtFraction, speedMPerS } = now;
    const level = closeAtFraction * packV;
    put(
      WORLD.linkUp,
      packV > 0 &&
        linkV >= level * 0.97 &&
        (linkV >= level || mode !== MODE.precharge) &&
        packV - linkV <= Math.max(CLOSE_WITHIN_V, 0.1 * packV),
    );
    put(WORLD.linkDead, linkV < Math.max(1, DEAD_SHARE * packV));
    put(WORLD.timer, this.due(now));
    put(WORLD.current, Math.abs(now.packA) > CURRENT_FROM_A);
    if (mode === MODE.drive || mode === MODE.reverse || speedMPerS !== 0 || now.torqueShare !== 0) {
      put(WORLD.movingForward, speedMPerS > 0.5);
      put(WORLD.movingBackward, speedMPerS < -0.5);
    }
    return felt;
  }

  /** Whether it has waited as long as it may. */
  private due({ timeS, mode, modeSinceS, linkV, packV, timeoutS, wakeS }: Sensed): boolean {
    // A link that still falls is waited for: only what stands is a contactor that has welded.
    if (timeS - this.lookedS >= 1 || timeS < this.lookedS) {
      this.falls = this.lookedV - linkV > FALLS_SHARE * packV;
      this.lookedV = linkV;
      this.lookedS = timeS;
    }
    const held = timeS - modeSinceS;
    if (mode === MODE.precharge || mode === MODE['charge-precharge']) return held >= timeoutS;
    return mode === MODE.awake && !this.falls && held >= STANDS_S + wakeS;
  }
}
