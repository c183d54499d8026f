import { type Check, CONSEQUENCES, checkKey, say, verdictRank } from '@/core/checks';
import type { UnitSystem } from '@/core/quantities';

/** What the ledger lists: one check, or the same sentence about several things. */
export interface Entry {
  readonly key: string;
  /** The thinnest first; one: it stands for itself. */
  readonly checks: readonly Check[];
}

/** From here on the same sentence about several things folds into one line. */
const FOLDS_AT = 3;
/** How many lines of what holds are shown where nothing else is. */
const THINNEST_SHOWN = 5;

const rankOf = ({ endangers }: Check): number => CONSEQUENCES.indexOf(endangers);

/** What presses: by verdict, then by what suffers first, then by margin, as they come. What holds: by margin, as they come. */
export function inOrder(checks: readonly Check[]): Check[] {
  return checks
    .map((check, order) => ({ check, order }))
    .sort(
      (p, q) =>
        verdictRank(p.check.verdict) - verdictRank(q.check.verdict) ||
        (p.check.verdict === 'holds' ? 0 : rankOf(p.check) - rankOf(q.check)) ||
        p.order - q.order,
    )
    .map(({ check }) => check);
}

/** What a check says, and how it stands: equal for the same sentence about several things. */
const said = ({ verdict, says }: Check): string => `${verdict}:${says.code}`;

/** Folds what is said of three things or more into one entry, where the first of them stands. */
export function entriesOf(checks: readonly Check[]): Entry[] {
  const groups = new Map<string, Check[]>();
  for (const check of checks) {
    const group = groups.get(said(check));
    if (group) group.push(check);
    else groups.set(said(check), [check]);
  }
  return checks.flatMap((check): Entry[] => {
    const group = groups.get(said(check))!;
    if (group.length < FOLDS_AT) return [{ key: checkKey(check), checks: [check] }];
    return group[0] === check ? [{ key: said(check), checks: group }] : [];
  });
}

/** What would become thin next: the first few lines of what holds, the thinnest first. */
export const thinnestOf = (holding: readonly Check[]): Check[] =>
  entriesOf(holding)
    .slice(0, THINNEST_SHOWN)
    .flatMap(({ checks }) => checks);

/** Checks whose words have all the words that are looked for, in whatever order. */
export function matching(checks: readonly Check[], text: string, system: UnitSystem): readonly Check[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return checks;
  return checks.filter((check) => {
    const { title, line } = say(check, system);
    const all = `${title} ${line}`.toLowerCase();
    return words.every((word) => all.includes(word));
  });
}

/** Different findings among checks: the same sentence about ten wires is one. */
export const findingsIn = (checks: readonly Check[]): number =>
  new Set(checks.filter(({ verdict }) => verdict !== 'holds').map(said)).size;
