export type BalanceMode = 'bleed-at-rest' | 'top-throttled' | 'top-unthrottled';

export interface BalanceCell {
  readonly capacityAh: number;
  readonly soc: number;
}

export interface BalanceInput {
  readonly mode: BalanceMode;
  readonly cells: readonly BalanceCell[];
  /** Through a cell’s shunt while it works, A. */
  readonly balanceCurrentA: number;
  /** Share of the time in which it works, 0–1. */
  readonly balanceDuty: number;
  /** Balanced when no two cells are further apart. */
  readonly socTolerance: number;
  /** Through the string at first, A; for the modes at the top. */
  readonly chargeCurrentA: number;
  /** A shunt works from here on: a cell there is full. */
  readonly thresholdSoc: number;
  /** A cell is over its limit from here on; infinite where nothing is told of it. */
  readonly overLimitSoc: number;
}

export interface BalanceRun {
  /** Null: never. */
  readonly timeToBalancedS: number | null;
  /** The cell that takes longest. */
  readonly limitingCell: number;
  /** Through all shunts until they are balanced, or until nothing changes any more, C. */
  readonly chargeBledC: number;
  readonly timeUntilAllFullS: number | null;
  readonly timeUntilFirstOverLimitS: number | null;
  /** The emptiest cell when the first is over its limit, or when all are full. */
  readonly lowestSocThen: number;
  /** The largest current at which no cell is over its limit before all are full; null: any. */
  readonly largestSafeChargeCurrentA: number | null;
}

const NEAR = 1e-12;

/**
 * Cells in one string that are evened out by shunts; each cell’s charge changes at a constant rate between events, so that every time is exact.
 * bleed-at-rest: whoever is more than the tolerance above the emptiest bleeds. top-throttled: the charger falls to the shunt current as soon as
 * one cell is full, and full cells stay so. top-unthrottled: it goes on as it was, and full cells rise with what their shunt does not take.
 */
export function balanceRun(input: BalanceInput): BalanceRun {
  const { mode, cells, thresholdSoc: full, socTolerance } = input;
  const shuntA = input.balanceCurrentA * input.balanceDuty;
  const bleed = mode === 'bleed-at-rest';
  const soc = cells.map((cell) => cell.soc);
  const perSecond = (ampere: number, k: number): number => ampere / (3600 * cells[k]!.capacityAh);
  const lowest = () => Math.min(...soc);
  const spread = () => Math.max(...soc) - lowest();
  const isFull = (k: number) => soc[k]! >= full - NEAR;
  const goal = lowest() + socTolerance;

  let timeS = 0;
  let bledC = 0;
  let chargeBledC: number | null = null;
  let timeToBalancedS: number | null = null;
  let timeUntilAllFullS: number | null = null;
  let timeUntilFirstOverLimitS: number | null = null;
  let lowestSocThen: number | null = null;

  const note = () => {
    if (timeToBalancedS === null && spread() <= socTolerance + NEAR) {
      timeToBalancedS = timeS;
      chargeBledC = bledC;
    }
    if (bleed) return;
    if (timeUntilFirstOverLimitS === null && Math.max(...soc) >= input.overLimitSoc - NEAR) {
      timeUntilFirstOverLimitS = timeS;
      lowestSocThen = lowest();
    }
    if (timeUntilAllFullS === null && soc.every((_, k) => isFull(k))) {
      timeUntilAllFullS = timeS;
      lowestSocThen ??= lowest();
    }
  };
  const isDone = () =>
    bleed
      ? timeToBalancedS !== null
      : timeUntilAllFullS !== null &&
        (timeToBalancedS !== null || mode === 'top-throttled') &&
        (timeUntilFirstOverLimitS !== null || mode === 'top-throttled' || !Number.isFinite(input.overLimitSoc));

  note();
  // Each event ends something for a cell, and there are but a few for each.
  for (let event = 0; event < 8 * cells.length + 8 && !isDone(); event++) {
    const anyFull = soc.some((_, k) => isFull(k));
    const stringA = bleed
      ? 0
      : mode === 'top-throttled' && anyFull
        ? Math.min(shuntA, input.chargeCurrentA)
        : input.chargeCurrentA;
    const through = soc.map((_, k) => {
      if (bleed) return soc[k]! > goal + NEAR ? shuntA : 0;
      if (!isFull(k)) return 0;
      // A full cell is never drawn down by its own shunt.
      return Math.min(shuntA, stringA);
    });
    const rates = soc.map((_, k) => perSecond(stringA - through[k]!, k));
    const stepS = nextEvent(soc, rates, {
      goal: bleed ? goal : full,
      over: bleed ? null : input.overLimitSoc,
      tolerance: socTolerance,
    });
    if (stepS === null) break;
    timeS += stepS;
    through.forEach((ampere, k) => {
      bledC += ampere * stepS;
      soc[k]! += rates[k]! * stepS;
    });
    note();
  }
  return {
    timeToBalancedS,
    limitingCell: limitingCell(input),
    chargeBledC: chargeBledC ?? bledC,
    timeUntilAllFullS,
    timeUntilFirstOverLimitS,
    lowestSocThen: lowestSocThen ?? lowest(),
    largestSafeChargeCurrentA: bleed ? null : largestSafe(input, shuntA),
  };
}

