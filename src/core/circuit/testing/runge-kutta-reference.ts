/**
 * Second opinion for transients: the classical explicit Runge–Kutta method of order 4 with a fixed small step on ordinary
 * differential equations written down by hand for one circuit. Slow and obvious.
 */
export function integrate(
  start: readonly number[],
  stopS: number,
  steps: number,
  slopes: (t: number, y: readonly number[]) => number[],
  each?: (t: number, y: readonly number[]) => void,
): number[] {
  const h = stopS / steps;
  let y = [...start];
  const plus = (p: readonly number[], q: readonly number[], factor: number) =>
    p.map((value, i) => value + factor * q[i]!);
  each?.(0, y);
  for (let k = 0; k < steps; k++) {
    const t = k * h;
    const k1 = slopes(t, y);
    const k2 = slopes(t + h / 2, plus(y, k1, h / 2));
    const k3 = slopes(t + h / 2, plus(y, k2, h / 2));
    const k4 = slopes(t + h, plus(y, k3, h));
    y = y.map((value, i) => value + (h / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!));
    each?.(t + h, y);
  }
  return y;
}
