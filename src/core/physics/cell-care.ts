import type { Chemistry } from './cell';

/** What no cell of a chemistry may pass, V (generic, careful: battery reference of the trade; a data sheet wins). */
const EXTREMES: Readonly<Record<Chemistry, { readonly mostV: number; readonly leastV: number }>> = {
  lfp: { mostV: 3.8, leastV: 2.5 },
  nmc: { mostV: 4.25, leastV: 2.7 },
  lto: { mostV: 2.9, leastV: 1.7 },
  'lead-flooded': { mostV: 2.7, leastV: 1.6 },
  'lead-agm': { mostV: 2.5, leastV: 1.6 },
};
export const cellExtremes = (chemistry: Chemistry) => EXTREMES[chemistry];

/** Lithium cells don’t bear being overcharged at all: something has to watch each. */
export const isLithium = (chemistry: Chemistry): boolean => !chemistry.startsWith('lead');

/** Balancing by voltage tells cells apart only up here, V: below, the curve is flat (generic). */
export const BALANCE_LEAST_V: Readonly<Partial<Record<Chemistry, number>>> = { lfp: 3.4 };
