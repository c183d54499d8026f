import { expose } from 'comlink';
import type { Build } from '@/core/build';
import { type TripRuns, tripRuns } from '@/core/simulate';
import { vehicleOf } from '@/core/vehicle';

const api = {
  /** The usual trip of a build, new and mild, aged and cold; null while something that it needs is missing. */
  drive(build: Build): TripRuns | null {
    return tripRuns(vehicleOf(build));
  },
};

export type TripsWorker = typeof api;
expose(api);
