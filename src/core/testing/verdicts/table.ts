import { assessWithRuns } from '../../assess';
import type { Build } from '../../build';

/** One line of the table of verdicts: what a person would see of a check, without its words. */
export interface VerdictLine {
  readonly key: string;
  readonly verdict: string;
  readonly margin: number | null;
}

/** Every check of a build with its runs made, by rule, subject and case. */
export function verdictLines(build: Build): VerdictLine[] {
  return assessWithRuns(build)
    .checks.map(({ id, subject, case: at, verdict, margin }) => ({
      key: [id, subject.id, at ?? ''].join(' | '),
      verdict,
      margin: margin ?? null,
    }))
    .sort((p, q) => (p.key < q.key ? -1 : p.key > q.key ? 1 : 0));
}

/** As it is kept: a line each, margins to six digits. */
export const verdictTable = (build: Build): string =>
  verdictLines(build)
    .map(
      ({ key, verdict, margin }) => `${key} | ${verdict} | ${margin === null ? '-' : Number(margin.toPrecision(6))}\n`,
    )
    .join('');

export function readTable(text: string): VerdictLine[] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const [id, subject, at, verdict, margin] = line.split(' | ');
      return { key: [id, subject, at].join(' | '), verdict: verdict!, margin: margin === '-' ? null : Number(margin) };
    });
}
