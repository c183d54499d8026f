import { proxy } from 'comlink';
import type { Build } from '@/core/build';
import type { RunId, Runs } from '@/core/simulate';
import { KeptWorker } from './aside';
import type { RunsWorker } from './runs.worker';

/** A short run is answered sooner than a fresh worker starts, ms. */
const WORTH_MS = 400;

/** One worker a run: one that is broken off takes no other along. */
class Aside {
  private readonly worker = new KeptWorker<RunsWorker>(
    () => new Worker(new URL('./runs.worker.ts', import.meta.url), { type: 'module' }),
  );
  /** Asks that have no answer yet, and when the last of them was made. */
  private open = new Set<symbol>();
  private since = 0;

  async make(id: RunId, build: Build, onProgress: (share: number) => void): Promise<Runs[RunId]> {
    if (this.open.size > 0 && performance.now() - this.since > WORTH_MS) this.breakOff();
    const mine = Symbol(id);
    this.open.add(mine);
    this.since = performance.now();
    try {
      return await this.worker.ask(async (remote) => (await remote.make(id, build, proxy(onProgress))) as Runs[RunId]);
    } finally {
      this.open.delete(mine);
    }
  }

  breakOff(): void {
    this.worker.end();
    this.open.clear();
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
