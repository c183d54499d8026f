import type { Metal } from './conductor';

/** Adiabatic short circuit, IEC 60949 and IEC 60364-5-54: k = K·√ln((β + T_f)/(β + T_i)), A·s½/mm²; up to about 5 s. */
const ADIABATIC: Readonly<Record<Metal, { readonly kAs05PerMm2: number; readonly betaC: number }>> = {
  copper: { kAs05PerMm2: 226, betaC: 234.5 },
  aluminium: { kAs05PerMm2: 148, betaC: 228 },
};

/** Temperature that the insulation survives in a short circuit, °C (IEC 60364-5-54: PVC 160, cross-linked 250; silicone 350). Crimped ends. */
export const SHORT_LIMIT_C = { pvc: 160, xlpe: 250, xlpo: 250, silicone: 350 } as const;

/** Longest time for which nothing of the heat is taken to leave, s. */
export const ADIABATIC_LIMIT_S = 5;

/** k of a conductor that starts at `startC` and may reach `finalC`, A·s½/mm²; 0 where it is as hot as that already: it stands nothing more. */
export function withstandFactor(metal: Metal, startC: number, finalC: number): number {
  const { kAs05PerMm2, betaC } = ADIABATIC[metal];
  if (finalC <= startC) return 0;
  return kAs05PerMm2 * Math.sqrt(Math.log((betaC + finalC) / (betaC + startC)));
}

/** k²·S², A²s. */
export const withstandI2t = (metal: Metal, areaMm2: number, startC: number, finalC: number): number =>
  (withstandFactor(metal, startC, finalC) * areaMm2) ** 2;

/** Temperature that an I²t leaves behind, °C; without bound, far above melting it only says "molten". */
export function temperatureAfterI2t(metal: Metal, areaMm2: number, startC: number, i2tA2s: number): number {
  const { kAs05PerMm2, betaC } = ADIABATIC[metal];
  return (betaC + startC) * Math.exp(i2tA2s / (kAs05PerMm2 * areaMm2) ** 2) - betaC;
}
