import type { LogEntry } from '../../build';
import type { Context } from '../context';
import { type Change, type ClaimCheck, changesOf, claimsOf } from './change';
import { inOrder } from './due';
import { type FaultLine, faultsOf } from './faults';
import { type UpkeepTask, upkeepOf } from './upkeep';

export interface LogbookResults {
  /** By their days. */
  readonly entries: readonly LogEntry[];
  readonly tasks: readonly UpkeepTask[];
  readonly faults: readonly FaultLine[];
  readonly changes: readonly Change[];
  readonly claims: readonly ClaimCheck[];
}

/** What the Logbook screen shows; what is due comes with the day on which somebody looks. */
export const logbookResults = (context: Context): LogbookResults => {
  const { build } = context.vehicle;
  return {
    entries: inOrder(build.logbook ?? {}),
    tasks: upkeepOf(context),
    faults: faultsOf(build.logbook ?? {}),
    changes: changesOf(build),
    claims: claimsOf(build),
  };
};
