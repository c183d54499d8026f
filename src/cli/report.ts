import type { Assessment } from '../core/assess';
import { marginText, say, VERDICT_WORDS } from '../core/checks';
import { CAUTION } from '../core/formats';
import { inUnits } from '../core/quantities';

export function assessmentText(assessment: Assessment): string {
  const lines = assessment.checks.map((check) => {
    const { title, line } = say(check);
    return `${VERDICT_WORDS[check.verdict].padEnd(10)} ${marginText(check).padStart(8)}  ${title}${line ? ` (${line})` : ''}`;
  });
  const { reservations } = assessment;
  const count = (verdict: string) => assessment.checks.filter((check) => check.verdict === verdict).length;
  return [
    `${assessment.build.name}: ${assessment.checks.length} checks, ${count('fails')} fail, ${count('thin')} thin, ${assessment.outcome}`,
    '',
    ...lines,
    '',
    'Not judged here:',
    ...reservations.notJudged.map((words) => `  ${inUnits(words)}`),
    'Assumed, the thinnest margin that rests on it first:',
    ...reservations.assumed.map(({ words }) => `  ${inUnits(words)}`),
    '',
    CAUTION,
  ].join('\n');
}
