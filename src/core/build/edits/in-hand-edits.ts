import type { Draft } from 'immer';
import {
  BOUGHT_STATES,
  type Build,
  type Customer,
  type InHand,
  LOOKED_AT,
  MADE_STATES,
  type OldFault,
  own,
} from '../types';
import { define } from './definition';
import { EditRefused } from './refused';

const MOST_DONOR_M = 3e9;

/** What no list may hold, in words. */
function check(item: InHand, thisYear: number): void {
  const refuse = (reason: string, remedy: string): never => {
    throw new EditRefused(reason, remedy);
  };
  if (item.name.trim() === '' || item.name.length > 120)
    refuse('A name has 1 to 120 characters.', 'Type a shorter one.');
  if (!Number.isInteger(item.count) || item.count < 1 || item.count > 10000)
    refuse('A count is a whole number from 1 to 10,000.', 'Type how many there are.');
  const states: readonly string[] = item.made ? MADE_STATES : BOUGHT_STATES;
  if (!states.includes(item.state)) refuse(`“${item.state}” is no state of such a part.`, 'Choose one of the list.');
  if (item.price !== undefined && !(item.price >= 0 && item.price <= 1e7))
    refuse('A price is from 0 to 10,000,000.', 'Type what one of them costs.');
  if (item.donorM !== undefined && !(item.donorM >= 0 && item.donorM <= MOST_DONOR_M))
    refuse('No donor has driven so far.', 'Look at the unit: its odometer may count miles or tenths.');
  if (item.donorYear !== undefined && !(item.donorYear >= 1900 && item.donorYear <= thisYear))
    refuse('That year is not one in which a donor was built.', 'Type the year of its registration.');
  for (const [field, most] of [
    ['from', 200],
    ['came', 300],
    ['donor', 120],
    ['note', 500],
  ] as const)
    if ((item[field]?.length ?? 0) > most) refuse(`That is more than ${most} characters.`, 'Say it shorter.');
  if (Object.keys(item.found ?? {}).some((one) => !(LOOKED_AT as readonly string[]).includes(one)))
    refuse('There is no such point to look at.', 'Choose one of the list.');
}

const itemOf = (draft: Draft<Build>, id: string): Draft<InHand> => {
  const found = own(draft.inHand ?? {}, id);
  if (!found) throw new EditRefused('That line is no longer in the list.', 'Add it again.');
  return found as Draft<InHand>;
};

/** Where nobody says which year it is. */
const LATEST_YEAR = 2199;

/** The list of what is in hand, on its way and wanted. */
export const IN_HAND_EDITS = {
  /** What was put off, and how the vehicle looked as it came; empty: nothing. */
  setCustomer: define<{ options?: string; damage?: string }>({
    title: () => 'what was agreed',
    apply: (draft, input) => {
      const told: Draft<Customer> = { ...draft.customer };
      for (const key of ['options', 'damage'] as const) {
        const words = input[key]?.trim();
        if (words === undefined) continue;
        if (words.length > 2000) throw new EditRefused('That is more than 2,000 characters.', 'Say it shorter.');
        if (words === '') delete told[key];
        else told[key] = words;
      }
      draft.customer = told;
    },
  }),

  /** A fault of the old 12-volt side: listed, its cause found, mended. */
  setOldFault: define<{ fault: OldFault }>({
    title: (_, { fault }) => `old fault: ${fault.what}`,
    apply: (draft, { fault }) => {
      const what = fault.what.trim();
      if (what === '' || what.length > 120)
        throw new EditRefused('A fault is told in 1 to 120 characters.', 'Say what it does, or does not.');
      if (fault.cause.length > 500) throw new EditRefused('A cause has at most 500 characters.', 'Say it shorter.');
      if (fault.mended && fault.cause.trim() === '')
        throw new EditRefused('Mended without a cause it comes back.', 'Tell the cause that was found.');
      draft.oldFaults = { ...draft.oldFaults, [fault.id]: { ...fault, what, cause: fault.cause.trim() } };
    },
  }),

  dropOldFault: define<{ id: string }>({
    title: (build, { id }) => `drop the old fault: ${build.oldFaults?.[id]?.what ?? ''}`,
    apply: (draft, { id }) => {
      if (!draft.oldFaults || !Object.hasOwn(draft.oldFaults, id))
        throw new EditRefused('That fault is no longer in the list.', 'Look at the list again.');
      delete draft.oldFaults[id];
    },
  }),

  listInHand: define<{ items: readonly InHand[] }>({
    title: (_, { items }) => (items.length === 1 ? `list ${items[0]!.name}` : `list ${items.length} parts`),
    apply: (draft, { items }) => {
      for (const item of items) {
        check(item, LATEST_YEAR);
        draft.inHand ??= {};
        if (Object.hasOwn(draft.inHand, item.id))
          throw new EditRefused(`${item.name} is in the list already.`, 'Change the line that is there.');
        draft.inHand[item.id] = { ...item, name: item.name.trim() } as Draft<InHand>;
      }
    },
  }),

  /** Facts of a line; what is undefined is taken out. `year` is the one in which it is said: no donor is younger. */
  setInHand: define<{ id: string; facts: Partial<Omit<InHand, 'id'>>; year?: number }>({
    title: (build, { id, facts }) =>
      `${build.inHand?.[id]?.name ?? 'a part'}: ${facts.state ?? Object.keys(facts)[0] ?? 'as it is'}`,
    apply: (draft, { id, facts, year = LATEST_YEAR }) => {
      const next: Record<string, unknown> = { ...itemOf(draft, id), ...facts };
      for (const key of Object.keys(next)) if (next[key] === undefined) delete next[key];
      check(next as unknown as InHand, year);
      draft.inHand![id] = next as unknown as Draft<InHand>;
    },
  }),

  dropInHand: define<{ id: string }>({
    title: (build, { id }) => `take ${build.inHand?.[id]?.name ?? 'a part'} off the list`,
    apply: (draft, { id }) => {
      itemOf(draft, id);
      delete draft.inHand![id];
    },
  }),
};
