import { proxy, type Remote, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { RunId, Runs } from '@/core/simulate';
import type { RunsWorker } from './runs.worker';

/** A short run is answered sooner than a fresh worker starts, ms. */
const WORTH_MS = 400;

/** One worker a run: one that is broken off takes no other along. */
class Aside {
  private started: Worker | null = null;
  private remote: Remote<RunsWorker> | null = null;
  /** Everybody who waits for an answer: a dead worker gives none. */
  private readonly waiting = new Set<(reason: Error) => void>();
  /** Asks that have no answer yet, and when the last of them was made. */
  private busy = 0;
  private since = 0;

  private worker(): Remote<RunsWorker> {
    if (this.remote) return this.remote;
    const fresh = new Worker(new URL('./runs.worker.ts', import.meta.url), { type: 'module' });
    this.started = fresh;
    // A dead worker never answers: say so; the next ask starts a fresh one.
    fresh.onerror = (event) => {
      if (this.started !== fresh) return;
      this.breakOff((reject) => reject(new Error(event.message || 'the worker stopped')));
    };
    this.remote = wrap<RunsWorker>(fresh);
    return this.remote;
  }

  async make(id: RunId, build: Build, onProgress: (share: number) => void): Promise<Runs[RunId]> {
    if (this.busy > 0 && performance.now() - this.since > WORTH_MS) this.breakOff();
    this.busy += 1;
    this.since = performance.now();
    const mine = this.worker();
    let give: (reason: Error) => void = () => {};
    const dead = new Promise<never>((_, reject) => {
      give = reject;
    });
    this.waiting.add(give);
    try {
      return await Promise.race([mine.make(id, build, proxy(onProgress)), dead]);
    } finally {
      this.waiting.delete(give);
      if (this.remote === mine) this.busy = Math.max(0, this.busy - 1);
    }
  }

  /** Throws the worker away; those who wait for it hear nothing any more, or what is told here. */
  breakOff(tell: (reject: (reason: Error) => void) => void = () => {}): void {
    this.started?.terminate();
    this.started = null;
    this.remote = null;
    this.busy = 0;
    const waiting = [...this.waiting];
    this.waiting.clear();
    for (const reject of waiting) tell(reject);
  }
}

const asides = new Map<RunId, Aside>();

/**
 * Makes a run of this build off the main thread; nothing where there are no workers. A long one that is still being made for what is no longer
 * the build is broken off at once: its promise stays open and its worker is gone.
 */
export async function makeRunAside(id: RunId, build: Build, onProgress: (share: number) => void): Promise<Runs[RunId]> {
  if (typeof Worker === 'undefined') return null;
  const aside = asides.get(id) ?? new Aside();
  asides.set(id, aside);
  return aside.make(id, build, onProgress);
}

/** Breaks off a run at once: its worker is thrown away and its promises stay open. */
export const breakOffRun = (id: RunId): void => asides.get(id)?.breakOff();
