import type { CablePart } from '../../parts';

/** What goes onto and around the ends of a cable (generic; the part in the hand wins). */
export interface Termination {
  /** Bolt that the lug goes over. */
  readonly stud: 'M4' | 'M5' | 'M6' | 'M8' | 'M10';
  /** Least inner diameter of the barrel, mm. */
  readonly barrelMm: number;
  /** Metric gland whose clamping range holds the outer diameter; null: too thick for one. */
  readonly gland: string | null;
  /** Hole in a panel for a plain grommet, mm. */
  readonly grommetMm: number;
  /** Hole that passes the cable with its lug on, mm. */
  readonly lugHoleMm: number;
  /** Heat-shrink before shrinking, 3:1, mm. */
  readonly shrinkMm: number;
}

const STUDS: readonly (readonly [number, Termination['stud']])[] = [
  [2.5, 'M4'],
  [6, 'M5'],
  [16, 'M6'],
  [70, 'M8'],
  [1000, 'M10'],
];
/** Clamping ranges of metric cable glands, mm (typical of the trade). */
const GLANDS: readonly (readonly [string, number, number])[] = [
  ['M12', 2, 6.5],
  ['M16', 5, 10],
  ['M20', 8, 13],
  ['M25', 11, 17],
  ['M32', 15, 21],
  ['M40', 19, 28],
];
const SHRINKS = [3, 4.8, 6.4, 9.5, 12.7, 19, 25.4, 38.1, 50.8] as const;

/** Lug, gland, holes and heat-shrink for a cable. */
export function terminationOf(cable: CablePart): Termination {
  const outer = cable.outerDiameterMm;
  const barrelMm = Math.ceil(cable.conductorDiameterMm * 1.05 * 10) / 10;
  // A crimped barrel stands about 1.45 times its bore, and the palm a little more.
  const lugMm = 1.8 * barrelMm;
  return {
    stud: STUDS.find(([most]) => cable.areaMm2 <= most)![1],
    barrelMm,
    gland: GLANDS.find(([, least, most]) => outer >= least && outer <= most)?.[0] ?? null,
    grommetMm: Math.ceil(outer * 2) / 2,
    lugHoleMm: Math.ceil(Math.max(outer, lugMm)),
    shrinkMm: SHRINKS.find((size) => size >= Math.max(1.1 * outer, 1.5 * barrelMm)) ?? SHRINKS.at(-1)!,
  };
}

const CLAMP_EVERY_M = 0.3;
const CLAMP_FROM_END_M = 0.1;

/** Clamps along a cable: one 100 mm from each end, none further apart than 300 mm (generic). */
export function clampCount(lengthM: number): number {
  const between = lengthM - 2 * CLAMP_FROM_END_M;
  return between <= 0 ? 1 : Math.ceil(between / CLAMP_EVERY_M - 1e-9) + 1;
}
