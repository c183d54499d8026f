/** Bits of the frame that are stuffed, beside the data, and those that are not (ISO 11898-1: 11-bit and 29-bit identifier). */
const BITS = { standard: { stuffed: 34, plain: 13 }, extended: { stuffed: 54, plain: 13 } } as const;

/**
 * Bits of a CAN data frame of `bytes` (0–8) with the three bits between frames. least: no stuffing; most: a stuff bit after the first five
 * and then after every four (Tindell and Burns 1994).
 */
export function canFrameBits(bytes: number, extended: boolean): { readonly least: number; readonly most: number } {
  const { stuffed, plain } = extended ? BITS.extended : BITS.standard;
  const inside = stuffed + 8 * bytes;
  return { least: inside + plain, most: inside + plain + Math.floor((inside - 1) / 4) };
}

/** Longest line by bit rate (bit/s, m): rule of thumb with ISO 11898-2 transceivers. */
const TRUNK: readonly (readonly [number, number])[] = [
  [1e6, 40],
  [500e3, 100],
  [250e3, 250],
];
/** Longest line at a bit rate, m: of the next faster one of the table, in between in proportion to the bit time. */
export function canMostTrunkM(bitRateBps: number): number {
  const [fastest, slowest] = [TRUNK[0]!, TRUNK[TRUNK.length - 1]!];
  if (bitRateBps >= fastest[0]) return fastest[1] * (fastest[0] / bitRateBps);
  if (bitRateBps <= slowest[0]) return slowest[1];
  const next = TRUNK.findLast(([rate]) => rate >= bitRateBps)!;
  return next[1];
}

/** Longest branch off the line at a bit rate, m: 0.3 at 1 Mbit/s, 1 at 500 kbit/s, 2 at 250 kbit/s and below. */
export const canMostStubM = (bitRateBps: number): number => (bitRateBps > 500e3 ? 0.3 : bitRateBps > 250e3 ? 1 : 2);
