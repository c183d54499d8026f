import type { TripId } from '../build';

/** A trip as speeds, grades and stops, one point a second. */
export interface Trace {
  readonly name: string;
  /** m/s */
  readonly speedsMPerS: readonly number[];
  /** Rise over run. */
  readonly grades: readonly number[];
}

/** Up or down to a speed at a rate, then along for so long, on a grade. */
interface Segment {
  readonly toKmh: number;
  /** m/s² */
  readonly rate: number;
  readonly alongS: number;
  readonly grade?: number;
}

const seg = (toKmh: number, rate: number, alongS: number, grade = 0): Segment => ({ toKmh, rate, alongS, grade });

/** Own synthetic trips (made up; no standard cycle). */
const TRIPS: Readonly<Record<TripId, { readonly name: string; readonly segments: readonly Segment[] }>> = {
  town: {
    name: 'Town, stops every few hundred metres',
    segments: [
      ...Array.from({ length: 6 }, (_, k) => [seg(30 + 4 * k, 1.1, 18 + 3 * k), seg(0, 1.2, 12)]).flat(),
      seg(50, 0.9, 40),
      seg(20, 0.8, 12),
      seg(45, 0.9, 30),
      seg(0, 1.3, 20),
    ],
  },
  country: {
    name: 'Country road with villages',
    segments: [
      seg(50, 0.9, 35),
      seg(80, 0.6, 150, 0.01),
      seg(50, 0.8, 45),
      seg(90, 0.6, 160, -0.01),
      seg(60, 0.8, 40, 0.03),
      seg(80, 0.6, 120),
      seg(30, 0.9, 30),
      seg(0, 1.1, 25),
    ],
  },
  hills: {
    name: 'Up a mountain and down again',
    segments: [
      seg(45, 0.8, 60),
      seg(40, 0.5, 380, 0.09),
      seg(25, 0.7, 40, 0.12),
      seg(45, 0.6, 200, 0.07),
      seg(0, 1, 60),
      seg(40, 0.8, 340, -0.09),
      seg(30, 0.6, 120, -0.1),
      seg(50, 0.7, 60),
      seg(0, 1.1, 20),
    ],
  },
  motorway: {
    name: 'Motorway',
    segments: [
      seg(60, 0.9, 30),
      seg(100, 0.6, 420),
      seg(110, 0.4, 240),
      seg(90, 0.5, 120, 0.02),
      seg(105, 0.5, 300),
      seg(0, 1, 15),
    ],
  },
  farm: {
    name: 'Between the rows, and home',
    segments: [
      ...Array.from({ length: 8 }, (_, k) => [
        seg(6, 0.4, 140, k % 2 === 0 ? 0.06 : -0.06),
        seg(2, 0.4, 18),
        seg(0, 0.5, 10),
      ]).flat(),
      seg(18, 0.4, 200),
      seg(0, 0.6, 15),
    ],
  },
};

export const tripName = (id: TripId): string => TRIPS[id].name;

/** The built-in trip sampled once a second, cut off at what the vehicle reaches, m/s. */
export function builtInTrip(id: TripId, mostMPerS = Number.POSITIVE_INFINITY): Trace {
  const speeds: number[] = [0];
  const grades: number[] = [0];
  for (const { toKmh, rate, alongS, grade = 0 } of TRIPS[id].segments) {
    const goal = Math.min(toKmh / 3.6, mostMPerS);
    let v = speeds.at(-1)!;
    while (Math.abs(goal - v) > 1e-9) {
      v = v < goal ? Math.min(goal, v + rate) : Math.max(goal, v - rate);
      speeds.push(v);
      grades.push(grade);
    }
    for (let s = 0; s < alongS; s++) {
      speeds.push(goal);
      grades.push(grade);
    }
  }
  return { name: TRIPS[id].name, speedsMPerS: speeds, grades };
}

/** Slowing down and pulling away for a stop that is put in, m/s², and standing there, s (generic). */
const STOP_RATE = 1;
const START_RATE = 0.9;
const STAND_S = 12;

/**
 * The same trip with a stop wherever more than 1 km / `stopsPerKm` has passed since the last one; its own stops count. It grows longer by
 * the ways of slowing down and pulling away. The grade stays that of the place.
 */
export function withStops(trace: Trace, stopsPerKm: number): Trace {
  if (!(stopsPerKm > 0)) return trace;
  const everyM = 1000 / stopsPerKm;
  const speeds: number[] = [trace.speedsMPerS[0] ?? 0];
  const grades: number[] = [trace.grades[0] ?? 0];
  let since = 0;
  const go = (speed: number, grade: number) => {
    since += (speeds.at(-1)! + speed) / 2;
    speeds.push(speed);
    grades.push(grade);
  };
  for (let k = 1; k < trace.speedsMPerS.length; k++) {
    const speed = trace.speedsMPerS[k]!;
    const grade = trace.grades[k]!;
    const braking = speed ** 2 / (2 * STOP_RATE);
    if (speed > 0 && since + braking >= everyM) {
      for (let v = speeds.at(-1)! - STOP_RATE; v > 0; v -= STOP_RATE) go(v, grade);
      for (let s = 0; s <= STAND_S; s++) go(0, grade);
      since = 0;
      for (let v = START_RATE; v < speed; v += START_RATE) go(v, grade);
    }
    go(speed, grade);
    if (speed === 0) since = 0;
  }
  return { name: trace.name, speedsMPerS: speeds, grades };
}

/** Stops of a trace a km: how often it comes to a stand, over its length. */
export function stopsPerKmOf({ speedsMPerS }: Trace): number {
  let [stops, metres] = [0, 0];
  for (let k = 1; k < speedsMPerS.length; k++) {
    metres += (speedsMPerS[k]! + speedsMPerS[k - 1]!) / 2;
    if (speedsMPerS[k] === 0 && speedsMPerS[k - 1]! > 0) stops++;
  }
  return metres > 0 ? (1000 * stops) / metres : 0;
}
