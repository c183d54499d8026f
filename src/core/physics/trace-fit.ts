/** A course that tends to an end: v(t) = end + (begin − end)·e^(−(t − t0)/τ), from where it begins to move. */
export interface TraceFit {
  /** Where it begins, s of the trace. */
  readonly t0S: number;
  readonly begin: number;
  readonly end: number;
  readonly tauS: number;
  /** Standard error of τ from the residuals, s. */
  readonly tauErrorS: number;
  /** Root of the mean square of what is left over, in the trace’s unit. */
  readonly rms: number;
  /** Number of points that were fitted, and how many time constants they span. */
  readonly points: number;
  readonly spans: number;
  /** Where the fit ends: the main contactor closes, the pump stops. */
  readonly untilS: number;
}

/** Why there is no fit, in words, and what to do. */
export interface NoFit {
  readonly why: string;
  readonly remedy: string;
}

export const isFit = (fit: TraceFit | NoFit): fit is TraceFit => !('why' in fit);

const LEAST_POINTS = 6;
/** It has begun once it has gone this share of its way. */
const BEGUN = 0.03;
/** With less than so many time constants in the window τ is a guess. */
const LEAST_SPANS = 0.7;
/** A jump: so much steeper than just before it, and so much of the way at once. */
const STEEPER = 4;
const JUMP = 0.015;

/** Least squares of v = a + b·x for given x: a, b and the sum of squares; with `fixed` a is held. */
function line(x: readonly number[], v: readonly number[], fixed: number | null) {
  const n = x.length;
  let [sx, sv, sxx, sxv] = [0, 0, 0, 0];
  for (let k = 0; k < n; k++) {
    sx += x[k]!;
    sv += v[k]!;
    sxx += x[k]! ** 2;
    sxv += x[k]! * v[k]!;
  }
  const det = n * sxx - sx * sx;
  const b = fixed !== null ? (sxv - fixed * sx) / sxx : (n * sxv - sx * sv) / det;
  const a = fixed ?? (sv - b * sx) / n;
  let squares = 0;
  for (let k = 0; k < n; k++) squares += (v[k]! - a - b * x[k]!) ** 2;
  return { a, b, squares };
}

/** Noise of the points, from their second differences: robust, and blind to a smooth course. */
function noiseOf(values: readonly number[]): number {
  const bends = values
    .slice(2)
    .map((v, k) => Math.abs(v - 2 * values[k + 1]! + values[k]!))
    .sort((p, q) => p - q);
  return (bends[Math.floor(bends.length / 2)] ?? 0) / (0.6745 * Math.sqrt(6));
}

/** The piece between where it begins to move and a jump, as indices [from, to). */
function piece(times: readonly number[], values: readonly number[]): readonly [number, number] {
  const n = times.length;
  const range = Math.max(...values) - Math.min(...values);
  const first = values[0]!;
  const steep = (p: number, q: number) => Math.abs(values[q]! - values[p]!) / (times[q]! - times[p]!);
  // The last point still at rest before it has gone a fifth of its way; without a rest it begins at once.
  const going = values.findIndex((v) => Math.abs(v - first) > 0.2 * range);
  let from = 0;
  for (let k = 0; k < going; k++) if (Math.abs(values[k]! - first) < BEGUN * range) from = k;
  if (from > 0 && steep(0, from) > 0.3 * steep(from, going)) from = 0;
  const least = Math.max(JUMP * range, 8 * noiseOf(values));
  let to = n;
  for (let k = from + 5; k < n; k++) {
    const before = Math.max(steep(k - 4, k - 1), (range * 1e-6) / (times[k - 1]! - times[k - 4]!));
    const gone = Math.abs(values[k - 1]! - values[from]!) > 0.3 * range;
    if (gone && steep(k - 1, k) > STEEPER * before && Math.abs(values[k]! - values[k - 1]!) > least) {
      to = k;
      break;
    }
  }
  return [from, to];
}

/**
 * Fits the exponential by least squares: for each τ end and begin follow in closed form, τ is searched by golden section. `endsAt` holds
 * the end (0 for a discharge). Source: separable least squares (Golub and Pereyra 1973).
 */
