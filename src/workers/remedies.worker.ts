import { expose } from 'comlink';
import { assess, assessWithRuns } from '@/core/assess';
import type { Build, Edit } from '@/core/build';
import { type Check, checkKey } from '@/core/checks';
import type { Part } from '@/core/parts';
import {
  livesWith,
  type NextFigure,
  nextFigure,
  planStarter,
  type Remedy,
  rankParts,
  type StarterChoice,
  type StarterPlan,
  searchRemedies,
  type TrialOfPart,
  tryEdit,
} from '@/core/remedies';
import type { Runs } from '@/core/simulate';
import { Memory } from '@/core/vehicle';

/** A remedy as it travels: the check that it cures is named by its key, workings stay behind. */
export interface RemedyOffer {
  readonly edit: Remedy['edit'];
  readonly title: string;
  readonly after: Pick<Check, 'id' | 'subject' | 'verdict' | 'margin'>;
  readonly worsens: readonly {
    readonly after: Pick<Check, 'id' | 'subject' | 'verdict' | 'margin' | 'says'> & {
      readonly missing?: Check['missing'];
    };
    /** Null: there was no such check before. */
    readonly marginBefore: number | undefined | null;
  }[];
}

export type CheckBrief = Pick<Check, 'id' | 'subject' | 'verdict' | 'margin' | 'says' | 'missing'>;

const brief = ({ id, subject, verdict, margin, says, missing }: Check): CheckBrief => ({
  id,
  subject,
  verdict,
  margin,
  says,
  missing,
});

/** This worker’s own: the next question is mostly about the same build. */
const memory = new Memory();

/** What there is to offer; where nothing cures, how many changes were tried and how near the best came. */
export interface RemedyAnswer {
  readonly offers: readonly RemedyOffer[];
  readonly tried: number;
  readonly nearest: { readonly title: string; readonly after: Pick<Check, 'verdict' | 'margin'> } | null;
}

export interface TrialBrief {
  /** Why it could not be tried. */
  readonly refused: string | null;
  readonly lives: boolean;
  readonly worse: readonly CheckBrief[];
  readonly better: readonly CheckBrief[];
  readonly asks: readonly CheckBrief[];
}
export type StarterBrief = Omit<StarterPlan, 'failing'> & { readonly failing: readonly CheckBrief[] };
export interface RankedBrief {
  readonly part: Part;
  readonly trial: TrialBrief;
}

const briefTrial = (trial: TrialOfPart): TrialBrief =>
  'refused' in trial
    ? { refused: trial.refused, lives: false, worse: [], better: [], asks: [] }
    : {
        refused: null,
        lives: livesWith(trial),
        worse: trial.worse.map(({ after }) => brief(after)),
        better: trial.better.map(({ after }) => brief(after)),
        asks: trial.asks.map(brief),
      };

const api = {
  /** The whole build with this edit made. */
  tryEdit(build: Build, edit: Edit, runs: Runs): TrialBrief {
    return briefTrial(tryEdit(build, edit, { memory, runs }));
  },
  /** The untold figure that opens most checks. */
  next(build: Build): NextFigure | null {
    return nextFigure(assess(build, { memory }));
  },
  /** A first circuit that holds, or the nearest to it. */
  planStarter(build: Build, choice: StarterChoice, seed: string): StarterBrief {
    const { failing, ...plan } = planStarter(build, choice, seed, memory);
    return { ...plan, failing: failing.map(brief) };
  },
  /** Candidates for one place, best first. */
  rank(
    build: Build,
    candidates: readonly { readonly part: Part; readonly edit: Edit }[],
    runs: Runs,
  ): readonly RankedBrief[] {
    return rankParts(build, candidates, { memory, runs }).map(({ part, trial }) => ({
      part,
      trial: briefTrial(trial),
    }));
  },
  /** Remedies for one check of a build, tried on the model; none when the check is no longer there. */
  find(build: Build, key: string, runs: Runs): RemedyAnswer {
    const whole = assessWithRuns(build, { memory, runs });
    const check = whole.checks.find((candidate) => checkKey(candidate) === key);
    if (!check) return { offers: [], tried: 0, nearest: null };
    const { remedies, tried, nearest } = searchRemedies(build, check, undefined, { memory, runs: whole });
    return {
      tried,
      nearest: nearest && { title: nearest.title, after: brief(nearest.after) },
      offers: remedies.map(({ edit, title, after, worsens }) => ({
        edit,
        title,
        after: brief(after),
        worsens: worsens.map((worse) => ({
          after: brief(worse.after),
          marginBefore: worse.before === null ? null : worse.before.margin,
        })),
      })),
    };
  },
};

export type RemediesWorker = typeof api;
expose(api);
