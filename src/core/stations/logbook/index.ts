import { defineStation } from '../define';
import { logbookResults } from './results';
import { LOGBOOK_RULES } from './rules';

/** What has been done and measured, and what is due? */
export const logbook = defineStation({
  id: 'logbook',
  name: 'Logbook',
  question: 'What has been done and measured, and what is due?',
  key: 'x',
  begin: 'enter the first drive or charge once it is on the road',
  rules: [...LOGBOOK_RULES],
  leaves: ({ vehicle }) =>
    Object.keys(vehicle.build.logbook?.entries ?? {}).length > 0
      ? ['What is due by today: the ledger counts to the last entry of the logbook.']
      : [],
  results: logbookResults,
});

export { type Change, type ClaimCheck, changesOf, claimsOf, type Stretch, stretchOf } from './change';
export { type DueTask, dueList, dueOf, inOrder, type Stand, standOn } from './due';
export { type FaultLine, faultsOf } from './faults';
export { TRENDS, type Trend, type TrendId, trendOf } from './trends';
export { type UpkeepTask, upkeepOf, type WearLimit } from './upkeep';
export type { Wear } from './wear';
