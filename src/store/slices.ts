import { type Assessment, assess, assessing, type Given } from '@/core/assess';
import type { Build } from '@/core/build';

/** Above so many things a judgement is made in slices, so that the page goes on answering between them. */
const MANY = 240;
/** A slice ends with the first step after so long, ms. */
const SLICE_MS = 24;
/** As long as a page may be held up by one judgement, ms. */
const LONG_MS = 100;

/** Devices and conductors of both circuits. */
const sizeOf = ({ circuits: { hv, lv } }: Build): number =>
  [hv.devices, hv.conductors, lv.devices, lv.conductors].reduce((sum, one) => sum + Object.keys(one).length, 0);

/** Judges builds: small ones at once, large ones and those that were slow a slice at a time; what is asked later takes the place of what is not done. */
export class Judge {
  private turn = 0;
  /** How often in a row the last judgements held up the page: once may be a cold start. */
  private slow = 0;

  /** The next judgement would hold up the page. */
  isLong(build: Build): boolean {
    return sizeOf(build) > MANY || this.slow > 1;
  }

  /** Another build is judged from here on. */
  forget(): void {
    this.breakOff();
    this.slow = 0;
  }

  now(build: Build, given: Given): Assessment {
    this.breakOff();
    const since = performance.now();
    const assessment = assess(build, given);
    this.slow = performance.now() - since > LONG_MS ? this.slow + 1 : 0;
    return assessment;
  }

  /** Nothing is called back once another judgement was begun or this one was broken off. */
  inSlices(build: Build, given: Given, done: (assessment: Assessment) => void, failed: (error: unknown) => void): void {
    const turn = ++this.turn;
    const steps = assessing(build, given);
    let busy = 0;
    const slice = (): Assessment | null => {
      const since = performance.now();
      for (;;) {
        const step = steps.next();
        const spent = performance.now() - since;
        if (!step.done && spent < SLICE_MS) continue;
        busy += spent;
        return step.done ? step.value : null;
      }
    };
    const go = () => {
      if (turn !== this.turn) return;
      let assessment: Assessment | null;
      try {
        assessment = slice();
      } catch (error) {
        failed(error);
        return;
      }
      if (!assessment) {
        soon(go);
        return;
      }
      this.slow = busy > LONG_MS ? this.slow + 1 : 0;
      done(assessment);
    };
    soon(go);
  }

  breakOff(): void {
    this.turn++;
  }
}

/** After whatever the page has to do first: a message comes after input that waits, and sooner than a timer that is held back. */
const soon = (go: () => void): void => {
  const { port1, port2 } = new MessageChannel();
  port1.onmessage = () => {
    port1.close();
    go();
  };
  port2.postMessage(null);
};
