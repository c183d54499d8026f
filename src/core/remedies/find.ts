import { type Assessment, assess, assessWithRuns, type Given } from '../assess';
import { applyEdit, type Edit, EditRefused } from '../build';
import { type Check, checkKey, verdictRank } from '../checks';
import { STATIONS } from '../stations';
import type { Proposer } from '../stations/define';

export interface Worsened {
  /** Null: there was no such check before. */
  readonly before: Check | null;
  readonly after: Check;
}

export interface Remedy {
  readonly edit: Edit;
  /** In workshop words: "fit 25 A fuse to Heater fuse". */
  readonly title: string;
  /** The check with the edit made. */
  readonly after: Check;
  /** Checks elsewhere that lose verdict or margin; empty when nothing gets worse. */
  readonly worsens: readonly Worsened[];
}

/** A margin may fall this much without counting as worse: a fifth of what the screen shows. */
const NOISE = 2e-3;
const MOST_TRIES = 24;

const solved = (check: Check | undefined): check is Check =>
  check !== undefined && (check.verdict === 'holds' || check.verdict === 'thin');

/** A worse verdict, or less margin where there is little or none. A margin that shrinks and still holds is not worse. */
function isWorse(before: Check, after: Check | undefined): boolean {
  if (!after) return false;
  if (after.verdict === 'fails' && before.verdict !== 'fails') return true;
  // What was judged and can't be judged any more is worse, too.
  if (solved(before) && !solved(after)) return true;
  if (
    verdictRank(after.verdict) < verdictRank(before.verdict) &&
    (after.verdict === 'thin' || after.verdict === 'fails') &&
    solved(before)
  )
    return true;
  return (
    (before.verdict === 'fails' || before.verdict === 'thin') &&
    before.margin !== undefined &&
    after.margin !== undefined &&
    after.margin < before.margin - NOISE
  );
}

function worsened(before: Assessment, after: Assessment): Worsened[] {
  const now = new Map(after.checks.map((check) => [checkKey(check), check]));
  const known = new Map(before.checks.map((check) => [checkKey(check), check]));
  const list = before.checks.flatMap((check) => {
    const next = now.get(checkKey(check));
    return isWorse(check, next) ? [{ before: check, after: next! }] : [];
  });
  const fresh = after.checks
    .filter((check) => !known.has(checkKey(check)) && (check.verdict === 'fails' || check.verdict === 'thin'))
    .map((check) => ({ before: null, after: check }));
  return [...list, ...fresh];
}

/**
 * Edits that make this check hold, each tried on the whole model: those that harm nothing else first, then by how little they change.
 * A remedy with which another check would newly fail, turn thin, lose its judgement, or fail by more names that check. Runs that a trial
 * changes are made again for what cures, so the checks that rest on them are compared like the others.
 */
export function findRemedies(build: Assessment['build'], check: Check, most = 3, given: Given = {}): Remedy[] {
  const before = assessWithRuns(build, given);
  const trial: Given = { memory: before.vehicle.memory.trial, runs: before };
  const edits = proposersOf(check).flatMap((propose) => propose(before.context, check));
  const remedies: Remedy[] = [];
  for (const edit of edits.slice(0, MOST_TRIES)) {
    let edited: ReturnType<typeof applyEdit>;
    try {
      edited = applyEdit(build, edit);
    } catch (error) {
      if (error instanceof EditRefused) continue;
      throw error;
    }
    const quick = assess(edited.build, trial);
    if (!cures(quick, check) && !quick.checks.some((one) => one.verdict === 'pending' && same(one, check))) continue;
    const after = assessWithRuns(edited.build, trial);
    if (!cures(after, check)) continue;
    const made = after.checks.find((one) => same(one, check))!;
    remedies.push({ edit, title: edited.title, after: made, worsens: worsened(before, after) });
    if (remedies.filter((remedy) => remedy.worsens.length === 0).length >= most) break;
  }
  const comfortable = (remedy: Remedy) => (remedy.after.verdict === 'holds' ? 0 : 1);
  return remedies
    .map((remedy, order) => ({ remedy, order }))
    .sort(
      (p, q) =>
        p.remedy.worsens.length - q.remedy.worsens.length ||
        comfortable(p.remedy) - comfortable(q.remedy) ||
        p.order - q.order,
    )
    .slice(0, most)
    .map(({ remedy }) => remedy);
}

/** What the check's own rule proposes. */
function proposersOf({ id }: Check): readonly Proposer[] {
  const rule = STATIONS.flatMap(({ rules }) => rules).find((one) => one.id === id);
  return rule === undefined || typeof rule.remedies === 'string' ? [] : rule.remedies;
}

const same = (p: Check, q: Check): boolean => checkKey(p) === checkKey(q);

/** What is thin has to gain; what fails or lacks something has to be judged and to stand. */
function cures(after: Assessment, check: Check): boolean {
  const made = after.checks.find((one) => same(one, check));
  if (!solved(made)) return false;
  return check.verdict !== 'thin' && check.verdict !== 'holds'
    ? true
    : (made.margin ?? 0) > (check.margin ?? 0) + NOISE && made.verdict === 'holds';
}
