/** The words of one check, in workshop English. `{name}` is a figure or a text that the finding gives. */
export interface Sentence {
  /** Ledger line when it does not hold. */
  readonly fails: string;
  /** Ledger line when it holds. */
  readonly holds: string;
  /** One quiet line under it. */
  readonly line: string;
  /** Ledger line while it can’t be judged; the one for holding when absent. */
  readonly open?: string;
}

type NamesIn<Text> = Text extends `${string}{${infer Name}}${infer Rest}` ? Name | NamesIn<Rest> : never;

/** What every finding can give without naming it among its figures. */
export type Given = 'subject' | 'demand' | 'limit';

/** Figures that a sentence asks its finding for. */
export type FiguresOf<S extends Sentence> = Exclude<NamesIn<S[keyof S]>, Given>;
