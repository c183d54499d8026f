import { type FuseCurve, meltingMultiple } from './fuse-curve';

/** Fuses: the generic families, and the laws of the long run. A maker's data sheet wins over all of these. */
export type FuseFamily = 'ar' | 'traction' | 'strip' | 'blade' | 'blade-large';

export interface FuseFamilyData {
  readonly name: string;
  /** Multiples of rated current that melt it at 1 ms, 10 ms, 0.1, 1, 10, 100 and 1000 s. */
  readonly multiples: readonly [number, number, number, number, number, number, number];
  readonly nonFusingMultiple: number;
  readonly fusingMultiple: number;
  readonly minimumBreakingMultiple: number;
  readonly breakingCapacityA: number;
  readonly ratedTimeConstantS: number;
  readonly totalOverPreArcing: number;
  readonly dropAtRatedV: number;
  readonly temperatureLimitC: number;
  readonly continuousFactor: number;
}

export const FUSE_FAMILIES: Readonly<Record<FuseFamily, FuseFamilyData>> = {
  ar: {
    name: 'very fast, partial range',
    multiples: [8, 4.8, 3.4, 2.6, 2, 1.65, 1.45],
    nonFusingMultiple: 1.25,
    fusingMultiple: 1.4,
    minimumBreakingMultiple: 4,
    breakingCapacityA: 50000,
    ratedTimeConstantS: 0.015,
    totalOverPreArcing: 5,
    dropAtRatedV: 0.16,
    temperatureLimitC: 130,
    continuousFactor: 0.8,
  },
  traction: {
    name: 'full-range traction',
    multiples: [14, 8, 5.2, 3.6, 2.6, 1.95, 1.5],
    nonFusingMultiple: 1.1,
    fusingMultiple: 1.45,
    minimumBreakingMultiple: 1.6,
    breakingCapacityA: 20000,
    ratedTimeConstantS: 0.005,
    totalOverPreArcing: 4,
    dropAtRatedV: 0.11,
    temperatureLimitC: 130,
    continuousFactor: 0.8,
  },
  strip: {
    name: 'slow bolt-down strip',
    multiples: [65, 21, 7.5, 3.7, 2.05, 1.55, 1.3],
    nonFusingMultiple: 1.1,
    fusingMultiple: 1.25,
    minimumBreakingMultiple: 1.35,
    breakingCapacityA: 2000,
    ratedTimeConstantS: 0.001,
    totalOverPreArcing: 1.5,
    dropAtRatedV: 0.075,
    temperatureLimitC: 225,
    continuousFactor: 0.75,
  },
  blade: {
    name: 'blade',
    multiples: [28, 9.5, 3.7, 2, 1.55, 1.35, 1.22],
    nonFusingMultiple: 1.1,
    fusingMultiple: 1.18,
    minimumBreakingMultiple: 1.35,
    breakingCapacityA: 1000,
    ratedTimeConstantS: 0.001,
    totalOverPreArcing: 1.3,
    dropAtRatedV: 0.1,
    temperatureLimitC: 240,
    continuousFactor: 0.75,
  },
  'blade-large': {
    name: 'large blade',
    multiples: [43, 14, 6, 2.9, 2, 1.45, 1.3],
    nonFusingMultiple: 1.1,
    fusingMultiple: 1.25,
    minimumBreakingMultiple: 1.35,
    breakingCapacityA: 1000,
    ratedTimeConstantS: 0.001,
    totalOverPreArcing: 1.3,
    dropAtRatedV: 0.08,
    temperatureLimitC: 240,
    continuousFactor: 0.75,
  },
};

/** A fuse of this minimum breaking multiple also breaks overloads; from 2 upward it is short-circuit protection only. */
export const isFullRange = (minimumBreakingMultiple: number): boolean => minimumBreakingMultiple < 2;

/** Cold-state resistance of the element at its rating, Ω: drop at rated current over rated current. */
export const fuseResistance = (fuse: { dropAtRatedV: number; ratedCurrentA: number }): number =>
  fuse.dropAtRatedV / fuse.ratedCurrentA;

/** Continuous current at an ambient: I_n·k·√((θ_max − T_a)/(θ_max − 25)); 0 at or above θ_max. */
export function continuousCurrent(
  fuse: { ratedCurrentA: number; continuousFactor: number; temperatureLimitC: number },
  ambientC: number,
): number {
  const room = (fuse.temperatureLimitC - ambientC) / (fuse.temperatureLimitC - 25);
  return room <= 0 ? 0 : fuse.ratedCurrentA * fuse.continuousFactor * Math.sqrt(room);
}

/** DC voltage that it breaks in a circuit of time constant τ: U_dc·min(1, (τ_rated/τ)^0.3). */
export function usableDcVoltage(
  fuse: { ratedVoltageDcV: number; ratedTimeConstantS: number },
  timeConstantS: number,
): number {
  return fuse.ratedVoltageDcV * Math.min(1, timeConstantS > 0 ? (fuse.ratedTimeConstantS / timeConstantS) ** 0.3 : 1);
}

/**
 * What it breaks at a voltage well under its own, A: below half of that in proportion more, since the arc has that much less to live on
 * (generic; never less than stated).
 */
export const breakingAt = (
  fuse: { readonly breakingCapacityA: number; readonly ratedVoltageDcV: number },
  voltageV: number,
): number => fuse.breakingCapacityA * Math.max(1, voltageV > 0 ? fuse.ratedVoltageDcV / (2 * voltageV) : 1);

/** Highest current of a pulse of a given time, A: k_life·m(t)·I_n on the nominal curve; k_life 0.7 to 10⁴ pulses, 0.6 to 10⁵, 0.5 beyond (generic). */
export function pulseCurrent(fuse: FuseCurve & { ratedCurrentA: number }, timeS: number, lifeCycles: number): number {
  const life = lifeCycles <= 1e4 ? 0.7 : lifeCycles <= 1e5 ? 0.6 : 0.5;
  return life * meltingMultiple(fuse, timeS) * fuse.ratedCurrentA;
}

/**
 * What it bears for a while, again and again, A: k_life·m(t)·I_n, in warm surroundings as much less as its continuous current is; never less than
 * that.
 */
export function lastingCurrent(
  fuse: FuseCurve & { ratedCurrentA: number; continuousFactor: number; temperatureLimitC: number },
  ambientC: number,
  timeS: number,
  lifeCycles: number,
): number {
  const cont = continuousCurrent(fuse, ambientC);
  const cool = fuse.ratedCurrentA * fuse.continuousFactor;
  return Math.max(cont, cool > 0 ? pulseCurrent(fuse, timeS, lifeCycles) * Math.min(1, cont / cool) : 0);
}

/** Heat of the element, W: U_n·I_n·x²·(1 + 0.5·x²)/1.5, x = I/I_n (generic). */
export function fuseLossW(fuse: { dropAtRatedV: number; ratedCurrentA: number }, currentA: number): number {
  const squared = (currentA / fuse.ratedCurrentA) ** 2;
  return (fuse.dropAtRatedV * fuse.ratedCurrentA * squared * (1 + 0.5 * squared)) / 1.5;
}

export interface CurrentFor {
  readonly currentA: number;
  readonly durationS: number;
}

/** Root of the mean square over a profile, A; 0 for an empty one. */
export function rmsCurrent(profile: readonly CurrentFor[]): number {
  const time = profile.reduce((sum, { durationS }) => sum + durationS, 0);
  const square = profile.reduce((sum, { currentA, durationS }) => sum + currentA * currentA * durationS, 0);
  return time > 0 ? Math.sqrt(square / time) : 0;
}
