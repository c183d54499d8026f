/** Height of a curve of straight pieces, held at its ends. Points rise in their first figure; there is at least one. */
export function curveAt(points: readonly (readonly [number, number])[], x: number): number {
  if (x <= points[0]![0]) return points[0]![1];
  for (let k = 1; k < points.length; k++) {
    const [x1, y1] = points[k]!;
    if (x > x1) continue;
    const [x0, y0] = points[k - 1]!;
    return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
  }
  return points.at(-1)![1];
}

/** Lowest of what curves say, each at its own place; Infinity where none is told. */
export const leastOfCurves = (
  ...curves: readonly (readonly [readonly (readonly [number, number])[] | undefined, number])[]
): number =>
  curves.reduce(
    (least, [points, x]) => (points && points.length > 0 ? Math.min(least, curveAt(points, x)) : least),
    Number.POSITIVE_INFINITY,
  );
