import type { Assessment } from '../assess';
import { type Check, say, spell } from '../checks';
import { inUnits } from '../quantities';

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
    notJudged: assessment.reservations.notJudged.map((words) => inUnits(words)),
    assumed: assessment.reservations.assumed.map(({ words, checks, thinnest }) => ({
      words: inUnits(words),
      checks,
      thinnestMargin: thinnest,
    })),
    pack: assessment.results.pack,
    checks: assessment.checks.map((check) => ({
      ...check,
      says: { code: check.says.code, figures: spelled(check.says.figures) },
      ...(check.missing ? { missing: check.missing.map(({ ref, what }) => ({ ref, what: inUnits(what) })) } : {}),
      working: spell(check.working),
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
    precharge: assessment.results['hv-circuit'],
  };
}

/** Words among the figures as a person reads them; figures stay figures. */
const spelled = (figures: Check['says']['figures']): Check['says']['figures'] =>
  Object.fromEntries(
    Object.entries(figures).map(([key, figure]) => [key, typeof figure === 'string' ? inUnits(figure) : figure]),
  );
