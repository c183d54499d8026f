/** Loads on wheels by levers: x behind the front axle, y left of the centre line, m. */
export interface Weight {
  readonly massKg: number;
  readonly xM: number;
  readonly yM: number;
}

export interface WheelLoads {
  readonly totalKg: number;
  readonly frontKg: number;
  readonly rearKg: number;
  readonly leftKg: number;
  readonly rightKg: number;
  /** Centre of mass. */
  readonly xM: number;
  readonly yM: number;
}

/**
 * Axle and side loads of a set of weights, kg: rear = Σ m·x/L, left = Σ m·(½ + y/track) (lever arms). Without a track both sides carry
 * half.
 */
export function wheelLoads(weights: readonly Weight[], wheelbaseM: number, trackM: number | null): WheelLoads {
  let totalKg = 0;
  let alongKgM = 0;
  let acrossKgM = 0;
  for (const { massKg, xM, yM } of weights) {
    totalKg += massKg;
    alongKgM += massKg * xM;
    acrossKgM += massKg * yM;
  }
  const rearKg = alongKgM / wheelbaseM;
  const leftKg = trackM === null ? totalKg / 2 : totalKg / 2 + acrossKgM / trackM;
  return {
    totalKg,
    frontKg: totalKg - rearKg,
    rearKg,
    leftKg,
    rightKg: totalKg - leftKg,
    xM: totalKg > 0 ? alongKgM / totalKg : 0,
    yM: totalKg > 0 ? acrossKgM / totalKg : 0,
  };
}

export const G_M_PER_S2 = 9.80665;

/** How far an axle goes down, m, when its load grows by so much, with both its springs together in N/m (Hooke). */
export const lowering = (addedKg: number, springNPerM: number): number => (addedKg * G_M_PER_S2) / springNPerM;

/** The spring rate of an axle, N/m, from a load and how much it lowered it. */
export const springRate = (loadKg: number, loweredM: number): number => (loadKg * G_M_PER_S2) / loweredM;
