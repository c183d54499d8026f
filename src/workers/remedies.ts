import { type Remote, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { RemediesWorker, RemedyAnswer } from './remedies.worker';

let remote: Remote<RemediesWorker> | null = null;
let fail: ((reason: Error) => void) | null = null;

function worker(): Remote<RemediesWorker> {
  if (remote) return remote;
  const started = new Worker(new URL('./remedies.worker.ts', import.meta.url), { type: 'module' });
  // A dead worker never answers: say so, and start a fresh one next time.
  started.onerror = (event) => {
    remote = null;
    fail?.(new Error(event.message || 'the worker stopped'));
  };
  remote = wrap<RemediesWorker>(started);
  return remote;
}

/** Remedies for the check `key` of this build, off the main thread. Rejects when the worker dies. */
export function findRemediesAside(build: Build, key: string): Promise<RemedyAnswer> {
  return new Promise((resolve, reject) => {
    fail = reject;
    worker().find(build, key).then(resolve, reject);
  });
}

export type { RemedyAnswer, RemedyOffer } from './remedies.worker';
