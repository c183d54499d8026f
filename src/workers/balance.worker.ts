import { expose } from 'comlink';
import { type BalanceReads, type BalanceResult, balanceOf } from '@/core/simulate';

const api = {
  run(reads: BalanceReads): BalanceResult {
    return balanceOf(reads);
  },
};

export type BalanceWorker = typeof api;
expose(api);
