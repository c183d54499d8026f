import { WHOLE } from './measurable';
import { type Build, COMMISSION_LISTS, findConductor, findDevice, type Id, LOGBOOK_LISTS, own } from './types';

/** Records that stand beside the design: written down at the car, while the design may go on elsewhere. */
const RECORDS = ['readings', 'inHand', 'drives', 'health', 'modules'] as const;
type RecordList = (typeof RECORDS)[number];
/** The same in sections of their own. */
const SECTIONS = { commission: COMMISSION_LISTS, logbook: LOGBOOK_LISTS } as const;
type Section = keyof typeof SECTIONS;
type Added = RecordList | Section | 'parts' | 'notes';

/** What another copy of a build has written down and this one has not. */
export interface Merge {
  /** The build with it. */
  readonly build: Build;
  /** How many came in, by list, own parts and notes among them. */
  readonly added: Readonly<Partial<Record<Added, number>>>;
  /** Records of the same id that differ: those of this build stay. */
  readonly differ: number;
  /** Readings of things that are not in this build. */
  readonly left: number;
}

/**
 * Puts what was written down in another copy of the same build beside what stands here: readings (with what was adopted, where nothing else
 * is), parts in hand, drives, health, modules, tests, logbook, own parts, notes. The design stays as it is here.
 */
export function mergeRecords(here: Build, there: Build): Merge {
  let build = here;
  const added: Partial<Record<Added, number>> = {};
  let [differ, left] = [0, 0];
  const stands = (id: Id) => id === WHOLE || Boolean(findDevice(here, id) ?? findConductor(here, id));
  for (const list of RECORDS) {
    const [mine, theirs] = [here[list] ?? {}, there[list] ?? {}] as [Record<Id, object>, Record<Id, object>];
    const fresh: [Id, object][] = [];
    for (const [id, record] of Object.entries(theirs)) {
      const known = own(mine, id);
      if (known) {
        if (JSON.stringify(known) !== JSON.stringify(record)) differ++;
      } else if (list === 'readings' && !stands((record as Build['readings'][string]).subjectId)) left++;
      else fresh.push([id, withoutGone(record, stands)]);
    }
    if (fresh.length === 0) continue;
    added[list] = fresh.length;
    build = { ...build, [list]: { ...mine, ...Object.fromEntries(fresh) } };
  }
  for (const section of ['commission', 'logbook'] as const) {
    const merged = withSection(here[section], there[section], SECTIONS[section]);
    differ += merged.differ;
    if (merged.added === 0) continue;
    added[section] = merged.added;
    build = { ...build, [section]: merged.lists };
  }
  const parts = Object.entries(there.parts).filter(
    ([id, { provenance }]) => provenance !== 'generic' && !own(here.parts, id),
  );
  if (parts.length > 0) {
    added.parts = parts.length;
    build = { ...build, parts: { ...build.parts, ...Object.fromEntries(parts) } };
  }
  const taken = new Set(Object.values(here.adoptions).map(({ subjectId, field }) => `${subjectId} ${field}`));
  const adopted = Object.entries(there.adoptions).filter(([id, { subjectId, field, readingId, partId }]) => {
    const thing = findDevice(here, subjectId) ?? findConductor(here, subjectId);
    return (
      !own(here.adoptions, id) &&
      !taken.has(`${subjectId} ${field}`) &&
      own(build.readings, readingId) !== undefined &&
      (thing?.partId ?? null) === partId
    );
  });
  if (adopted.length > 0) build = { ...build, adoptions: { ...build.adoptions, ...Object.fromEntries(adopted) } };
  const notes = there.notes.trim();
  if (notes !== '' && !here.notes.includes(notes)) {
    added.notes = 1;
    build = { ...build, notes: here.notes === '' ? notes : `${here.notes}\n${notes}` };
  }
  return { build, added, differ, left };
}

type Lists = Readonly<Record<string, Readonly<Record<Id, object>> | undefined>>;

/** Lists of one section with what only the other copy has; what both have stays as it is here. */
function withSection(
  here: object | undefined,
  there: object | undefined,
  lists: readonly string[],
): { readonly lists: Lists; readonly added: number; readonly differ: number } {
  const [mine, theirs] = [(here ?? {}) as Lists, (there ?? {}) as Lists];
  const made: Record<string, Readonly<Record<Id, object>>> = {};
  let [added, differ] = [0, 0];
  for (const list of lists) {
    const known = mine[list] ?? {};
    const fresh = Object.entries(theirs[list] ?? {}).filter(([id, record]) => {
      const same = own(known, id);
      if (same && JSON.stringify(same) !== JSON.stringify(record)) differ++;
      return !same;
    });
    if (fresh.length === 0) continue;
    added += fresh.length;
    made[list] = { ...known, ...Object.fromEntries(fresh) };
  }
  return { lists: { ...mine, ...made }, added, differ };
}

/** A part in hand whose device is not in this build is a part all the same. */
function withoutGone(record: object, stands: (id: Id) => boolean): object {
  const { deviceId, ...rest } = record as { readonly deviceId?: Id };
  return deviceId === undefined || stands(deviceId) ? record : rest;
}

const WORDS: Readonly<Record<Added, readonly [string, string]>> = {
  readings: ['reading', 'readings'],
  inHand: ['part in hand', 'parts in hand'],
  drives: ['drive', 'drives'],
  health: ['record of health', 'records of health'],
  modules: ['module', 'modules'],
  commission: ['entry of the test sheets', 'entries of the test sheets'],
  logbook: ['entry of the logbook', 'entries of the logbook'],
  parts: ['part of its own', 'parts of its own'],
  notes: ['note', 'notes'],
};

/** "3 readings and 1 part in hand"; empty: nothing. */
export function mergeWords({ added }: Merge): string {
  const said = (Object.keys(WORDS) as Added[]).flatMap((list) => {
    const n = added[list] ?? 0;
    return n === 0 ? [] : [`${n} ${WORDS[list][n === 1 ? 0 : 1]}`];
  });
  return said.length < 2 ? said.join('') : `${said.slice(0, -1).join(', ')} and ${said.at(-1)}`;
}
