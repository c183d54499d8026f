import type { Edit } from '../build';
import type { Quantity } from '../quantities';
import type { CaseId } from '../vehicle';
import {
  type Check,
  type Endangers,
  type Ref,
  type Verdict,
  verdictOf,
  type Wording,
  type Working,
  type WorkingLine,
} from './check';
import type { FiguresOf, Sentence } from './sentence';

/**
 * What a rule states about one subject; the ledger fills in the rest. It names the figures that it gives beside demand and limit, and which
 * of the rule's other sentences it may say: both have to be the rule's own.
 */
export interface Finding<Figure extends string = never, Variant extends string = never> {
  readonly subject: Ref;
  readonly case?: CaseId;
  readonly demand?: Quantity;
  readonly limit?: Quantity;
  /** Absent with `holds` for yes/no rules. */
  readonly margin?: number;
  readonly holds?: boolean;
  readonly figures?: { readonly [name in Figure]?: Quantity | string };
  /** Which of the rule's other sentences is said. */
  readonly variant?: Variant;
  /** Made when the working is opened: most never are. */
  readonly lines?: () => readonly WorkingLine[];
  readonly assumed?: readonly string[];
  readonly missing?: Check['missing'];
  readonly waitsFor?: Check['missing'];
  /** Rests on a run that is still going or is older than the last edit: its words. */
  readonly pending?: string;
}

type Found = Finding<string, string>;

/** Edits worth trying for a check that does not hold, smallest change first. They prove nothing: the model does. */
export type Proposer<Context> = (context: Context, check: Check) => readonly Edit[];

type Variants = Readonly<Record<string, Sentence>>;

/** A rule as it is written down: judge, words and remedies in one place. */
export interface RuleDefinition<Context, Says extends Sentence, More extends Variants> {
  /** Public and stable: "cable.temperature". */
  readonly id: string;
  /** What suffers first where it does not hold. */
  readonly endangers: Endangers;
  /** It speaks of the work at the car, which moves with every change of the design: no change is weighed by it. */
  readonly work?: true;
  readonly says: Says;
  /** Other sentences, for a rule that can say several things. */
  readonly variants?: More;
  /** Margin below which it is thin; the common one when absent. */
  readonly comfort?: number;
  readonly sources: readonly string[];
  /** Sources that depend on what the build follows: those of its rule set's values. */
  readonly sourcesIn?: (context: Context) => readonly string[];
  readonly judge: (
    context: Context,
  ) => readonly Finding<FiguresOf<Says> | FiguresOf<More[keyof More]>, keyof More & string>[];
  /** Edits to try, or the plain sentence of what a person does instead. */
  readonly remedies: readonly Proposer<Context>[] | string;
  /** What a person does when none of the edits cures it. */
  readonly otherwise?: string;
}

/** A rule as the ledger runs it. */
export interface Rule<Context> extends RuleDefinition<Context, Sentence, Variants> {
  readonly judge: (context: Context) => readonly Found[];
}

/** Every sentence that a rule can say, by its code. */
export const sentencesOf = ({ id, says, variants = {} }: Pick<Rule<never>, 'id' | 'says' | 'variants'>): Variants => ({
  [id]: says,
  ...Object.fromEntries(Object.entries(variants).map(([name, sentence]) => [`${id}.${name}`, sentence])),
});

function verdictOfFinding(finding: Found, comfort: number | undefined): Verdict {
  if (finding.missing && finding.missing.length > 0) return 'needs-data';
  if (finding.waitsFor && finding.waitsFor.length > 0) return 'waits';
  if (finding.pending !== undefined) return 'pending';
  if (finding.margin !== undefined) return verdictOf(finding.margin, comfort);
  if (finding.holds !== undefined) return finding.holds ? 'holds' : 'fails';
  throw new Error('a finding states neither a margin nor whether it holds');
}

/** Figures of which no margin can be made do not fit together: that is asked, and never passes. */
const figured = (finding: Found): Found =>
  finding.margin !== undefined && Number.isNaN(finding.margin)
    ? { subject: finding.subject, missing: [{ ref: finding.subject, what: 'figures that fit together' }] }
    : finding;