export function fitTrace(
  times: readonly number[],
  values: readonly number[],
  endsAt: number | null = null,
): TraceFit | NoFit {
  if (times.length < LEAST_POINTS)
    return { why: `It has ${times.length} points.`, remedy: 'Export more of it: a dozen points or more.' };
  const range = Math.max(...values) - Math.min(...values);
  const largest = Math.max(...values.map(Math.abs));
  if (!(range > 1e-6 * largest))
    return { why: 'It stays where it is: nothing begins in it.', remedy: 'Export the part in which it moves.' };
  const [from, to] = piece(times, values);
  const t = times.slice(from, to);
  const v = values.slice(from, to);
  if (t.length < LEAST_POINTS)
    return {
      why: 'It moves within too few points.',
      remedy: 'Record it with a shorter time between points.',
    };
  const t0 = t[0]!;
  const span = t.at(-1)! - t0;
  const at = (tau: number) => t.map((s) => Math.exp(-(s - t0) / tau));
  const squares = (logTau: number) => line(at(Math.exp(logTau)), v, endsAt).squares;
  // A coarse look first: noise makes small valleys.
  const [lowest, highest] = [Math.log(span / 2000), Math.log(span * 20)];
  const steps = 80;
  let best = 0;
  const grid = Array.from({ length: steps + 1 }, (_, k) => lowest + ((highest - lowest) * k) / steps);
  grid.forEach((x, k) => {
    if (squares(x) < squares(grid[best]!)) best = k;
  });
  let [p, q] = [grid[Math.max(0, best - 1)]!, grid[Math.min(steps, best + 1)]!];
  const golden = (Math.sqrt(5) - 1) / 2;
  for (let k = 0; k < 60; k++) {
    const [x, y] = [q - golden * (q - p), p + golden * (q - p)];
    if (squares(x) < squares(y)) q = y;
    else p = x;
  }
  const tauS = Math.exp((p + q) / 2);
  const { a, b, squares: left } = line(at(tauS), v, endsAt);
  const spans = span / tauS;
  if (!(tauS > 0) || spans < LEAST_SPANS || Math.sign(b) === 0)
    return {
      why: 'It is nearly a straight line: its end lies far outside.',
      remedy: 'Record it for longer, until it bends.',
    };
  // Variance of τ: σ² times the diagonal of (JᵀJ)⁻¹ for a, b, τ.
  const free = t.length - (endsAt === null ? 3 : 2);
  const rms = Math.sqrt(left / t.length);
  const sigma2 = free > 0 ? left / free : 0;
  const rows = t.map((s) => {
    const e = Math.exp(-(s - t0) / tauS);
    return endsAt === null ? [1, e, (b * e * (s - t0)) / tauS ** 2] : [e, (b * e * (s - t0)) / tauS ** 2];
  });
  return {
    t0S: t0,
    begin: a + b,
    end: a,
    tauS,
    tauErrorS: Math.sqrt(Math.max(0, sigma2 * lastOfInverse(rows))),
    rms,
    points: t.length,
    spans,
    untilS: t.at(-1)!,
  };
}

/** Last diagonal element of (JᵀJ)⁻¹: one over what is left of the last column after the others (Schur complement by Gram–Schmidt). */
function lastOfInverse(rows: readonly (readonly number[])[]): number {
  const width = rows[0]!.length;
  const columns = Array.from({ length: width }, (_, c) => rows.map((row) => row[c]!));
  const dot = (p: readonly number[], r: readonly number[]) => p.reduce((sum, x, k) => sum + x * r[k]!, 0);
  const bases: number[][] = [];
  for (const column of columns) {
    let rest = [...column];
    for (const base of bases) {
      const share = dot(rest, base) / dot(base, base);
      rest = rest.map((x, k) => x - share * base[k]!);
    }
    bases.push(rest);
  }
  const last = bases.at(-1)!;
  const size = dot(last, last);
  return size > 0 ? 1 / size : Number.POSITIVE_INFINITY;
}

/** Value of the fit at a time, in the trace’s unit. */
export const fittedAt = ({ t0S, begin, end, tauS }: TraceFit, timeS: number): number =>
  timeS <= t0S ? begin : end + (begin - end) * Math.exp(-(timeS - t0S) / tauS);

/** From the begin until the fit reaches a level, s; null: it never does. */
export function fitReaches({ begin, end, tauS }: TraceFit, level: number): number | null {
  const share = (level - end) / (begin - end);
  if (share >= 1) return 0;
  return share > 0 ? -tauS * Math.log(share) : null;
}

/** At most so many points, kept where the course moves: by the length of its way, both axes scaled to one. */
export function thinned(
  times: readonly number[],
  values: readonly number[],
  most: number,
): { readonly times: readonly number[]; readonly values: readonly number[] } {
  const n = times.length;
  if (n <= most) return { times, values };
  const span = times[n - 1]! - times[0]! || 1;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const v of values) {
    low = Math.min(low, v);
    high = Math.max(high, v);
  }
  const range = high - low || 1;
  const way: number[] = [0];
  for (let k = 1; k < n; k++)
    way.push(way[k - 1]! + (times[k]! - times[k - 1]!) / span + Math.abs(values[k]! - values[k - 1]!) / range);
  const kept: number[] = [0];
  const step = way[n - 1]! / (most - 1);
  for (let k = 1; k < n - 1 && kept.length < most - 1; k++) if (way[k]! >= kept.length * step) kept.push(k);
  kept.push(n - 1);
  return { times: kept.map((k) => times[k]!), values: kept.map((k) => values[k]!) };
}
