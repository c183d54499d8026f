/**
 * Five-stage diagonally implicit Runge–Kutta method of order 4, L-stable and stiffly accurate, with an embedded method of
 * order 3. Coefficients: Hairer and Wanner, Solving Ordinary Differential Equations II, 2nd ed., table 6.5 (method SDIRK4).
 */
export const STAGES = 5;
export const GAMMA = 1 / 4;
/** Strictly lower part of A; the diagonal is GAMMA and the last row is b. */
export const A: readonly (readonly number[])[] = [
  [],
  [1 / 2],
  [17 / 50, -1 / 25],
  [371 / 1360, -137 / 2720, 15 / 544],
  [25 / 24, -49 / 48, 125 / 16, -85 / 12],
];
export const B: readonly number[] = [25 / 24, -49 / 48, 125 / 16, -85 / 12, 1 / 4];
const B_EMBEDDED: readonly number[] = [59 / 48, -17 / 96, 225 / 32, -85 / 12, 0];
/** Weights of the error estimate. */
export const E: readonly number[] = B.map((b, i) => b - B_EMBEDDED[i]!);
/** Order by which the step is chosen (embedded order + 1). */
export const ERROR_ORDER = 4;
