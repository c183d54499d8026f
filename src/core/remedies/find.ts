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
/** Of two steps: so many in all, from so many first ones, each with so many second ones. */
const MOST_PAIRS = 24;
const FIRST_STEPS = 4;
const SECOND_STEPS = 8;

const solved = (check: Check | undefined): check is Check =>
  check !== undefined && (check.verdict === 'holds' || check.verdict === 'thin');

/** A worse verdict, or less margin where there is little or none. A margin that shrinks and still holds is not worse. */
export function isWorse(before: Check, after: Check | undefined): boolean {
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

export function worsened(before: Assessment, after: Assessment): Worsened[] {
  const now = new Map(after.checks.map((check) => [checkKey(check), check]));
  const known = new Map(before.checks.map((check) => [checkKey(check), check]));
  const list = before.checks.flatMap((check) => {
    const next = now.get(checkKey(check));
    return !check.work && isWorse(check, next) ? [{ before: check, after: next! }] : [];
  });
  const fresh = after.checks
    .filter(
      (check) => !check.work && !known.has(checkKey(check)) && (check.verdict === 'fails' || check.verdict === 'thin'),
    )
    .map((check) => ({ before: null, after: check }));
  return [...list, ...fresh];
}

/** What a search for remedies found; where there is none, how near the nearest change came. */
export interface RemedySearch {
  readonly remedies: readonly Remedy[];
  readonly tried: number;
  /** The change that leaves the check best off and still does not cure it; null when none helps at all. */
  readonly nearest: { readonly title: string; readonly after: Check } | null;
}

/** One edit made on the model. */
interface Trial {
  readonly edit: Edit;
  readonly title: string;
  readonly after: Assessment;
  /** The check with the edit made; undefined: it is no longer there. */
  readonly made: Check | undefined;
  readonly cured: boolean;
}

/**
 * Edits that make this check hold, each tried on the whole model: those that harm nothing else first, then by how little they change.
 * A remedy with which another check would newly fail, turn thin, lose its judgement, or fail by more names that check. Runs that a trial
 * changes are made again for what cures, so the checks that rest on them are compared like the others. Where no single edit cures without
 * harm, two steps are tried: what came near and one more like it, or what harms and what cures the harm.
 */
export function searchRemedies(build: Assessment['build'], check: Check, most = 3, given: Given = {}): RemedySearch {
  const before = assessWithRuns(build, given);
  const trial: Given = { memory: before.vehicle.memory.trial, runs: before };
  const make = (edit: Edit): Trial | null => {
    try {
      const edited = applyEdit(build, edit);
      const quick = assess(edited.build, trial);
      const waits = quick.checks.some((one) => one.verdict === 'pending' && same(one, check));
      const after = cures(quick, check) || waits ? assessWithRuns(edited.build, trial) : quick;
      const made = after.checks.find((one) => same(one, check));
      return { edit, title: edited.title, after, made, cured: cures(after, check) };
    } catch (error) {
      if (error instanceof EditRefused) return null;
      throw error;
    }
  };
  const remedies: Remedy[] = [];
  const offer = ({ edit, title, after, made }: Trial): Remedy => {
    const remedy = { edit, title, after: made!, worsens: worsened(before, after) };
    remedies.push(remedy);
    return remedy;
  };
  const harmless = () => remedies.filter(({ worsens }) => worsens.length === 0).length;

  const single: Trial[] = [];
  for (const edit of proposalsFor(before, check).slice(0, MOST_TRIES)) {
    const one = make(edit);
    if (one === null) continue;
    single.push(one);
    if (one.cured) offer(one);
    if (harmless() >= most) break;
  }
  let tried = single.length;
  if (harmless() === 0) {
    const second: Trial[] = [];
    const known = new Set<string>();
    for (const pair of pairs(before, check, single)) {
      const steps = JSON.stringify(pair.input.steps.map((step) => JSON.stringify(step)).sort());
      if (known.has(steps)) continue;
      known.add(steps);
      const one = make(pair);
      if (one === null) continue;
      tried++;
      second.push(one);
      // Two steps are offered only when they leave nothing worse behind.
      if (one.cured && worsened(before, one.after).length === 0) offer(one);
      if (harmless() >= most || tried >= MOST_TRIES + MOST_PAIRS) break;
    }
    single.push(...second);
  }
  const comfortable = (remedy: Remedy) => (remedy.after.verdict === 'holds' ? 0 : 1);
  return {
    tried,
    nearest: nearestOf(check, single),
    remedies: remedies
      .map((remedy, order) => ({ remedy, order }))
      .sort(
        (p, q) =>
          p.remedy.worsens.length - q.remedy.worsens.length ||
          comfortable(p.remedy) - comfortable(q.remedy) ||
          p.order - q.order,
      )
      .slice(0, most)
      .map(({ remedy }) => remedy),
  };
}

export const findRemedies = (
  build: Assessment['build'],
  check: Check,
  most = 3,
  given: Given = {},
): readonly Remedy[] => searchRemedies(build, check, most, given).remedies;

const gained = (check: Check, { made }: Trial): number =>
  made?.margin !== undefined && check.margin !== undefined ? made.margin - check.margin : Number.NEGATIVE_INFINITY;

/** The best of those that help and do not cure. */
function nearestOf(check: Check, trials: readonly Trial[]): RemedySearch['nearest'] {
  const [best] = trials
    .filter((one) => !one.cured && gained(check, one) > NOISE)
    .sort((p, q) => gained(check, q) - gained(check, p));
  return best ? { title: best.title, after: best.made! } : null;
}

type Pair = Extract<Edit, { edit: 'together' }>;

/** Two steps worth trying: what harms with a cure of the harm, then what comes near with one more for the same check. */
function* pairs(before: Assessment, check: Check, trials: readonly Trial[]): Generator<Pair> {
  const join = (first: Edit, second: Edit): Pair[] =>
    first.edit === 'together' || second.edit === 'together'
      ? []
      : [{ edit: 'together', input: { steps: [first, second] } }];
  for (const one of trials.filter(({ cured }) => cured).slice(0, FIRST_STEPS)) {
    const [harm, ...others] = worsened(before, one.after);
    // Two steps mend one harm; what spoils more is no remedy.
    if (!harm || others.length > 0) continue;
    for (const edit of proposalsFor(one.after, harm.after).slice(0, SECOND_STEPS))
      if (!replaces(edit, one.edit)) yield* join(one.edit, edit);
  }
  const near = trials
    .filter((one) => !one.cured && gained(check, one) > NOISE)
    .sort((p, q) => gained(check, q) - gained(check, p));
  for (const one of near.slice(0, FIRST_STEPS))
    for (const edit of proposalsFor(one.after, one.made!).slice(0, SECOND_STEPS))
      if (!replaces(edit, one.edit)) yield* join(one.edit, edit);
}

/** The second step undoes the first: the same edit at the same place. */
const replaces = (second: Edit, first: Edit): boolean =>
  second.edit === first.edit && placeOf(second) === placeOf(first);
const placeOf = ({ input }: Edit): string =>
  JSON.stringify(
    Object.entries(input)
      .filter(([key]) => key === 'deviceId' || key === 'conductorIds' || key === 'conductorId' || key === 'figure')
      .sort(),
  );

const proposalsFor = (assessment: Assessment, check: Check): Edit[] =>
  proposersOf(check).flatMap((propose) => propose(assessment.context, check));

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
