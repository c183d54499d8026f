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
