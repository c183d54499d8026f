import { faultCurrentAt, faultI2t } from './fault-current';
import { adiabaticI2t, curvePoints, type FuseCurve, preArcingTime } from './fuse-curve';

/** Slow edge of the curve, as a factor on rated current: what protection is judged by (±10 % in current, generic). */
export const SLOW_EDGE = 1.1;

export interface ClearingFuse extends FuseCurve {
  readonly ratedCurrentA: number;
  /** Null: no DC voltage is stated, so nothing can be said of the arc. */
  readonly ratedVoltageDcV: number | null;
  readonly totalOverPreArcing: number;
}

export interface Fault {
  readonly prospectiveA: number;
  /** L/R of the fault loop, s. */
  readonly timeConstantS: number;
  /** Voltage that drives the arc, V; null: not known. */
  readonly voltageV: number | null;
}

export interface Clearing {
  /** Null: it never melts. */
  readonly meltTimeS: number | null;
  /** Current at the moment of melting: the highest that is let through. */
  readonly letThroughA: number;
  readonly preArcingI2tA2s: number | null;
  /** Null: never, or the arc can't be told (no DC rating, no voltage). */
  readonly totalI2tA2s: number | null;
}

/** Gauss–Legendre, 6 points on [−1, 1] (Abramowitz and Stegun 25.4.30). */
const GAUSS: readonly (readonly [number, number])[] = [
  [0.2386191860831969, 0.467913934572691],
  [0.6612093864662645, 0.3607615730481386],
  [0.932469514203152, 0.1713244923791704],
];
function integral(f: (x: number) => number, from: number, to: number): number {
  const middle = (from + to) / 2;
  const half = (to - from) / 2;
  let sum = 0;
  for (const [x, weight] of GAUSS) sum += weight * (f(middle - half * x) + f(middle + half * x));
  return sum * half;
}

/** After so many time constants the current is the prospective one. */
const SETTLED = 24;

/**
 * Time to melting with a rising current, s: ∫ dt / t_pre(i/I) = 1, `unitA` being the current that counts as multiple 1. Null: never.
 * Pieces end where the current passes a corner of the curve, so that the integrand is smooth in each; above the last corner I²t is
 * constant and the integral has a closed form.
 */
export function meltingTime(
  curve: FuseCurve,
  unitA: number,
  prospectiveA: number,
  timeConstantS: number,
): number | null {
  const atEnd = preArcingTime(curve, prospectiveA / unitA);
  if (atEnd === null) return null;
  if (!(timeConstantS > 0)) return atEnd;
  const tau = timeConstantS;
  const rate = (timeS: number): number => {
    const time = preArcingTime(curve, faultCurrentAt(prospectiveA, tau, timeS) / unitA);
    return time === null ? 0 : 1 / time;
  };
  const corners = curvePoints(curve)
    .map(([, multiple]) => (multiple * unitA) / prospectiveA)
    .filter((share) => share < 1)
    .map((share) => -tau * Math.log1p(-share))
    .sort((p, q) => p - q);
  let from = corners[0] ?? 0;
  let sum = 0;
  const pass = (to: number): boolean => {
    const middle = (from + to) / 2;
    const piece = integral(rate, from, middle) + integral(rate, middle, to);
    if (sum + piece >= 1) return true;
    sum += piece;
    from = to;
    return false;
  };
  for (const to of corners.slice(1)) if (to > from && pass(to)) return within(rate, from, to, 1 - sum);
  if (prospectiveA > curve.multiples[0]! * unitA) {
    const wanted = faultI2t(prospectiveA, tau, from) + (1 - sum) * adiabaticI2t(curve, unitA);
    return timeOfI2t(prospectiveA, tau, wanted, from);
  }
  for (let step = tau / 4; from < SETTLED * tau; step = Math.min(step * 1.5, 4 * tau)) {
    const to = from + step;
    if (pass(to)) return within(rate, from, to, 1 - sum);
  }
  return from + (1 - sum) * atEnd;
}

/** When a rising current has let through so much, s; from a time at which it has not yet. */
function timeOfI2t(prospectiveA: number, tau: number, wanted: number, from: number): number {
  let low = from;
  let high = Math.max(2 * from, tau / 16);
  while (faultI2t(prospectiveA, tau, high) < wanted) high *= 2;
  for (let round = 0; round < 60 && high - low > 1e-13 * high; round++) {
    const middle = (low + high) / 2;
    if (faultI2t(prospectiveA, tau, middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The time in [from, to] at which the integral from `from` reaches `wanted`. */
function within(f: (x: number) => number, from: number, to: number, wanted: number): number {
  let low = from;
  let high = to;
  let sum = 0;
  for (let round = 0; round < 40 && high - low > 1e-10 * high; round++) {
    const middle = (low + high) / 2;
    const piece = integral(f, low, middle);
    if (sum + piece >= wanted) high = middle;
    else {
      sum += piece;
      low = middle;
    }
  }
  return (low + high) / 2;
}

/**
 * How a fuse clears a fault, on the slow edge of its curve. Arcing adds (ratio − 1)·(U/U_rated)^1.5 of the adiabatic I²t, at most
 * i_melt²·max(3τ, 1 ms) (generic). Says nothing of whether it breaks at all: see the breaking rules.
 */
export function clearing(fuse: ClearingFuse, fault: Fault): Clearing {
  // Several rules ask the same of the same fuse: the last few answers are kept with it.
  const known = answers.get(fuse) ?? [];
  const same = known.find(
    ([asked]) =>
      asked.prospectiveA === fault.prospectiveA &&
      asked.timeConstantS === fault.timeConstantS &&
      asked.voltageV === fault.voltageV,
  );
  if (same) return same[1];
  const answer = clear(fuse, fault);
  answers.set(fuse, [[fault, answer] as const, ...known].slice(0, KEPT));
  return answer;
}

const KEPT = 24;
const answers = new WeakMap<ClearingFuse, readonly (readonly [Fault, Clearing])[]>();

function clear(fuse: ClearingFuse, fault: Fault): Clearing {
  const slowA = fuse.ratedCurrentA * SLOW_EDGE;
  const meltTimeS = meltingTime(fuse, slowA, fault.prospectiveA, fault.timeConstantS);
  if (meltTimeS === null)
    return { meltTimeS: null, letThroughA: fault.prospectiveA, preArcingI2tA2s: null, totalI2tA2s: null };
  const letThroughA = faultCurrentAt(fault.prospectiveA, fault.timeConstantS, meltTimeS);
  const preArcingI2tA2s = faultI2t(fault.prospectiveA, fault.timeConstantS, meltTimeS);
  let totalI2tA2s: number | null = null;
  if (fuse.ratedVoltageDcV !== null && fault.voltageV !== null) {
    const arcing =
      (fuse.totalOverPreArcing - 1) * (fault.voltageV / fuse.ratedVoltageDcV) ** 1.5 * adiabaticI2t(fuse, slowA);
    totalI2tA2s = preArcingI2tA2s + Math.min(arcing, letThroughA ** 2 * Math.max(3 * fault.timeConstantS, 1e-3));
  }
  return { meltTimeS, letThroughA, preArcingI2tA2s, totalI2tA2s };
}
