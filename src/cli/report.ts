import type { Assessment } from '../core/assess';
import { marginText, say, VERDICT_WORDS } from '../core/checks';

const CAUTION =
  'Ropeway computes and records; local code, registration rules and licensed practice decide. Prove dead before touching.';

/** The assessment as plain data: what the ledger shows, with working. */
export function assessmentJson(assessment: Assessment): unknown {
  return {
    ok: true,
    build: { id: assessment.build.id, name: assessment.build.name },
    outcome: assessment.outcome,
    caution: CAUTION,
    pack: assessment.pack,
    checks: assessment.checks.map((check) => ({
      ...check,
      working: check.working,
      title: say(check).title,
      line: say(check).line,
    })),
    cases: assessment.vehicle.cases.map(({ id, point }) => ({
      id,
      solvable: point.solvable,
      ...(point.reason ? { reason: point.reason } : {}),
      maximumLoadFactor: point.maximumLoadFactor,
      nodeVoltagesV: Object.fromEntries(point.nodeVoltagesV),
      elementCurrentsA: Object.fromEntries(point.elementCurrentsA),
    })),
    precharge: assessment.precharge,
  };
}

export function assessmentText(assessment: Assessment): string {
  const lines = assessment.checks.map((check) => {
    const { title, line } = say(check);
    return `${VERDICT_WORDS[check.verdict].padEnd(10)} ${marginText(check).padStart(8)}  ${title}${line ? ` (${line})` : ''}`;
  });
  const count = (verdict: string) => assessment.checks.filter((check) => check.verdict === verdict).length;
  return [
    `${assessment.build.name}: ${assessment.checks.length} checks, ${count('fails')} fail, ${count('thin')} thin, ${assessment.outcome}`,
    '',
    ...lines,
    '',
    CAUTION,
  ].join('\n');
}
