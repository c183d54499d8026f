import {
  COLOURS,
  END_STATES,
  FITTINGS,
  HARNESS_LISTS,
  type HarnessData,
  type HarnessEntry,
  type HarnessList,
  MOST_FRAMES,
  MOST_IN_HARNESS,
  MOST_PIN_ROWS,
  OLD_END_STATES,
  own,
  SCREENS,
  WIRE_SIGNALS,
  type WiringIssue,
} from '../types';
import { define } from './definition';
import { refuseNoDay } from './reading-edits';
import { EditRefused } from './refused';

/** One list of the harness with entries of its kind. */
export type HarnessPut = {
  readonly [L in HarnessList]: { readonly list: L; readonly entries: readonly HarnessEntry<L>[] };
}[HarnessList];

const WORDS: Readonly<Record<HarnessList, readonly [string, string]>> = {
  fittings: ['fitting', 'fittings'],
  wires: ['signal wire', 'signal wires'],
  marks: ['mark of a wire', 'marks of wires'],
  ends: ['ends of a wire', 'ends of wires'],
  plugs: ['connector', 'connectors'],
  nodes: ['node of the CAN bus', 'nodes of the CAN bus'],
  tables: ['pin table', 'pin tables'],
  looks: ['look into a connector', 'looks into connectors'],
  oldEnds: ['end of the old loom', 'ends of the old loom'],
};
const named = (list: HarnessList, entries: readonly unknown[]): string => {
  // What is no list is refused in words when it is applied.
  if (!HARNESS_LISTS.includes(list) || !Array.isArray(entries)) return 'something of the harness';
  const [one, many] = WORDS[list];
  const name = entries.length === 1 ? (entries[0] as { name?: string; label?: string }) : null;
  return entries.length === 1 ? `${one}${name?.name ? ` “${name.name}”` : ''}` : `${entries.length} ${many}`;
};

const oneOf = (known: readonly unknown[], value: unknown, what: string): void => {
  if (value !== undefined && !known.includes(value))
    throw new EditRefused(`There is no such ${what}.`, 'Choose one of the list.');
};
const between = (value: number | undefined, least: number, most: number, what: string): void => {
  if (value !== undefined && !(value >= least && value <= most))
    throw new EditRefused(`${what} is out of its range.`, `Type a figure from ${least} to ${most}.`);
};
const needs = (text: string, what: string): void => {
  if (text.trim() === '' || text.length > 120)
    throw new EditRefused(`${what} is empty or too long.`, 'Write a few words.');
};
const pins = (...numbers: readonly (number | undefined)[]): void => {
  for (const pin of numbers)
    if (pin !== undefined && !(Number.isInteger(pin) && pin >= 1 && pin <= 400))
      throw new EditRefused('A pin is a whole number from 1 to 400.', 'Type such a number.');
};

/** What can be told to be wrong by the entry alone. */
const REFUSE: { readonly [L in HarnessList]: (entry: HarnessEntry<L>) => void } = {
  fittings: ({ name, kind }) => {
    needs(name, 'The name');
    oneOf(FITTINGS, kind, 'fitting');
  },
  wires: ({ name, signal, a, b, areaMm2, lengthM }) => {
    needs(name, 'The name');
    oneOf(WIRE_SIGNALS, signal, 'signal');
    between(areaMm2, 1e-12, 1000, 'The cross-section');
    between(lengthM, 1e-12, 100, 'The length');
    if (a.hostId === b.hostId && a.pin === b.pin)
      throw new EditRefused('Both ends of the wire are at one pin.', 'Choose another pin for one of them.');
  },
  marks: ({ colour, stripe, label, loom, screen, loopM, pinA, pinB }) => {
    oneOf(COLOURS, colour, 'colour');
    oneOf(COLOURS, stripe, 'colour');
    oneOf(SCREENS, screen, 'screen');
    between(loopM, 0, 20, 'The loop');
    pins(pinA, pinB);
    if ((label ?? '').length > 40 || (loom ?? '').length > 60)
      throw new EditRefused('The label is too long for a sleeve.', 'Keep it under 40 characters.');
  },
  ends: ({ a, b }) => {
    for (const end of [a, b])
      if (end) {
        oneOf(END_STATES, end.state, 'state');
        refuseNoDay(end.date);
      }
  },
  plugs: ({ ways }) => pins(ways),
  nodes: ({ bitRateBps, sends, hears }) => {
    between(bitRateBps, 5000, 1e6, 'The bit rate');
    if ((sends ?? []).length > MOST_FRAMES || (hears ?? []).length > MOST_FRAMES)
      throw new EditRefused(`${MOST_FRAMES} messages of a node at most.`, 'Leave out those that matter least.');
    for (const { identifier, bytes, periodS } of sends ?? []) {
      if (!(Number.isInteger(identifier) && identifier >= 0 && identifier <= 0x1fffffff))
        throw new EditRefused('An identifier has 11 or 29 bits.', 'Type it again.');
      between(bytes, 0, 8, 'The number of bytes');
      between(periodS, 0.0005, 3600, 'The period');
    }
  },
  tables: ({ name, rows }) => {
    needs(name, 'The name');
    if (rows.length > MOST_PIN_ROWS)
      throw new EditRefused(`${MOST_PIN_ROWS} pins of a table at most.`, 'Split it by connectors.');
  },
  looks: ({ date, insulationOhm }) => {
    refuseNoDay(date);
    between(insulationOhm ?? undefined, 0, 1e13, 'The insulation');
  },
  oldEnds: ({ label, state }) => {
    needs(label, 'The label');
    oneOf(OLD_END_STATES, state, 'state');
  },
};

