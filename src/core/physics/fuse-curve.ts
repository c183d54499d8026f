import { once } from '../quantities';

/** The time-current curve of a fuse: multiples of rated current that melt it at 1 ms, 10 ms, 0.1, 1, 10, 100 and 1000 s. */
export interface FuseCurve {
  readonly multiples: readonly number[];
  /** Melts it in the conventional hour; below it never melts. */
  readonly fusingMultiple: number;
}

export const CURVE_TIMES_S = [1e-3, 1e-2, 0.1, 1, 10, 100, 1000] as const;
const CONVENTIONAL_TIME_S = 3600;

type Points = readonly (readonly [number, number])[];

/** From a multiple of rated current on, up to the next piece: t = factor · m^exponent, s. */
export interface CurvePiece {
  readonly from: number;
  readonly factor: number;
  readonly exponent: number;
}

/** A curve made ready for many questions: its points, and its pieces from the highest multiple down. */
interface Ready {
  readonly points: Points;
  readonly pieces: readonly CurvePiece[];
}

const readyOf = once((curve: FuseCurve): Ready => {
  const points: Points = [
    ...CURVE_TIMES_S.map((timeS, i) => [timeS, curve.multiples[i]!] as const),
    [CONVENTIONAL_TIME_S, curve.fusingMultiple] as const,
  ];
  const pieces = points.slice(1).flatMap(([tb, mb], i) => {
    const [ta, ma] = points[i]!;
    // A step of two equal multiples takes no piece: the shorter time holds.
    if (ma === mb) return [];
    const exponent = Math.log(tb / ta) / Math.log(mb / ma);
    return [{ from: mb, factor: ta / ma ** exponent, exponent }];
  });
  return { points, pieces };
});

/** Points of the curve from the shortest time on, the conventional hour last: [time in s, multiple]. */
export const curvePoints = (curve: FuseCurve): Points => readyOf(curve).points;

/** Its straight pieces, log-log, from the highest multiple down; above the first point I²t is constant. */
export const curvePieces = (curve: FuseCurve): readonly CurvePiece[] => readyOf(curve).pieces;

/**
 * Pre-arcing time at a steady multiple of rated current, s; null: never. Log-log straight between the points, constant I²t
 * (slope −½) below 1 ms, to the fusing multiple at 3600 s. A step of two equal multiples gives the shorter time.
 */
export function preArcingTime(curve: FuseCurve, multiple: number): number | null {
  const { points, pieces } = readyOf(curve);
  const [t1, m1] = points[0]!;
  if (multiple >= m1) return t1 * (m1 / multiple) ** 2;
  for (const { from, factor, exponent } of pieces) if (multiple >= from) return factor * multiple ** exponent;
  return null;
}

/** Multiple that melts it in a time, s > 0: the inverse of the curve; the fusing multiple beyond the hour. */
export function meltingMultiple(curve: FuseCurve, timeS: number): number {
  const points = curvePoints(curve);
  const [t1, m1] = points[0]!;
  if (timeS <= t1) return m1 * Math.sqrt(t1 / timeS);
  for (let i = 1; i < points.length; i++) {
    const [ta, ma] = points[i - 1]!;
    const [tb, mb] = points[i]!;
    if (timeS <= tb) return ma * (mb / ma) ** (Math.log(timeS / ta) / Math.log(tb / ta));
  }
  return curve.fusingMultiple;
}

/** I²t that melts it without heat leaving: m(1 ms)²·1 ms·I_n², A²s. */
export const adiabaticI2t = (curve: FuseCurve, ratedCurrentA: number): number =>
  curve.multiples[0]! ** 2 * CURVE_TIMES_S[0] * ratedCurrentA ** 2;