/** A check as a rule found it; its working is made when it is opened, since most never are. */
class Judged implements Check {
  readonly id: string;
  readonly station: string;
  readonly endangers: Endangers;
  readonly work?: true;
  readonly subject: Ref;
  readonly verdict: Verdict;
  readonly case: CaseId | undefined;
  readonly demand: Quantity | undefined;
  readonly limit: Quantity | undefined;
  readonly margin: number | undefined;
  readonly says: Wording;
  readonly missing: Check['missing'];
  readonly pending?: string;
  readonly advice?: string;
  readonly #finding: Found;
  readonly #sources: readonly string[];
  readonly #unsure: readonly string[];

  constructor(
    station: string,
    rule: Pick<Rule<never>, 'id' | 'endangers' | 'work' | 'comfort' | 'says' | 'variants' | 'remedies' | 'otherwise'>,
    found: Found,
    sources: readonly string[],
    unsure: readonly string[] = [],
  ) {
    const finding = figured(found);
    const { demand, limit } = finding;
    const unjudged = finding.missing?.length
      ? finding.missing
      : finding.waitsFor?.length
        ? finding.waitsFor
        : undefined;
    this.id = rule.id;
    this.station = station;
    this.endangers = rule.endangers;
    if (rule.work) this.work = true;
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
    const sentence = finding.variant === undefined ? rule.says : rule.variants?.[finding.variant];
    if (!sentence) throw new Error(`${rule.id} has no words for ${finding.variant}`);
    this.says = { code: finding.variant ? `${rule.id}.${finding.variant}` : rule.id, figures, sentence };
    this.missing = unjudged;
    if (this.verdict === 'pending') this.pending = finding.pending;
    const advice = typeof rule.remedies === 'string' ? rule.remedies : rule.otherwise;
    if (advice !== undefined && this.verdict !== 'holds') this.advice = advice;
    this.#finding = finding;
    this.#sources = sources;
    this.#unsure = unsure;
  }

  get assumed(): readonly string[] {
    return [...(this.#finding.assumed ?? []), ...this.#unsure];
  }

  get working(): Working {
    return { lines: this.#finding.lines?.() ?? [], sources: this.#sources, assumed: this.assumed };
  }
}

/** So that a test can tell a rule that asks from one that stumbled. */
export const STUMBLED = 'figures that it can be worked out with';

const VEHICLE: Ref = { kind: 'build', id: 'vehicle', name: 'Vehicle' };

/** A rule that could not be worked out says so and never passes: figures beyond any vehicle, or a fault of ours. */
const stumbled = (error: unknown): Found => ({
  subject: VEHICLE,
  missing: [
    {
      ref: VEHICLE,
      what: `${STUMBLED} (${error instanceof Error ? error.message : String(error)})`,
    },
  ],
});
/** What a rule said, with all that it rests on: it says the same as long as that stands. */
export interface Heard {
  readonly findings: readonly Found[];
  readonly sources: readonly string[];
  readonly unsure: readonly (readonly string[])[];
}

/** One rule over a context; `unsureOf` says what of a subject’s own figures nobody read or measured. */
export function hearRule<Context>(
  rule: Rule<Context>,
  context: Context,
  unsureOf?: (subject: Ref) => readonly string[],
): Heard {
  const sources = rule.sourcesIn ? [...rule.sources, ...rule.sourcesIn(context)] : rule.sources;
  // All of a rule or none of it: half of its subjects would look like all.
  try {
    const findings = rule.judge(context);
    return { findings, sources, unsure: findings.map(({ subject }) => unsureOf?.(subject) ?? []) };
  } catch (error) {
    return { findings: [stumbled(error)], sources, unsure: [[]] };
  }
}

/** The checks of what a rule said. */
export const checksOf = (station: string, rule: Rule<never>, { findings, sources, unsure }: Heard): Check[] =>
  findings.map((finding, k) => new Judged(station, rule, finding, sources, unsure[k]));

/**
 * What was said of an earlier context, for this one: all that the rule read is the same. A working may show more than was read for the
 * verdict, so it is made of this context when somebody opens it.
 */
export function heardAgain<Context>(heard: Heard, rule: Rule<Context>, context: Context): Heard {
  const again = new Map<number, () => readonly WorkingLine[]>();
  let findings: readonly Found[] | null = null;
  const linesAt = (k: number) => () => {
    findings ??= rule.judge(context);
    return findings[k]?.lines?.() ?? [];
  };
  for (const [k, { lines }] of heard.findings.entries()) if (lines) again.set(k, linesAt(k));
  return {
    ...heard,
    findings: heard.findings.map((one, k) => (again.has(k) ? { ...one, lines: again.get(k)! } : one)),
  };
}