type Open = { harness?: HarnessData };
const into = (draft: unknown): Open => draft as Open;

/** Wires of no circuit, and what is decided, ticked and found at all wires. */
export const HARNESS_EDITS = {
  /** Entries of one list, each in place of the one with its id. */
  putInHarness: define<HarnessPut>({
    title: (_, { list, entries }) => named(list, entries),
    apply: (draft, { list, entries }) => {
      if (!HARNESS_LISTS.includes(list) || !Array.isArray(entries) || entries.length === 0)
        throw new EditRefused('There is nothing to put down.', 'Choose something of the list.');
      const known: Record<string, { readonly id: string }> = { ...into(draft).harness?.[list] };
      for (const entry of entries) {
        (REFUSE[list] as (entry: unknown) => void)(entry);
        known[entry.id] = entry;
      }
      if (Object.keys(known).length > MOST_IN_HARNESS[list])
        throw new EditRefused(`${MOST_IN_HARNESS[list]} ${WORDS[list][1]} at most.`, 'Drop some first.');
      into(draft).harness = { ...into(draft).harness, [list]: known };
    },
  }),

  /** The usual fittings, signal wires, twists and nodes of the CAN bus that a build has not got yet. */
  layOutSignals: define<Required<Pick<HarnessData, 'fittings' | 'wires' | 'marks' | 'nodes'>>>({
    title: (_, { wires }) => `${Object.keys(wires).length} signal wires`,
    apply: (draft, lists) => {
      const before = into(draft).harness;
      if (Object.keys(lists.wires).length === 0)
        throw new EditRefused('Every usual signal has its wire.', 'Add a wire of your own below.');
      const next: Record<string, unknown> = { ...before };
      for (const list of ['fittings', 'wires', 'marks', 'nodes'] as const) {
        for (const entry of Object.values(lists[list])) (REFUSE[list] as (entry: unknown) => void)(entry);
        // What somebody has decided already stays.
        next[list] = { ...lists[list], ...before?.[list] };
        if (Object.keys(next[list] as object).length > MOST_IN_HARNESS[list])
          throw new EditRefused(`${MOST_IN_HARNESS[list]} ${WORDS[list][1]} at most.`, 'Drop some first.');
      }
      into(draft).harness = next as HarnessData;
    },
  }),

  dropFromHarness: define<{ list: HarnessList; id: string }>({
    title: (build, { list, id }) => {
      const entry = HARNESS_LISTS.includes(list) ? own<{ readonly id: string }>(build.harness?.[list] ?? {}, id) : null;
      return `drop ${named(list, [entry ?? {}])}`;
    },
    apply: (draft, { list, id }) => {
      const known: Readonly<Record<string, unknown>> = HARNESS_LISTS.includes(list)
        ? (into(draft).harness?.[list] ?? {})
        : {};
      if (!Object.hasOwn(known, id)) throw new EditRefused('That is gone already.', 'Look at the list again.');
      const { [id]: _, ...others } = known;
      into(draft).harness = { ...into(draft).harness, [list]: others };
    },
  }),

  /** The list of wires that is worked from now on. */
  issueWiring: define<{ issue: WiringIssue }>({
    title: (_, { issue }) => `wiring list of ${issue.date}`,
    apply: (draft, { issue }) => {
      refuseNoDay(issue.date);
      if (Object.keys(issue.wires).length === 0)
        throw new EditRefused('There is no wire to put on a list.', 'Lay out the circuit first.');
      into(draft).harness = { ...into(draft).harness, issue };
    },
  }),
};
