import {
  CLAIM_KINDS,
  LOG_KINDS,
  LOGBOOK_LISTS,
  type LogbookEntryOf,
  type LogbookList,
  MOST_IN_LOGBOOK,
  MOST_ITEMS,
} from '../types';
import { refuseNoDay } from './reading-edits';
import {
  dropEdit,
  putEdit,
  type RecordSection,
  refuse,
  refuseLong,
  refuseNoName,
  refuseOther,
  refuseOutside,
} from './record-edits';

/** One list of the logbook with entries of its kind. */
export type LogbookPut = {
  readonly [L in LogbookList]: { readonly list: L; readonly entries: readonly LogbookEntryOf<L>[] };
}[LogbookList];

const REFUSE: { readonly [L in LogbookList]: (entry: LogbookEntryOf<L>) => void } = {
  entries: (entry) => {
    refuseOther(LOG_KINDS, entry.kind);
    refuseNoName(entry.what);
    refuseNoDay(entry.date);
    refuseLong(entry.by, 120);
    refuseLong(entry.code, 40);
    if (entry.cleared !== undefined) {
      refuseNoDay(entry.cleared);
      if (entry.cleared < entry.date) refuse('It can’t be cleared before it came.', 'Correct one of the two days.');
    }
    refuseOutside(entry.odometerM, 0, 1e10, 'The odometer');
    refuseOutside(entry.ranS, 0, 1e9, 'The hour meter');
    refuseOutside(entry.distanceM, 0, 1e8, 'The distance');
    refuseOutside(entry.energyJ, 0, 1e11, 'The energy');
    refuseOutside(entry.socFrom, 0, 1, 'A state of charge');
    refuseOutside(entry.socTo, 0, 1, 'A state of charge');
    refuseOutside(entry.outsideC, -60, 300, 'A temperature');
    refuseOutside(entry.durationS, 0, 1e7, 'A duration');
    refuseOutside(entry.capacityAh, 1e-12, 1e5, 'A capacity');
    refuseOutside(entry.spreadV, 0, 10, 'A spread of cells');
    refuseOutside(entry.resistanceOhm, 1e-12, 1e3, 'The resistance of a pack');
    refuseOutside(entry.insulationOhm, 0, 1e12, 'An insulation');
    if ((entry.taskIds ?? []).length > 50) refuse('50 tasks at most.', 'Write a second entry.');
  },
  upkeep: ({ name, everyDays, everyM, everyRunS, off }) => {
    if (name !== undefined) refuseNoName(name);
    refuseOutside(everyDays, 1, 36500, 'The days between');
    if (everyDays !== undefined && everyDays !== null && !Number.isInteger(everyDays))
      refuse('Days between are whole ones.', 'Round them.');
    refuseOutside(everyM, 1e-12, 1e9, 'The distance between');
    refuseOutside(everyRunS, 1e-12, 1e9, 'The hours between');
    refuseLong(off, 200);
  },
  checklists: ({ name, items }) => {
    refuseNoName(name);
    if (!Array.isArray(items) || items.length > MOST_ITEMS)
      refuse(`A list has up to ${MOST_ITEMS} lines.`, 'Make two lists.');
    items.forEach(refuseNoName);
  },
  runs: ({ date, by, ticks }) => {
    refuseNoDay(date);
    refuseLong(by, 120);
    if (
      !Array.isArray(ticks) ||
      ticks.length > MOST_ITEMS ||
      !ticks.every((one) => ['yes', 'no', 'open'].includes(one))
    )
      refuse('That is no list that was gone through.', 'Go through it again.');
  },
  claims: ({ kind, value, by, since }) => {
    refuseOther(CLAIM_KINDS, kind);
    refuseOutside(value, 1e-12, 1e9, 'What was claimed');
    refuseNoName(by);
    refuseNoDay(since);
  },
};

const SECTION: RecordSection<LogbookList> = {
  section: 'logbook',
  lists: LOGBOOK_LISTS,
  most: MOST_IN_LOGBOOK,
  words: {
    entries: 'entry',
    upkeep: 'upkeep',
    checklists: 'checklist',
    runs: 'checklist gone through',
    claims: 'claim',
  },
  refuse: REFUSE,
};

/** What was done, driven, charged and measured on the finished car. */
export const LOGBOOK_EDITS = {
  putInLogbook: putEdit<LogbookList, LogbookPut>(SECTION),
  dropFromLogbook: dropEdit<LogbookList>(SECTION),
};
