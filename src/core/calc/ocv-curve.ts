import { LawRefused } from './refused';

/** Rest voltage of a cell by state of charge, straight between the points. */
export interface StraightCurve {
  readonly points: readonly (readonly [number, number])[];
  readonly bends: readonly number[];
  /** V; held outside. */
  readonly at: (soc: number) => number;
}

/** Throws LawRefused where the points do not rise in state of charge or fall in voltage. */
export function straightCurve(given: readonly (readonly number[])[]): StraightCurve {
  const points = given.map(([soc, cellV]) => [soc!, cellV!] as const);
  for (let i = 1; i < points.length; i++) {
    if (!(points[i]![0] > points[i - 1]![0]))
      throw new LawRefused(
        `ocvCurve.${i}`,
        'does not rise in state of charge.',
        'Write the points in rising state of charge, each once.',
      );
    if (points[i]![1] < points[i - 1]![1])
      throw new LawRefused(
        `ocvCurve.${i}`,
        'falls in voltage.',
        'A rest voltage does not fall while the cell fills: correct the point.',
      );
  }
  const at = (soc: number): number => {
    if (soc <= points[0]![0]) return points[0]![1];
    let i = 1;
    while (i < points.length && points[i]![0] < soc) i++;
    if (i === points.length) return points.at(-1)![1];
    const [[s0, v0], [s1, v1]] = [points[i - 1]!, points[i]!];
    return v0 + ((v1 - v0) * (soc - s0)) / (s1 - s0);
  };
  return { points, bends: points.map(([soc]) => soc), at };
}
