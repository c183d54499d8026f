import { type Remote, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { TripRuns } from '@/core/simulate';
import type { TripsWorker } from './trips.worker';

let remote: Remote<TripsWorker> | null = null;

function worker(): Remote<TripsWorker> {
  if (remote) return remote;
  const started = new Worker(new URL('./trips.worker.ts', import.meta.url), { type: 'module' });
  // A dead worker never answers: the next ask starts a fresh one.
  started.onerror = () => {
    remote = null;
  };
  remote = wrap<TripsWorker>(started);
  return remote;
}

/** Drives the usual trip of this build off the main thread; nothing where there are no workers. */
export async function driveTripAside(build: Build): Promise<TripRuns | null> {
  if (typeof Worker === 'undefined') return null;
  return worker().drive(build);
}
