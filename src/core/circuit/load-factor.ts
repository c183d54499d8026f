/** Bisection for the factor at which `holds` ends. Infinity when it never does. */
export function largestFactor(holds: (factor: number) => boolean, atOne: boolean, tolerance: number): number {
  let low = atOne ? 1 : 0;
  let high = 1;
  if (atOne) {
    for (high = 2; high < 1e9 && holds(high); high *= 4) low = high;
    if (high >= 1e9) return Number.POSITIVE_INFINITY;
  }
  while (high - low > tolerance * high) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
    if (high < 1e-9) return 0;
  }
  return low;
}
