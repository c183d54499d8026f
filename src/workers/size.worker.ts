import { expose } from 'comlink';
import type { Build, Edit } from '@/core/build';
import { type SizeChoice, sizeCables } from '@/core/remedies';
import { Memory } from '@/core/vehicle';

/** Sizes as they travel. */
export interface SizeAnswer {
  readonly choices: readonly SizeChoice[];
  readonly edit: Edit | null;
  readonly refused: boolean;
  readonly before: { readonly massKg: number; readonly lossW: number; readonly fails: number };
  readonly after: { readonly massKg: number; readonly lossW: number; readonly fails: number };
}

const memory = new Memory();

const api = {
  /** Smallest sizes that keep the comfort, for the conductors named; progress is told as it goes. */
  size(
    build: Build,
    conductorIds: readonly string[],
    comfort: number,
    onProgress: (done: number, of: number) => void,
  ): SizeAnswer {
    return sizeCables(build, { conductorIds, comfort, onProgress, memory });
  },
};

export type SizeWorker = typeof api;
expose(api);
