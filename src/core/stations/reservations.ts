import type { Check } from '../checks';
import { coldestAssumed } from '../vehicle';
import type { Context } from './context';
import type { Station } from './define';

/** Something that is taken for granted, and what rests on it. */
export interface Assumption {
  readonly words: string;
  /** How many checks rest on it. */
  readonly checks: number;
  /** Smallest margin among them; null: none has one. */
  readonly thinnest: number | null;
}

/** What an assessment does not say: the other half of its outcome. */
export interface Reservations {
  /** What is not judged for this build. */
  readonly notJudged: readonly string[];
  /** What is assumed, the thinnest margin that rests on it first. */
  readonly assumed: readonly Assumption[];
}

/** Collects what the stations leave out, and what their checks take for granted. */
export function reservationsOf(
  context: Context,
  stations: readonly Pick<Station, 'leaves'>[],
  checks: readonly Check[],
): Reservations {
  const byWords = new Map<string, { checks: number; thinnest: number | null }>();
  const note = (words: string, margin: number | undefined) => {
    const one = byWords.get(words) ?? { checks: 0, thinnest: null };
    one.checks++;
    if (margin !== undefined) one.thinnest = Math.min(one.thinnest ?? margin, margin);
    byWords.set(words, one);
  };
  for (const check of checks) for (const words of new Set(check.assumed)) note(words, check.margin);
  for (const words of coldestAssumed(context.vehicle.build))
    if (!byWords.has(words)) byWords.set(words, { checks: 0, thinnest: null });
  return {
    notJudged: [...stations.flatMap(({ leaves }) => leaves?.(context) ?? [])],
    assumed: [...byWords]
      .map(([words, { checks: count, thinnest }]) => ({ words, checks: count, thinnest }))
      .sort(
        (p, q) =>
          (p.thinnest ?? Number.POSITIVE_INFINITY) - (q.thinnest ?? Number.POSITIVE_INFINITY) || q.checks - p.checks,
      ),
  };
}
