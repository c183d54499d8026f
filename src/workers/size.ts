import { proxy, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { SizeAnswer, SizeWorker } from './size.worker';

export interface Sizing {
  readonly answer: Promise<SizeAnswer>;
  /** Ends it at once: the worker is thrown away. */
  readonly cancel: () => void;
}

/** Sizes conductors off the main thread, in a worker of its own, so that it can be stopped at any moment. */
export function sizeAside(
  build: Build,
  conductorIds: readonly string[],
  comfort: number,
  onProgress: (done: number, of: number) => void,
): Sizing {
  const worker = new Worker(new URL('./size.worker.ts', import.meta.url), { type: 'module' });
  const answer = new Promise<SizeAnswer>((resolve, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || 'the worker stopped'));
    wrap<SizeWorker>(worker)
      .size(build, conductorIds, comfort, proxy(onProgress))
      .then(resolve, reject)
      .finally(() => worker.terminate());
  });
  return { answer, cancel: () => worker.terminate() };
}
export type { SizeAnswer } from './size.worker';
