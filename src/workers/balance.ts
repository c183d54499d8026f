import { type Remote, wrap } from 'comlink';
import type { BalanceReads, BalanceResult } from '@/core/simulate';
import type { BalanceWorker } from './balance.worker';

let remote: Remote<BalanceWorker> | null = null;

/** The row charged and balanced, cell by cell, off the main thread. */
export async function runBalance(reads: BalanceReads): Promise<BalanceResult> {
  if (!remote) {
    const worker = new Worker(new URL('./balance.worker.ts', import.meta.url), { type: 'module' });
    worker.onerror = () => {
      remote = null;
    };
    remote = wrap<BalanceWorker>(worker);
  }
  return remote.run(reads) as Promise<BalanceResult>;
}
