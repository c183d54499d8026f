/** Something in a file that could not be taken as it stands. */
export interface LogProblem {
  readonly where: string;
  readonly why: string;
  readonly remedy: string;
}

/** What a review is made with: see ReviewOptions. */
export interface LogSettings {
  readonly lowV: number | null;
  readonly restA: number;
  readonly stepA: number;
}
