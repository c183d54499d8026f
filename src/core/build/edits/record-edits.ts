import type { Build } from '../types';
import { define, type EditDefinition } from './definition';
import { EditRefused } from './refused';

interface Entry {
  readonly id: string;
}
type Lists = Readonly<Record<string, Entry>>;

/** A section of the document that is lists of records by id: how its entries are put down and dropped. */
export interface RecordSection<L extends string> {
  readonly section: 'commission' | 'logbook';
  readonly lists: readonly L[];
  readonly most: number;
  readonly words: Readonly<Record<L, string>>;
  /** Throws where an entry can’t be. */
  readonly refuse: Readonly<Record<L, (entry: never, build: Build) => void>>;
}

const knownIn = <L extends string>(build: Build, { section, lists }: RecordSection<L>, list: L): Lists =>
  lists.includes(list) ? ((build[section] as Readonly<Partial<Record<L, Lists>>> | undefined)?.[list] ?? {}) : {};

const nameOf = <L extends string>({ lists, words }: RecordSection<L>, list: L, entry: unknown): string => {
  // What is no list is refused in words when it is applied.
  if (!lists.includes(list) || typeof entry !== 'object' || entry === null) return 'something of the record';
  const { name, what } = entry as { name?: unknown; what?: unknown };
  const text = name ?? what;
  return typeof text === 'string' ? `${words[list]} “${text}”` : words[list];
};

/** Puts entries into a list, or in the place of those with the same id. */
export const putEdit = <L extends string, I extends { readonly list: L; readonly entries: readonly Entry[] }>(
  of: RecordSection<L>,
): EditDefinition<I> =>
  define<I>({
    title: (_, { list, entries }) =>
      entries?.length === 1 ? nameOf(of, list, entries[0]) : `${entries?.length ?? 0} × ${nameOf(of, list, {})}`,
    apply: (draft, { list, entries }) => {
      if (!of.lists.includes(list) || !Array.isArray(entries) || entries.length === 0)
        throw new EditRefused('There is nothing to put down.', 'Choose something of the list.');
      const known: Record<string, Entry> = { ...knownIn(draft as Build, of, list) };
      for (const entry of entries) {
        of.refuse[list](entry as never, draft as Build);
        known[entry.id] = entry;
      }
      if (Object.keys(known).length > of.most)
        throw new EditRefused(`${of.most} entries at most.`, 'Drop some first, or begin a new book.');
      const open = draft as unknown as Record<string, object | undefined>;
      open[of.section] = { ...open[of.section], [list]: known };
    },
  });

/** Takes one entry out. */
export const dropEdit = <L extends string>(of: RecordSection<L>): EditDefinition<{ list: L; id: string }> =>
  define({
    title: (build, { list, id }) => {
      const known = knownIn(build, of, list);
      return `drop ${nameOf(of, list, Object.hasOwn(known, id) ? known[id] : {})}`;
    },
    apply: (draft, { list, id }) => {
      const known = knownIn(draft as Build, of, list);
      if (!Object.hasOwn(known, id)) throw new EditRefused('That is gone already.', 'Look at the list again.');
      const { [id]: _, ...others } = known;
      const open = draft as unknown as Record<string, object | undefined>;
      open[of.section] = { ...open[of.section], [list]: others };
    },
  });

export const refuse = (reason: string, remedy: string): never => {
  throw new EditRefused(reason, remedy);
};
export const refuseNoName = (text: unknown): void => {
  if (typeof text !== 'string' || text.trim() === '' || text.length > 120)
    refuse('A name has 1 to 120 characters.', 'Write a few words.');
};
export const refuseLong = (text: string | undefined, most: number): void => {
  if ((text ?? '').length > most) refuse(`${most} characters at most.`, 'Say it shorter.');
};
export const refuseOther = (known: readonly string[], value: string): void => {
  if (!known.includes(value)) refuse('There is no such kind.', 'Choose one of the list.');
};
/** Absent, or a number between two. */
export const refuseOutside = (value: number | null | undefined, least: number, most: number, what: string): void => {
  if (value !== undefined && value !== null && !(value >= least && value <= most))
    refuse(`${what} can’t be that.`, 'Look at its unit and type it again.');
};
