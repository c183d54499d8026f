import {
  COMMISSION_LISTS,
  type CommissionEntry,
  type CommissionList,
  MOST_IN_COMMISSION,
  MOST_TRACE_POINTS,
  OWN_TEST_DIMENSIONS,
  SHEETS,
  TRACE_KINDS,
} from '../types';
import { refuseNoDay } from './reading-edits';
import { dropEdit, putEdit, type RecordSection, refuse, refuseLong, refuseNoName, refuseOther } from './record-edits';

/** One list of the commissioning with entries of its kind. */
export type CommissionPut = {
  readonly [L in CommissionList]: { readonly list: L; readonly entries: readonly CommissionEntry<L>[] };
}[CommissionList];

const figure = (value: number | null | undefined) => {
  if (value !== undefined && value !== null && !(Number.isFinite(value) && Math.abs(value) <= 1e12))
    refuse('That is no figure.', 'Type what the meter showed, with its unit.');
};

const REFUSE: { readonly [L in CommissionList]: (entry: CommissionEntry<L>) => void } = {
  results: ({ name, sheet, value, meter, skipped, date, by, instrument, note, ok }) => {
    refuseNoName(name);
    refuseOther(SHEETS, sheet);
    refuseNoDay(date);
    figure(value);
    refuseLong(by, 120);
    refuseLong(instrument, 120);
    refuseLong(note, 500);
    if (skipped !== undefined && (skipped.trim() === '' || skipped.length > 300))
      refuse('A test is skipped for a reason.', 'Say why, in up to 300 characters.');
    if (value === undefined && meter === undefined && ok === undefined && skipped === undefined)
      refuse('Nothing was read, seen or skipped.', 'Type the reading, or say why there is none.');
    if (meter) {
      const { packV, largerV, withR0V, r0Ohm } = meter;
      for (const one of [packV, largerV, withR0V, r0Ohm])
        if (!(one > 0 && one <= 1e9)) refuse('Each of the four is above zero.', 'Read them again, with their units.');
      if (largerV > packV * 1.02)
        refuse('One pole to the body can’t be more than the whole pack.', 'Read both again, soon after one another.');
      if (withR0V >= largerV)
        refuse(
          'With the resistor across it the voltage has to fall.',
          'Put it across the pole with the larger reading, and look whether its leads touch.',
        );
    }
  },
  ownTests: ({ name, sheet, where, switches, dimension, low, high }) => {
    refuseNoName(name);
    refuseOther(SHEETS, sheet);
    refuseLong(where, 200);
    refuseLong(switches, 200);
    if (dimension !== null) refuseOther(OWN_TEST_DIMENSIONS, dimension);
    figure(low);
    figure(high);
    if (low !== null && high !== null && low > high)
      refuse('The least is above the most.', 'Swap the two, or correct one of them.');
  },
  signs: ({ sheet, by, role, date, digest }) => {
    refuseOther(SHEETS, sheet);
    refuseNoName(by);
    refuseLong(role, 120);
    refuseNoDay(date);
    if (!/^[0-9a-f]{16}$/.test(digest)) refuse('It carries no digest of the design.', 'Sign on the sheet.');
  },
  traces: ({ name, kind, date, timesS, values }) => {
    refuseNoName(name);
    refuseOther(TRACE_KINDS, kind);
    refuseNoDay(date);
    if (timesS.length !== values.length || timesS.length < 2 || timesS.length > MOST_TRACE_POINTS)
      refuse(`A trace has 2 to ${MOST_TRACE_POINTS} points.`, 'Read the file in again.');
    timesS.forEach((t, k) => {
      figure(t);
      figure(values[k]);
      if (k > 0 && t <= timesS[k - 1]!)
        refuse(
          `Time goes backwards at its point ${k + 1}.`,
          'Export it once more, or cut the file where its clock was set.',
        );
    });
  },
};

const SECTION: RecordSection<CommissionList> = {
  section: 'commission',
  lists: COMMISSION_LISTS,
  most: MOST_IN_COMMISSION,
  words: { results: 'test', ownTests: 'own test', signs: 'signature', traces: 'trace' },
  refuse: REFUSE,
};

/** What was tested at the car, by whom, and what came out. */
export const COMMISSION_EDITS = {
  putInCommission: putEdit<CommissionList, CommissionPut>(SECTION),
  dropFromCommission: dropEdit<CommissionList>(SECTION),
};