/** Seconds until a cell meets its goal or its limit, or until the spread is within the tolerance; null: nothing happens any more. */
function nextEvent(
  soc: readonly number[],
  rates: readonly number[],
  { goal, over, tolerance }: { goal: number; over: number | null; tolerance: number },
): number | null {
  let least = Number.POSITIVE_INFINITY;
  const meets = (distance: number, rate: number) => {
    const after = distance / rate;
    if (after > 0 && after < least && Math.abs(distance) > NEAR) least = after;
  };
  soc.forEach((s, k) => {
    meets(goal - s, rates[k]!);
    if (over !== null && Number.isFinite(over)) meets(over - s, rates[k]!);
  });
  // Within the step the highest and the lowest may change places: any pair may be the last that is apart.
  const horizon = Number.isFinite(least) ? least : null;
  const settled = spreadWithin(soc, rates, tolerance, horizon);
  return settled ?? horizon;
}

/** The first moment within a step at which no two cells are further apart than the tolerance; null: not in it. Spread is convex in time. */
function spreadWithin(
  soc: readonly number[],
  rates: readonly number[],
  tolerance: number,
  horizonS: number | null,
): number | null {
  const spreadAt = (t: number) => {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    soc.forEach((s, k) => {
      const one = s + rates[k]! * t;
      low = Math.min(low, one);
      high = Math.max(high, one);
    });
    return high - low;
  };
  if (spreadAt(0) <= tolerance + NEAR) return null;
  let high = horizonS;
  if (high === null) {
    const closing = Math.max(...rates) - Math.min(...rates);
    if (!(closing > 0)) return null;
    high = (2 * spreadAt(0)) / closing + 1;
  }
  // Least of a convex function by thirds, then the first crossing by halves.
  let [a, b] = [0, high];
  for (let k = 0; k < 200 && b - a > 1e-12 * high; k++) {
    const [m, n] = [a + (b - a) / 3, b - (b - a) / 3];
    if (spreadAt(m) <= spreadAt(n)) b = n;
    else a = m;
  }
  if (spreadAt(b) > tolerance) return null;
  let [low, top] = [0, b];
  for (let k = 0; k < 200 && top - low > 1e-12 * top; k++) {
    const middle = (low + top) / 2;
    if (spreadAt(middle) > tolerance) low = middle;
    else top = middle;
  }
  return top > 0 ? top : null;
}

/** At rest the cell with most to bleed, at the top the one with most to take. */
function limitingCell({ mode, cells, thresholdSoc }: BalanceInput): number {
  const least = Math.min(...cells.map(({ soc }) => soc));
  const need = ({ soc, capacityAh }: BalanceCell) =>
    (mode === 'bleed-at-rest' ? soc - least : thresholdSoc - soc) * capacityAh;
  return cells.reduce((most, cell, k) => (need(cell) > need(cells[most]!) ? k : most), 0);
}

/**
 * While the neediest cell takes its D ampere-hours, cell h takes d_h to be full and then rises at I − b: over its limit after E_h. Safe while
 * I·(D − d_h − E_h) ≤ b·(D − d_h); null where that holds for every current.
 */
function largestSafe({ cells, thresholdSoc, overLimitSoc, mode }: BalanceInput, shuntA: number): number | null {
  if (mode === 'top-throttled' || !Number.isFinite(overLimitSoc)) return null;
  const taken = cells.map(({ soc, capacityAh }) => Math.max(0, thresholdSoc - soc) * capacityAh);
  const most = Math.max(...taken);
  const bounds = cells.flatMap(({ soc, capacityAh }, h) => {
    const room = (overLimitSoc - Math.max(thresholdSoc, soc)) * capacityAh;
    const gap = most - taken[h]!;
    return room >= gap ? [] : room <= 0 ? [0] : [(gap * shuntA) / (gap - room)];
  });
  return bounds.length === 0 ? null : Math.min(...bounds);
}
