import type { CellCare } from '../build';
import { leastOfCurves } from '../physics/limit-curve';

/** What a battery management that is set like this decides, from its cells and the decision before: stops hold until their release. */
export interface BmsState {
  readonly chargeStop: boolean;
  readonly driveStop: boolean;
}

export interface BmsSees {
  readonly cellsV: readonly number[];
  readonly temperatureC: number;
  readonly soc: number;
}

export interface BmsSays extends BmsState {
  readonly dischargeLimitA: number;
  readonly chargeLimitA: number;
}

/** A limit of a message without one, A. */
const OPEN_A = 6553.5;

/** One step of a simulated battery management. What is not set stops nothing; a release that is not set is the stop itself. */
export function bmsStep(settings: CellCare, sees: BmsSees, before: BmsState): BmsSays {
  const {
    overV,
    overReleaseV = overV,
    underV,
    underReleaseV = underV,
    chargeFromC,
    chargeToC,
    dischargeToC,
    curves = {},
  } = settings;
  const [high, low] = [Math.max(...sees.cellsV), Math.min(...sees.cellsV)];
  const isOver = overV !== undefined && (high >= overV || (before.chargeStop && high > (overReleaseV ?? overV)));
  const isUnder = underV !== undefined && (low <= underV || (before.driveStop && low < (underReleaseV ?? underV)));
  const tooCold = chargeFromC !== undefined && sees.temperatureC < chargeFromC;
  const tooHot = chargeToC !== undefined && sees.temperatureC > chargeToC;
  const hot = dischargeToC !== undefined && sees.temperatureC > dischargeToC;
  const chargeStop = isOver || tooCold || tooHot;
  const driveStop = isUnder || hot;
  const most = (byC: typeof curves.chargeByC, bySoc: typeof curves.chargeBySoc) =>
    Math.min(OPEN_A, leastOfCurves([byC, sees.temperatureC], [bySoc, sees.soc]));
  return {
    chargeStop,
    driveStop,
    chargeLimitA: chargeStop ? 0 : most(curves.chargeByC, curves.chargeBySoc),
    dischargeLimitA: driveStop ? 0 : most(curves.dischargeByC, curves.dischargeBySoc),
  };
}
