import type { BalanceReads, BalanceResult } from '@/core/simulate';
import { KeptWorker } from './aside';
import type { BalanceWorker } from './balance.worker';

const worker = new KeptWorker<BalanceWorker>(
  () => new Worker(new URL('./balance.worker.ts', import.meta.url), { type: 'module' }),
);

/** The row charged and balanced, cell by cell, off the main thread. Rejects when the worker dies. */
export const runBalance = (reads: BalanceReads): Promise<BalanceResult> =>
  worker.ask((remote) => remote.run(reads) as Promise<BalanceResult>);
