/** What thin air takes from parts that break, insulate or cool with it. */

/** IEC 60664-1:2020, table F.10 (from memory: verify): multiplication of clearances by altitude, m. */
const CLEARANCES = [
  [2000, 1],
  [3000, 1.14],
  [4000, 1.29],
  [5000, 1.48],
  [6000, 1.7],
  [7000, 1.95],
  [8000, 2.25],
  [9000, 2.62],
  [10000, 3.02],
] as const;

/** By how much an air gap has to be wider than at the altitude that its figures are stated for, both m; at least 1, joined straight. */
export function gapFactor(altitudeM: number, statedM = 2000): number {
  return Math.max(1, at(altitudeM) / at(statedM));
}

function at(altitudeM: number): number {
  let before: readonly [number, number] = CLEARANCES[0];
  if (altitudeM <= before[0]) return before[1];
  for (const point of CLEARANCES) {
    if (altitudeM <= point[0])
      return before[1] + ((point[1] - before[1]) * (altitudeM - before[0])) / Math.max(1e-9, point[0] - before[0]);
    before = point;
  }
  return before[1];
}

/** Rated up to this altitude unless something else is stated (IEC 60034-1, 6.2), m. */
export const COOLING_FROM_M = 1000;

/**
 * Share of its rise that something cooled by air may have: 1 % less for each 100 m above 1000 m (IEC 60034-1, 8.10.3, from memory:
 * verify; taken for power electronics too, engineering judgement).
 */
export const airCoolingShare = (altitudeM: number): number =>
  Math.max(0, 1 - Math.max(0, altitudeM - COOLING_FROM_M) / 10000);
