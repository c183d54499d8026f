import type { Id } from '../build';
import type { Quantity } from '../quantities';
import type { CaseId } from '../vehicle';
import type { Sentence } from './sentence';

export type Verdict = 'holds' | 'thin' | 'fails' | 'needs-data' | 'waits' | 'pending';
/** What suffers first where a check does not hold, the gravest first: a shock or lost control, heat, a part, or only a promise. */
export const CONSEQUENCES = ['people', 'fire', 'parts', 'comfort'] as const;
export type Endangers = (typeof CONSEQUENCES)[number];

/** What a check is about; `name` is for people. */
export interface Ref {
  readonly kind: 'device' | 'conductor' | 'pack' | 'build';
  readonly id: Id;
  readonly name: string;
}

/** One line that a person can redo by hand. */
export interface WorkingLine {
  /** Formula in symbols. */
  readonly formula: string;
  /** The same with figures in it; exact enough to be redone. */
  readonly figures: string;
  readonly result?: Quantity;
  readonly note?: string;
}

export interface Working {
  readonly lines: readonly WorkingLine[];
  readonly sources: readonly string[];
  /** Values that are assumed rather than known, in words. */
  readonly assumed: readonly string[];
}

export type Figures = Readonly<Record<string, Quantity | string>>;

/** The rule's sentence and the figures that fill it; `wording` spells it in the reader's units. */
export interface Wording {
  /** The rule, with what it says of several things. Public and stable. */
  readonly code: string;
  readonly figures: Figures;
  readonly sentence: Sentence;
}

export interface Check {
  /** The rule, not the instance: "cable.temperature". Public and stable. */
  readonly id: string;
  /** Id of the station whose rule it is. */
  readonly station: string;
  readonly endangers: Endangers;
  /** It speaks of the work at the car: a change of the design moves it, and is not weighed by it. */
  readonly work?: true;
  readonly subject: Ref;
  readonly case?: CaseId;
  readonly verdict: Verdict;
  readonly demand?: Quantity;
  readonly limit?: Quantity;
  /** Share of the limit that is left; below 0 it fails. Absent for yes/no rules and where nothing could be computed. */
  readonly margin?: number;
  readonly says: Wording;
  readonly working: Working;
  /** Values that are assumed rather than known, in words. */
  readonly assumed: readonly string[];
  /** pending: what it waits for, in words. */
  readonly pending?: string;
  /** What a person does where no single edit cures it; absent for what holds, and where edits are all there is to say. */
  readonly advice?: string;
  /** needs-data: which inputs. waits: which checks ("rule:subject"). */
  readonly missing?: readonly { readonly ref: Ref; readonly what: string }[];
}

/** Identifies one check among all: rule and subject. */
export const checkKey = (check: Pick<Check, 'id' | 'subject'>): string => `${check.id}:${check.subject.id}`;

export const COMFORT = 0.1;

/** Verdict of a margin: below 0 fails, below the comfort level thin. A margin that is not a number is a mistake, never a pass. */
export function verdictOf(margin: number, comfort = COMFORT): Verdict {
  if (Number.isNaN(margin)) throw new Error('a margin was not a number');
  if (margin < 0) return 'fails';
  return margin < comfort ? 'thin' : 'holds';
}

/** (limit − demand)/limit; a limit of zero can hold nothing. */
export const marginAtMost = (demand: number, limit: number): number =>
  limit > 0 ? (limit - demand) / limit : demand <= 0 ? 0 : Number.NEGATIVE_INFINITY;
/** (demand − limit)/limit */
export const marginAtLeast = (demand: number, limit: number): number =>
  limit > 0 ? (demand - limit) / limit : Number.POSITIVE_INFINITY;
/** By the rise over the surroundings. */
export const marginOfRise = (reachedC: number, limitC: number, ambientC: number): number =>
  limitC > ambientC ? (limitC - reachedC) / (limitC - ambientC) : Number.NEGATIVE_INFINITY;

const RANK: Readonly<Record<Verdict, number>> = { fails: 0, thin: 1, 'needs-data': 2, waits: 3, pending: 4, holds: 5 };

/** Thinnest first: what fails (yes/no rules before margins), then thin, then what is undecided, then what holds (yes/no rules last). */
export function sortLedger(checks: readonly Check[]): Check[] {
  const weight = (check: Check): number =>
    check.margin ?? (check.verdict === 'holds' ? Number.MAX_VALUE : -Number.MAX_VALUE);
  const keyed = checks.map((check) => ({
    check,
    rank: RANK[check.verdict],
    weight: weight(check),
    key: checkKey(check),
  }));
  keyed.sort((p, q) => p.rank - q.rank || p.weight - q.weight || (p.key < q.key ? -1 : p.key > q.key ? 1 : 0));
  return keyed.map(({ check }) => check);
}

export const verdictRank = (verdict: Verdict): number => RANK[verdict];
