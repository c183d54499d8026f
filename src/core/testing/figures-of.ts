type Failed =
  | { readonly solvable: false }
  | { readonly converged: false }
  | { readonly solved: false }
  | { readonly unknown: string }
  | { readonly why: string };

/** The figures of an answer that may have failed: a test that reads them says by this that it must not have. */
export function figuresOf<T>(answer: T): Exclude<NonNullable<T>, Failed> {
  if (answer === null || answer === undefined) throw new Error('there is no answer');
  const told = answer as {
    solvable?: boolean;
    converged?: boolean;
    solved?: boolean;
    reason?: string;
    unknown?: string;
  };
  if (told.solvable === false || told.converged === false || told.solved === false || told.unknown !== undefined)
    throw new Error(`there are no figures: ${told.reason ?? told.unknown}`);
  return answer as Exclude<NonNullable<T>, Failed>;
}
