import { proxy, type Remote, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { TripRuns } from '@/core/simulate';
import type { TripsWorker } from './trips.worker';

let started: Worker | null = null;
let remote: Remote<TripsWorker> | null = null;
/** Asks that have no answer yet, and when the last of them was made. */
let busy = 0;
let since = 0;
/** A short trip is answered sooner than a fresh worker starts, ms. */
const WORTH_MS = 400;

function worker(): Remote<TripsWorker> {
  if (remote) return remote;
  const fresh = new Worker(new URL('./trips.worker.ts', import.meta.url), { type: 'module' });
  started = fresh;
  // A dead worker never answers: the next ask starts a fresh one.
  fresh.onerror = () => {
    if (started === fresh) remote = null;
  };
  remote = wrap<TripsWorker>(fresh);
  return remote;
}

/**
 * Drives the usual trip of this build off the main thread; nothing where there are no workers. A long trip that is still being driven for
 * what is no longer the build is broken off at once: its promise stays open and its worker is gone.
 */
export async function driveTripAside(build: Build, onProgress: (share: number) => void): Promise<TripRuns | null> {
  if (typeof Worker === 'undefined') return null;
  if (busy > 0 && performance.now() - since > WORTH_MS) breakOffTrip();
  busy += 1;
  since = performance.now();
  const mine = worker();
  try {
    return await mine.drive(build, proxy(onProgress));
  } finally {
    if (remote === mine) busy = Math.max(0, busy - 1);
  }
}

/** Breaks off whatever is being driven, at once: the worker is thrown away and its promises stay open. */
export function breakOffTrip(): void {
  started?.terminate();
  started = null;
  remote = null;
  busy = 0;
}
