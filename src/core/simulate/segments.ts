/** A stretch of a trip: from the speed before to this one, evenly, on one slope. */
export interface Segment {
  readonly toMPerS: number;
  readonly durationS: number;
  readonly grade: number;
}

const LONGEST_S = 36000;

/**
 * Segments one after the other, starting from rest, the whole repeated: one point a second, speeds m/s and grades. Null when it is empty
 * or longer than ten hours. A repeat starts at the speed that the one before ended with.
 */
export function tripOfSegments(
  segments: readonly Segment[],
  times: number,
): { readonly speedsMPerS: readonly number[]; readonly grades: readonly number[] } | null {
  const durationS = times * segments.reduce((sum, segment) => sum + Math.max(1, Math.round(segment.durationS)), 0);
  if (segments.length === 0 || times < 1 || durationS > LONGEST_S) return null;
  const speedsMPerS = [0];
  const grades = [segments[0]!.grade];
  for (let time = 0; time < times; time++)
    for (const { toMPerS, durationS: long, grade } of segments) {
      const from = speedsMPerS.at(-1)!;
      const steps = Math.max(1, Math.round(long));
      for (let k = 1; k <= steps; k++) {
        speedsMPerS.push(from + ((toMPerS - from) * k) / steps);
        grades.push(grade);
      }
    }
  return { speedsMPerS, grades };
}
