/**
 * Fault current from a source of constant voltage through R and L: i = I_p·(1 − e^(−t/τ)), τ = L/R.
 * τ = 0: there at once.
 */
export const faultCurrentAt = (prospectiveA: number, timeConstantS: number, timeS: number): number =>
  timeConstantS > 0 ? -prospectiveA * Math.expm1(-timeS / timeConstantS) : prospectiveA;

/** ∫ i² dt from 0 to `timeS`, A²s: I_p²·[t − 2τ(1 − e^(−t/τ)) + τ/2·(1 − e^(−2t/τ))]. */
export function faultI2t(prospectiveA: number, timeConstantS: number, timeS: number): number {
  const tau = timeConstantS;
  const squared = prospectiveA * prospectiveA;
  if (!(tau > 0)) return squared * timeS;
  const x = timeS / tau;
  // Far below τ the bracket is the small difference of large terms: its series x³/3 − x⁴/4 + 7x⁵/60 − x⁶/24 instead.
  if (x < 0.01) return squared * tau * x ** 3 * (1 / 3 - x / 4 + (7 * x * x) / 60 - x ** 3 / 24);
  return squared * (timeS + 2 * tau * Math.expm1(-x) - (tau / 2) * Math.expm1(-2 * x));
}
