import { defineStation } from '../define';
import { sheetsFor } from './results';
import { COMMISSION_RULES } from './rules';

/** Does it do what the design says? */
export const commission = defineStation({
  id: 'commission',
  name: 'Commission',
  question: 'Does it do what the design says?',
  key: 's',
  begin: 'the sheets are made from the design: enter the first reading at the car',
  rules: [...COMMISSION_RULES],
  leaves: (context) =>
    sheetsFor(context).begun ? [] : ['The car itself: nothing here was measured on it unless a reading was adopted.'],
  results: sheetsFor,
});

export { type BroughtIn, bringIn, type TestRow } from './bring-in';
export { type BuiltLine, builtLines } from './built';
export { entryOfNote, entryOfReading, entryOfSkip, entryUnskipped } from './enter';
export {
  type Commissioning,
  judgeLine,
  type LineState,
  ofMeter,
  partIdOf,
  readOf,
  type Sheet,
  type SheetLine,
  sheetDigest,
} from './sheets';
export { SHEET_WORDS } from './sheets-words';
export { DEAD_FIRST, LIVE, type Step } from './step';
export { readingOfTrace, TRACE_DIMENSION, type TraceReading, traceSubjects } from './trace-reading';
