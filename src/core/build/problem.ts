/** What is wrong with something from outside: where, why, and what to do. */
export interface Problem {
  readonly path: string;
  readonly reason: string;
  readonly remedy: string;
}
