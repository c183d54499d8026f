/** Contactors: what they carry follows the cable on their studs, which is their heat sink. */
export interface CarryPoint {
  readonly areaMm2: number;
  readonly currentA: number;
}

/** Terminal temperature up to which the contact holds its rating (generic). */
const STUD_LIMIT_C = 125;
const RATED_AMBIENT_C = 40;

/**
 * Continuous current with a conductor of `areaMm2` per stud at `ambientC`: the table's points joined straight, proportional to area
 * below the first, never more than the last; derated by √((125 − T_a)/(125 − 40)) above 40 °C (generic).
 */
export function carryCurrent(table: readonly CarryPoint[], areaMm2: number, ambientC: number): number {
  const points = [...table].sort((p, q) => p.areaMm2 - q.areaMm2);
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return 0;
  let carry = last.currentA;
  if (areaMm2 < first.areaMm2) carry = (first.currentA * areaMm2) / first.areaMm2;
  else {
    for (let i = 1; i < points.length; i++) {
      const p = points[i - 1]!;
      const q = points[i]!;
      if (areaMm2 < q.areaMm2) {
        carry = p.currentA + ((q.currentA - p.currentA) * (areaMm2 - p.areaMm2)) / (q.areaMm2 - p.areaMm2);
        break;
      }
    }
  }
  const room = (STUD_LIMIT_C - Math.max(ambientC, RATED_AMBIENT_C)) / (STUD_LIMIT_C - RATED_AMBIENT_C);
  return room <= 0 ? 0 : carry * Math.sqrt(room);
}

/**
 * How many times its carry current a contactor takes for `durationS`: the stated points joined straight over the logarithm of time;
 * the first one for anything shorter, down to 1 at an hour for anything longer than the last.
 */
export function overloadMultiple(
  points: readonly { readonly durationS: number; readonly multiple: number }[],
  durationS: number,
): number {
  const known = [...points, { durationS: SETTLED_S, multiple: 1 }].sort((p, q) => p.durationS - q.durationS);
  const first = known[0]!;
  if (durationS <= first.durationS) return first.multiple;
  for (let i = 1; i < known.length; i++) {
    const p = known[i - 1]!;
    const q = known[i]!;
    if (durationS > q.durationS) continue;
    const share = Math.log(durationS / p.durationS) / Math.log(q.durationS / p.durationS);
    return p.multiple + (q.multiple - p.multiple) * share;
  }
  return 1;
}

/** By then the studs have settled, s. */
const SETTLED_S = 3600;
