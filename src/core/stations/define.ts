import type { Proposer as Proposes, RuleDefinition, Rule as RuleOver, Sentence } from '../checks';
import type { Context } from './context';

export type Rule = RuleOver<Context>;
export type Proposer = Proposes<Context>;

/**
 * A rule: judge, words and remedies in one place. A figure or a variant that its sentences don't name does not compile.
 */
export const defineRule = <
  const Says extends Sentence,
  const More extends Readonly<Record<string, Sentence>> = Record<never, Sentence>,
>(
  rule: RuleDefinition<Context, Says, More>,
): Rule => rule as unknown as Rule;

/** A station of the line: a question, the rules that answer it, and the figures that its screen shows. */
export interface Station<Id extends string = string, Results = unknown> {
  /** Name of its folder, its route and its tab. Public and stable. */
  readonly id: Id;
  readonly name: string;
  readonly question: string;
  /** Key that leads there. */
  readonly key: string;
  /** What to do first while it has nothing to judge; said after "Nothing to judge yet". */
  readonly begin: string;
  readonly rules: readonly Rule[];
  /** Works out what its rules read and remember, a piece at a time: it changes when that is done, never what comes out. */
  readonly ahead?: (context: Context) => Iterable<unknown>;
  /** What this station does not judge for a build, in sentences: said beside the outcome. */
  readonly leaves?: (context: Context) => readonly string[];
  /** Made when they are first read. */
  readonly results: (context: Context) => Results;
}

export const defineStation = <const Id extends string, Results>(station: Station<Id, Results>): Station<Id, Results> =>
  station;
