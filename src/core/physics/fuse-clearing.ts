import { once } from '../quantities';
import { faultCurrentAt, faultI2t } from './fault-current';
import { adiabaticI2t, type CurvePiece, curvePieces, type FuseCurve, preArcingTime } from './fuse-curve';

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

/** A current that rises to a multiple of rated current, seen by one piece of a curve: how fast it melts there, 1/s. */
interface Rate {
  readonly multiple: number;
  readonly tau: number;
  readonly piece: CurvePiece;
}

function integral({ multiple, tau, piece: { factor, exponent } }: Rate, from: number, to: number): number {
  const middle = (from + to) / 2;
  const half = (to - from) / 2;
  let sum = 0;
  for (const [x, weight] of GAUSS)
    sum +=
      weight *
      ((-multiple * Math.expm1((half * x - middle) / tau)) ** -exponent +
        (-multiple * Math.expm1((-half * x - middle) / tau)) ** -exponent);
  return (sum * half) / factor;
}

/** A piece that lasts less than this share of the time constant is integrated at one go. */
const SHORT_PIECE = 0.25;
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
  const multiple = prospectiveA / unitA;
  /** When the current passes a multiple of rated current, s. */
  const passes = (at: number): number => -tau * Math.log1p(-at / multiple);
  let sum = 0;
  const pieces = curvePieces(curve);
  for (let k = pieces.length - 1; k >= 0; k--) {
    const piece = pieces[k]!;
    if (piece.from >= multiple) break;
    const rate = { multiple, tau, piece };
    const until = pieces[k - 1]?.from ?? curve.multiples[0]!;
    let from = passes(piece.from);
    const pass = (to: number): boolean => {
      // While the current hardly bends, six points are enough for the whole piece.
      const middle = (from + to) / 2;
      const part =
        to - from < SHORT_PIECE * tau
          ? integral(rate, from, to)
          : integral(rate, from, middle) + integral(rate, middle, to);
      if (sum + part >= 1) return true;
      sum += part;
      from = to;
      return false;
    };
    if (until < multiple) {
      const to = passes(until);
      if (to > from && pass(to)) return within(rate, from, to, 1 - sum);
      continue;
    }
    // On its last piece the current creeps up to the prospective one.
    for (let step = tau / 4; from < SETTLED * tau; step = Math.min(step * 1.5, 4 * tau)) {
      const to = from + step;
      if (pass(to)) return within(rate, from, to, 1 - sum);
    }
    return from + (1 - sum) * atEnd;
  }
  const from = passes(curve.multiples[0]!);
  const wanted = faultI2t(prospectiveA, tau, from) + (1 - sum) * adiabaticI2t(curve, unitA);
  return timeOfI2t(prospectiveA, tau, wanted, from);
}

/** Enough rounds for Newton's method from above on a convex rising function; each doubles the digits at the end. */
const ROUNDS = 60;

/** When a rising current has let through so much, s; from a time at which it has not yet. */
function timeOfI2t(prospectiveA: number, tau: number, wanted: number, from: number): number {
  let time = Math.max(2 * from, tau / 16);
  while (faultI2t(prospectiveA, tau, time) < wanted) time *= 2;
  for (let round = 0; round < ROUNDS; round++) {
    const over = faultI2t(prospectiveA, tau, time) - wanted;
    const step = over / faultCurrentAt(prospectiveA, tau, time) ** 2;
    time -= step;
    if (!(Math.abs(step) > 1e-13 * time)) break;
  }
  return time;
}

/** The time in [from, to] at which the integral from `from` reaches `wanted`; the rate rises all the way. */
function within(rate: Rate, from: number, to: number, wanted: number): number {
  const { multiple, tau, piece } = rate;
  let time = to;
  let sum = integral(rate, from, to);
  for (let round = 0; round < ROUNDS; round++) {
    const next = Math.max(
      from,
      time - (sum - wanted) * piece.factor * (-multiple * Math.expm1(-time / tau)) ** piece.exponent,
    );
    const step = next - time;
    sum += integral(rate, time, next);
    time = next;
    if (!(Math.abs(step) > 1e-11 * time)) break;
  }
  return time;
}

/**
 * How a fuse clears a fault, on the slow edge of its curve. Arcing adds (ratio − 1)·(U/U_rated)^1.5 of the adiabatic I²t, at most
 * i_melt²·max(3τ, 1 ms) (generic). Says nothing of whether it breaks at all: see the breaking rules.
 */
export function clearing(fuse: ClearingFuse, fault: Fault): Clearing {
  // Several rules ask the same of the same fuse: the last few answers are kept with it.
  const known = lastAnswers(fuse);
  const same = known.find(
    ([asked]) =>
      asked.prospectiveA === fault.prospectiveA &&
      asked.timeConstantS === fault.timeConstantS &&
      asked.voltageV === fault.voltageV,
  );
  if (same) return same[1];
  const answer = clear(fuse, fault);
  known.unshift([fault, answer]);
  known.length = Math.min(known.length, KEPT);
  return answer;
}

const KEPT = 24;
const lastAnswers = once((_: ClearingFuse): (readonly [Fault, Clearing])[] => []);

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
