import type { Remote } from 'comlink';
import type { Build, Edit } from '@/core/build';
import type { Part } from '@/core/parts';
import type { NextFigure, StarterChoice } from '@/core/remedies';
import type { Runs } from '@/core/simulate';
import { KeptWorker } from './aside';
import type { RankedBrief, RemediesWorker, RemedyAnswer, StarterBrief, TrialBrief } from './remedies.worker';

const worker = new KeptWorker<RemediesWorker>(
  () => new Worker(new URL('./remedies.worker.ts', import.meta.url), { type: 'module' }),
);
const aside = <T>(ask: (api: Remote<RemediesWorker>) => Promise<T>): Promise<T> => worker.ask(ask);

/** Remedies for the check `key` of this build, off the main thread; runs that are at hand are not made again. Rejects when the worker dies. */
export const findRemediesAside = (build: Build, key: string, runs: Runs): Promise<RemedyAnswer> =>
  aside((api) => api.find(build, key, runs));

/** One edit tried on the whole model, off the main thread. Rejects when the worker dies. */
export const tryAside = (build: Build, edit: Edit, runs: Runs): Promise<TrialBrief> =>
  aside((api) => api.tryEdit(build, edit, runs));

/** The untold figure that opens most checks, off the main thread. Rejects when the worker dies. */
export const nextAside = (build: Build): Promise<NextFigure | null> => aside((api) => api.next(build));

/** A first circuit that holds, or the nearest to it, off the main thread. Rejects when the worker dies. */
export const planStarterAside = (build: Build, choice: StarterChoice, seed: string): Promise<StarterBrief> =>
  aside((api) => api.planStarter(build, choice, seed));

/** Candidates for one place, best first, off the main thread. Rejects when the worker dies. */
export const rankAside = (
  build: Build,
  candidates: readonly { readonly part: Part; readonly edit: Edit }[],
  runs: Runs,
): Promise<readonly RankedBrief[]> => aside((api) => api.rank(build, candidates, runs));

export type { CheckBrief, RankedBrief, RemedyAnswer, RemedyOffer, StarterBrief, TrialBrief } from './remedies.worker';
