import type { Assessment } from '../assess';
import { say } from '../checks';

/** Every export says so. */
export const CAUTION =
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
      ...(point.solvable ? {} : { reason: point.reason }),
      maximumLoadFactor: point.maximumLoadFactor,
      ...(point.solvable
        ? {
            nodeVoltagesV: Object.fromEntries(point.nodeVoltagesV),
            elementCurrentsA: Object.fromEntries(point.elementCurrentsA),
          }
        : {}),
    })),
    precharge: assessment.precharge,
  };
}
