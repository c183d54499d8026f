/** Cells that are warmed by a pad: one lump of heat capacity that loses to the air around its box. */

export interface Warming {
  readonly heatJPerK: number;
  readonly lossWPerK: number;
  readonly powerW: number;
  readonly fromC: number;
  readonly toC: number;
  /** Air around the box, °C. */
  readonly airC: number;
}

/** Seconds until the cells are at their goal; null: the pad never gets them there. T = T∞ + (T0 − T∞)·e^(−t/τ), τ = C/G, T∞ = T_air + P/G. */
export function warmingTime({ heatJPerK, lossWPerK, powerW, fromC, toC, airC }: Warming): number | null {
  if (toC <= fromC) return 0;
  if (!(lossWPerK > 0)) return powerW > 0 ? (heatJPerK * (toC - fromC)) / powerW : null;
  const settles = airC + powerW / lossWPerK;
  if (settles <= toC) return null;
  return (heatJPerK / lossWPerK) * Math.log((settles - fromC) / (settles - toC));
}

/** Temperature of the lump after a time, °C: T = T∞ + (T0 − T∞)·e^(−t/τ); without loss it rises straight. */
export function lumpAt({ heatJPerK, lossWPerK, powerW, fromC, airC }: Omit<Warming, 'toC'>, timeS: number): number {
  if (!(lossWPerK > 0)) return fromC + (powerW * timeS) / heatJPerK;
  const settles = airC + powerW / lossWPerK;
  return settles + (fromC - settles) * Math.exp((-lossWPerK * timeS) / heatJPerK);
}
