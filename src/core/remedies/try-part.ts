import { type Assessment, assessWithRuns, type Given } from '../assess';
import { applyEdit, type Build, deviceDefinition, type Edit, EditRefused } from '../build';
import { type Check, checkKey } from '../checks';
import type { Part } from '../parts';
import { branchEdit } from './branch';
import { isWorse, type Worsened, worsened } from './find';

/** One way in which a part could come into a build. */
export interface Way {
  /** The device that it would take the place of; null: it is added. */
  readonly deviceId: string | null;
  readonly words: string;
  readonly edit: Edit;
}

/** Every way in which this build could take a part; none: nothing in it takes such a part. Cables are chosen where they run. */
export function waysToTake(assessment: Assessment, part: Part, seed: string): readonly Way[] {
  const devices = Object.values(assessment.build.circuits.hv.devices);
  const takes = devices.filter(({ kind }) => deviceDefinition(kind).part === part.kind);
  if (part.kind === 'cell')
    return takes.length === 0
      ? []
      : [{ deviceId: null, words: 'in all boxes', edit: { edit: 'fitCells', input: { part } } }];
  const inPlace = takes.map(
    ({ id, name }): Way => ({
      deviceId: id,
      words: `in place of ${name}`,
      edit: { edit: 'fitPart', input: { deviceId: id, part } },
    }),
  );
  if (part.kind === 'bus-device' && assessment.results.pack)
    return [{ deviceId: null, words: 'added to the bus', edit: branchEdit(assessment, part, seed) }, ...inPlace];
  if (part.kind === 'motor' && inPlace.length === 0)
    return [
      {
        deviceId: null,
        words: 'as the motor',
        edit: {
          edit: 'addDevice',
          input: { device: { id: `${seed}-motor`, kind: 'motor', name: 'Motor', partId: part.id, place: null }, part },
        },
      },
    ];
  return inPlace;
}

export interface Tried {
  readonly title: string;
  /** Checks that lose verdict or margin, or newly fail or turn thin. */
  readonly worse: readonly Worsened[];
  /** Checks that gain: they failed or were undecided, or had little margin. */
  readonly better: readonly Worsened[];
  /** What it would still need: new questions. */
  readonly asks: readonly Check[];
  readonly outcome: Assessment['outcome'];
  /** Of the checks that it is the subject of, or worsens, the smallest margin; null: none has one. */
  readonly thinnest: number | null;
}
export type TrialOfPart = Tried | { readonly refused: string };

const undecided = ({ verdict }: Check): boolean => verdict === 'needs-data' || verdict === 'waits';

/** The whole build with this edit made, against the build as it is. */
export function tryEdit(build: Build, edit: Edit, given: Given = {}): TrialOfPart {
  const before = assessWithRuns(build, given);
  try {
    const edited = applyEdit(build, edit);
    const after = assessWithRuns(edited.build, { memory: before.vehicle.memory.trial, runs: before });
    const known = new Map(before.checks.map((check) => [checkKey(check), check]));
    const worse = worsened(before, after);
    const lost = new Set(worse.map((one) => checkKey(one.after)));
    const better = after.checks.flatMap((check): Worsened[] => {
      const was = known.get(checkKey(check));
      return was && !lost.has(checkKey(check)) && isWorse(check, was) ? [{ before: was, after: check }] : [];
    });
    const asks = after.checks.filter((check) => {
      const was = known.get(checkKey(check));
      return undecided(check) && !lost.has(checkKey(check)) && (!was || !undecided(was));
    });
    const margins = worse.flatMap((one) => (one.after.margin === undefined ? [] : [one.after.margin]));
    return {
      title: edited.title,
      worse,
      better,
      asks,
      outcome: after.outcome,
      thinnest: margins.length > 0 ? Math.min(...margins) : null,
    };
  } catch (error) {
    if (error instanceof EditRefused) return { refused: `${error.message} ${error.remedy}` };
    throw error;
  }
}

/** Whether it can be bought for this build: nothing newly fails. */
export const livesWith = (trial: TrialOfPart): boolean =>
  !('refused' in trial) && trial.worse.every(({ after }) => after.verdict !== 'fails');

export interface Ranked {
  readonly part: Part;
  readonly trial: TrialOfPart;
}

/** Candidates for one place, best first: those that live with the build, then fewer checks made worse, then more questions answered. */
export function rankParts(
  build: Build,
  candidates: readonly { readonly part: Part; readonly edit: Edit }[],
  given: Given = {},
  onProgress?: (share: number) => void,
): readonly Ranked[] {
  const order = ({ trial }: Ranked): readonly number[] =>
    'refused' in trial
      ? [2, 0, 0, 0]
      : [
          livesWith(trial) ? 0 : 1,
          trial.worse.filter(({ after }) => after.verdict === 'fails').length,
          trial.worse.length + trial.asks.length,
          -trial.better.length,
        ];
  return candidates
    .map(({ part, edit }, k): Ranked => {
      const ranked = { part, trial: tryEdit(build, edit, given) };
      onProgress?.((k + 1) / candidates.length);
      return ranked;
    })
    .sort((p, q) => {
      const [a, b] = [order(p), order(q)];
      return a.map((value, k) => value - b[k]!).find((difference) => difference !== 0) ?? 0;
    });
}
