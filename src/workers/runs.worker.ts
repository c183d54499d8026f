import { expose } from 'comlink';
import type { Build } from '@/core/build';
import { makeRun, type RunId, type Runs } from '@/core/simulate';
import { Memory, vehicleOf } from '@/core/vehicle';

const memory = new Memory();

const api = {
  /** One run of a build, with progress; null while something that it needs is missing. */
  make<Id extends RunId>(id: Id, build: Build, onProgress: (share: number) => void): Runs[Id] {
    return makeRun(id, vehicleOf(build, memory), (share) => void onProgress(share));
  },
};

export type RunsWorker = typeof api;
expose(api);
