import { proxy } from 'comlink';
import type { Build } from '@/core/build';
import { askOnce } from './aside';
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
  const { answer, stop } = askOnce<SizeWorker, SizeAnswer>(worker, (remote) =>
    remote.size(build, conductorIds, comfort, proxy(onProgress)),
  );
  return { answer, cancel: stop };
}
export type { SizeAnswer } from './size.worker';
