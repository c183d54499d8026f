/** When to begin a charge so that it is done in time, in the cheap hours as far as they reach. */

export interface DeparturePlan {
  /** Hour of the day at which it is to be done, and the cheap hours, 0–24; the latter may pass midnight. Null: no cheap hours. */
  readonly readyH: number;
  readonly cheap: { readonly fromH: number; readonly toH: number } | null;
  /** How long the charge takes, and from when on it may begin at all (plugged in), s before `readyH`. */
  readonly chargeS: number;
  readonly atMostS: number;
}

export interface Departure {
  /** Hour of the day at which it begins, 0–24. */
  readonly beginH: number;
  /** It is done so long before it is needed, s; negative: it is late. */
  readonly spareS: number;
  /** Share of its time in cheap hours. */
  readonly cheapShare: number;
}

const DAY_H = 24;
const wrap = (hour: number): number => ((hour % DAY_H) + DAY_H) % DAY_H;
/** Begins are tried so far apart, h. */
const STEP_H = 0.25;

/** Seconds of a stretch that lie in the cheap hours; both in hours, the stretch may pass midnight. */
function cheapH(beginH: number, hours: number, cheap: NonNullable<DeparturePlan['cheap']>): number {
  const length = wrap(cheap.toH - cheap.fromH) || DAY_H;
  let sum = 0;
  // Cheap hours of the day before, of this one and of the next.
  for (const day of [-1, 0, 1, 2]) {
    const from = cheap.fromH + DAY_H * day;
    sum += Math.max(0, Math.min(beginH + hours, from + length) - Math.max(beginH, from));
  }
  return sum;
}

/** The latest begin among those with most of the charge in cheap hours: a pack that is full for a short time ages least. */
export function departure({ readyH, cheap, chargeS, atMostS }: DeparturePlan): Departure {
  const hours = chargeS / 3600;
  const latest = -hours;
  const earliest = Math.min(latest, -atMostS / 3600);
  let [best, most] = [latest, cheap ? cheapH(wrap(readyH) + latest, hours, cheap) : 0];
  if (cheap)
    for (let begin = latest; begin >= earliest - 1e-9; begin -= STEP_H) {
      const inside = cheapH(wrap(readyH) + begin, hours, cheap);
      if (inside > most + 1e-9) [best, most] = [begin, inside];
    }
  return {
    beginH: wrap(readyH + best),
    spareS: Math.min(atMostS, -best * 3600) - chargeS,
    cheapShare: hours > 0 ? most / hours : 0,
  };
}
