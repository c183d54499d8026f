/** Straight line by least squares: y = at0 + slope · x; null: two places are not there. */
export function lineThrough(points: readonly (readonly [number, number])[]): { slope: number; at0: number } | null {
  const n = points.length;
  const mean = (k: 0 | 1) => points.reduce((sum, point) => sum + point[k], 0) / n;
  const [x, y] = [mean(0), mean(1)];
  const across = points.reduce((sum, [px]) => sum + (px - x) ** 2, 0);
  if (n < 2 || across === 0) return null;
  const slope = points.reduce((sum, [px, py]) => sum + (px - x) * (py - y), 0) / across;
  return { slope, at0: y - slope * x };
}
