import { expose } from 'comlink';
import type { Build } from '@/core/build';
import { type TripRuns, tripRuns } from '@/core/simulate';
import { Memory, vehicleOf } from '@/core/vehicle';

const memory = new Memory();

const api = {
  /** The usual trip of a build, new and mild, aged and cold, with progress; null while something that it needs is missing. */
  drive(build: Build, onProgress: (share: number) => void): TripRuns | null {
    return tripRuns(vehicleOf(build, memory), (share) => void onProgress(share));
  },
};

export type TripsWorker = typeof api;
expose(api);
