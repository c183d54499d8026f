import type { Id } from '../build';
import type { Quantity } from '../quantities';
import type { CaseId } from '../vehicle';

export type Verdict = 'holds' | 'thin' | 'fails' | 'needs-data' | 'waits' | 'pending';
export type StationId =
  | 'survey'
  | 'pack'
  | 'drive'
  | 'hv-circuit'
  | 'cables'
  | 'low-voltage'
  | 'bms'
  | 'charging'
  | 'ancillaries'
  | 'interlocks'
  | 'harness'
  | 'plan'
  | 'commission'
  | 'logbook';

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

/** Code and figures; one sentence is made of it in `wording`. */
export interface Wording {
  readonly code: string;
  readonly figures: Readonly<Record<string, Quantity | string>>;
}

export interface Check {
  /** The rule, not the instance: "cable.temperature". Public and stable. */
  readonly id: string;
  readonly station: StationId;
  readonly subject: Ref;
  readonly case?: CaseId;
  readonly verdict: Verdict;
  readonly demand?: Quantity;
  readonly limit?: Quantity;
  /** Share of the limit that is left; below 0 it fails. Absent for yes/no rules and where nothing could be computed. */
  readonly margin?: number;
  readonly says: Wording;
  readonly working: Working;
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

/** What a rule states about one subject; the ledger fills in the rest. */
export interface Finding {
  readonly subject: Ref;
  readonly case?: CaseId;
  readonly demand?: Quantity;
  readonly limit?: Quantity;
  /** Absent with `holds` for yes/no rules. */
  readonly margin?: number;
  readonly holds?: boolean;
  readonly figures?: Readonly<Record<string, Quantity | string>>;
  /** Appended to the rule's code in the wording when a rule can say several things. */
  readonly variant?: string;
  /** Made when the working is opened: most never are. */
  readonly lines?: () => readonly WorkingLine[];
  readonly assumed?: readonly string[];
  readonly missing?: Check['missing'];
  readonly waitsFor?: Check['missing'];
  /** Rests on a run that is still going or is older than the last edit. */
  readonly pending?: true;
}

export interface Rule<Context> {
  readonly id: string;
  readonly station: StationId;
  readonly comfort?: number;
  readonly sources: readonly string[];
  /** Sources that depend on what the build follows: those of its rule set's values. */
  readonly sourcesIn?: (context: Context) => readonly string[];
  readonly judge: (context: Context) => readonly Finding[];
}

function verdictOfFinding(finding: Finding, comfort: number | undefined): Verdict {
  if (finding.missing && finding.missing.length > 0) return 'needs-data';
  if (finding.waitsFor && finding.waitsFor.length > 0) return 'waits';
  if (finding.pending) return 'pending';
  if (finding.margin !== undefined) return verdictOf(finding.margin, comfort);
  if (finding.holds !== undefined) return finding.holds ? 'holds' : 'fails';
  throw new Error('a finding states neither a margin nor whether it holds');
}

/** Figures of which no margin can be made do not fit together: that is asked, and never passes. */
const figured = (finding: Finding): Finding =>
  finding.margin !== undefined && Number.isNaN(finding.margin)
    ? { subject: finding.subject, missing: [{ ref: finding.subject, what: 'figures that fit together' }] }
    : finding;

/** A check as a rule found it; its working is made when it is opened, since most never are. */
class Judged implements Check {
  readonly id: string;
  readonly station: StationId;
  readonly subject: Ref;
  readonly verdict: Verdict;
  readonly case: CaseId | undefined;
  readonly demand: Quantity | undefined;
  readonly limit: Quantity | undefined;
  readonly margin: number | undefined;
  readonly says: Wording;
  readonly missing: Check['missing'];
  readonly #finding: Finding;
  readonly #sources: readonly string[];

  constructor(rule: Pick<Rule<never>, 'id' | 'station' | 'comfort'>, found: Finding, sources: readonly string[]) {
    const finding = figured(found);
    const { demand, limit } = finding;
    const unjudged = finding.missing?.length
      ? finding.missing
      : finding.waitsFor?.length
        ? finding.waitsFor
        : undefined;
    this.id = rule.id;
    this.station = rule.station;
    this.subject = finding.subject;
    this.verdict = verdictOfFinding(finding, rule.comfort);
    this.case = finding.case;
    this.demand = demand;
    this.limit = limit;
    this.margin = unjudged ? undefined : finding.margin;
    const figures: Record<string, Quantity | string> = {};
    if (demand) figures.demand = demand;
    if (limit) figures.limit = limit;
    if (finding.figures) Object.assign(figures, finding.figures);
    this.says = { code: finding.variant ? `${rule.id}.${finding.variant}` : rule.id, figures };
    this.missing = unjudged;
    this.#finding = finding;
    this.#sources = sources;
  }

  get working(): Working {
    return { lines: this.#finding.lines?.() ?? [], sources: this.#sources, assumed: this.#finding.assumed ?? [] };
  }
}

/** Runs rules over a context. */
export function runRules<Context>(rules: readonly Rule<Context>[], context: Context): Check[] {
  const checks: Check[] = [];
  for (const rule of rules) {
    const sources = rule.sourcesIn ? [...rule.sources, ...rule.sourcesIn(context)] : rule.sources;
    for (const finding of rule.judge(context)) checks.push(new Judged(rule, finding, sources));
  }
  return checks;
}

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
