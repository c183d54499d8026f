import type { Build, Claim, ClaimKind, LogEntry } from '../../build';
import { inOrder } from './due';
import { rangeOf } from './trends';

/** Figures of a stretch of the book, each over all that tells it; null: nothing does. */
export interface Stretch {
  readonly drives: number;
  readonly distanceM: number;
  /** From full to empty, m: all distance over all charge used. */
  readonly rangeM: number | null;
  /** Wh/km. */
  readonly consumption: number | null;
  /** The last tested, Ah. */
  readonly capacityAh: number | null;
  readonly spreadV: number | null;
  readonly resistanceOhm: number | null;
  readonly insulationOhm: number | null;
  /** From 10 to 90 % or what was charged, scaled to a whole charge, s. */
  readonly chargeS: number | null;
}

/** A change of the car, and the book on either side of it. */
export interface Change {
  readonly entry: LogEntry;
  readonly before: Stretch;
  readonly after: Stretch;
}

const lastOf = (entries: readonly LogEntry[], read: (entry: LogEntry) => number | undefined): number | null =>
  entries
    .map(read)
    .filter((value): value is number => value !== undefined)
    .at(-1) ?? null;

/** Range, consumption and the rest of some entries. */
export function stretchOf(entries: readonly LogEntry[]): Stretch {
  const drives = entries.filter(({ kind }) => kind === 'drive');
  const told = drives.filter((entry) => rangeOf(entry) !== null);
  const measured = drives.filter(({ distanceM, energyJ }) => (distanceM ?? 0) > 0 && (energyJ ?? 0) > 0);
  const sum = (list: readonly LogEntry[], pick: (entry: LogEntry) => number) =>
    list.reduce((all, one) => all + pick(one), 0);
  const charges = entries.filter(
    ({ kind, durationS, socFrom, socTo }) =>
      kind === 'charge' &&
      (durationS ?? 0) > 0 &&
      socFrom !== undefined &&
      socTo !== undefined &&
      socTo - socFrom >= 0.2,
  );
  return {
    drives: drives.length,
    distanceM: sum(drives, ({ distanceM }) => distanceM ?? 0),
    rangeM:
      told.length === 0
        ? null
        : sum(told, ({ distanceM }) => distanceM!) / sum(told, ({ socFrom, socTo }) => socFrom! - socTo!),
    consumption:
      measured.length === 0
        ? null
        : sum(measured, ({ energyJ }) => energyJ! / 3.6) / sum(measured, ({ distanceM }) => distanceM!),
    capacityAh: lastOf(entries, ({ capacityAh }) => capacityAh),
    spreadV: lastOf(entries, ({ spreadV }) => spreadV),
    resistanceOhm: lastOf(entries, ({ resistanceOhm }) => resistanceOhm),
    insulationOhm: lastOf(entries, ({ insulationOhm }) => insulationOhm),
    chargeS:
      charges.length === 0
        ? null
        : sum(charges, ({ durationS }) => durationS!) / sum(charges, ({ socFrom, socTo }) => socTo! - socFrom!),
  };
}

/** Every change with the stretch up to it, from the one before, and the stretch after it, to the next. */
export function changesOf({ logbook = {} }: Build): readonly Change[] {
  const entries = inOrder(logbook);
  const at = entries.flatMap(({ kind }, k) => (kind === 'change' ? [k] : []));
  return at.map((k, n) => ({
    entry: entries[k]!,
    before: stretchOf(entries.slice(n === 0 ? 0 : at[n - 1]! + 1, k)),
    after: stretchOf(entries.slice(k, at[n + 1] ?? entries.length)),
  }));
}

/** What was claimed against what the book says since. */
export interface ClaimCheck {
  readonly claim: Claim;
  /** Null: the book does not tell yet. */
  readonly measured: number | null;
  readonly drives: number;
  /** Share by which it falls short; negative: it is better than claimed. */
  readonly short: number | null;
}

const MEASURED: Readonly<Record<ClaimKind, (stretch: Stretch) => number | null>> = {
  range: ({ rangeM }) => rangeM,
  consumption: ({ consumption }) => consumption,
  capacity: ({ capacityAh }) => capacityAh,
  'charge-time': ({ chargeS }) => chargeS,
};
/** Of these less is better. */
const LESS_IS_BETTER: ReadonlySet<ClaimKind> = new Set(['consumption', 'charge-time']);

export function claimsOf({ logbook = {} }: Build): readonly ClaimCheck[] {
  const entries = inOrder(logbook);
  const changes = entries.filter(({ kind }) => kind === 'change').map(({ date }) => date);
  return Object.values(logbook.claims ?? {}).map((claim): ClaimCheck => {
    // It speaks of the car until the next change of it.
    const until = changes.find((date) => date > claim.since);
    const stretch = stretchOf(
      entries.filter(({ date }) => date >= claim.since && (until === undefined || date < until)),
    );
    const measured = MEASURED[claim.kind](stretch);
    const more = measured === null ? null : (measured - claim.value) / claim.value;
    return {
      claim,
      measured,
      drives: stretch.drives,
      short: more === null ? null : LESS_IS_BETTER.has(claim.kind) ? more : -more,
    };
  });
}
