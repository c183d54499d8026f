/** The words of one check, in workshop English. `{name}` is a figure or a text of the wording. */
export interface Sentence {
  /** Ledger line when it does not hold. */
  readonly bad: string;
  /** Ledger line when it holds. */
  readonly good: string;
  /** One quiet line under it. */
  readonly line: string;
  /** Ledger line while it can't be judged; the one for holding when absent. */
  readonly open?: string;
}

/** Bad, good, the quiet line, and what is said while it can’t be judged. */
export const S = (bad: string, good: string, line: string, open?: string): Sentence => ({
  bad,
  good,
  line,
  ...(open ? { open } : {}),
});
