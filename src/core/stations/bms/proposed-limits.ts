import type { CellCare } from '../../build';
import { BALANCE_LEAST_V, cellExtremes } from '../../physics/cell-care';
import { temperaturesOf } from '../../physics/cell-limits';
import type { Vehicle } from '../../vehicle';
import { proposedCurve } from './curve-rules';
import { cellsOf } from './shared';

type Limits = Pick<
  CellCare,
  | 'overV'
  | 'overReleaseV'
  | 'underV'
  | 'underReleaseV'
  | 'chargeFromC'
  | 'chargeToC'
  | 'dischargeToC'
  | 'balanceFromV'
  | 'curves'
>;

const round = (v: number): number => Math.round(v * 1000) / 1000;

/** Kept away from what destroys a cell, of the way there: stops, and their releases on the way back. */
const STOP_SHARE = 0.6;
const RELEASE_V = 0.1;
/** Away from temperatures that cells bear, K. */
const WITHIN_K = 2;
/** Balancing begins so far below the charge voltage, V. */
const BALANCE_BELOW_V = 0.05;

/** Limits that suit the cells which are fitted, by their parts and chemistries; the strictest where they differ. Null without cells. */
export function proposedLimits(vehicle: Vehicle): Limits | null {
  const cells = cellsOf(vehicle);
  if (cells.length === 0) return null;
  const least = (values: readonly number[]) => Math.min(...values);
  const most = (values: readonly number[]) => Math.max(...values);
  const highest = least(cells.map(({ chemistry }) => cellExtremes(chemistry).mostV));
  const lowest = most(cells.map(({ chemistry }) => cellExtremes(chemistry).leastV));
  const full = least(cells.map(({ fullV }) => fullV));
  const set = least([full, ...(vehicle.build.charging?.cellV === undefined ? [] : [vehicle.build.charging.cellV])]);
  const overV = round(full + STOP_SHARE * (highest - full));
  const emptyV = most(cells.map((cell) => cell.emptyV));
  const underV = round(lowest + (1 - STOP_SHARE) * Math.max(0, emptyV - lowest));
  const charge = cells.map((cell) => ({
    from: temperaturesOf(cell, 'charge')[0],
    to: temperaturesOf(cell, 'charge')[1],
    hot: temperaturesOf(cell, 'discharge')[1],
  }));
  const steep = most(cells.map(({ chemistry }) => BALANCE_LEAST_V[chemistry] ?? 0));
  const [chargeByC, dischargeByC] = (['charge', 'discharge'] as const).map((way) => proposedCurve({ vehicle }, way));
  return {
    overV,
    overReleaseV: round(Math.min(set, overV - RELEASE_V)),
    underV,
    underReleaseV: round(underV + 2 * RELEASE_V),
    chargeFromC: most(charge.map(({ from }) => from)) + WITHIN_K,
    chargeToC: least(charge.map(({ to }) => to)) - WITHIN_K,
    dischargeToC: least(charge.map(({ hot }) => hot)) - WITHIN_K,
    balanceFromV: round(Math.max(steep, set - BALANCE_BELOW_V)),
    ...(chargeByC && dischargeByC ? { curves: { chargeByC, dischargeByC } } : {}),
  };
}
