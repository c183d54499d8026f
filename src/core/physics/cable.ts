import { heatFromCylinder, type Surroundings } from './air';
import { METALS, type Metal, resistanceAt } from './conductor';

/** Thermal conductivity of insulations, W/mK (generic). */
export const INSULATION_W_PER_MK = { pvc: 0.2, xlpe: 0.286, xlpo: 0.25, silicone: 0.22 } as const;
export type Insulation = keyof typeof INSULATION_W_PER_MK;

export interface CableBuild {
  readonly metal: Metal;
  /** At 20 °C, Ω/m. */
  readonly resistance20OhmPerM: number;
  readonly conductorDiameterMm: number;
  readonly layers: readonly { readonly outerDiameterMm: number; readonly conductivityWPerMK: number }[];
}

export interface CablePlace {
  readonly arrangement: 'single' | 'touching-pair';
  /** Loaded circuits side by side, this one included. */
  readonly loadedCircuits: number;
  readonly conduit: boolean;
  readonly ambientC: number;
  readonly airSpeedMPerS: number;
  readonly airPressurePa: number;
  readonly emissivity: number;
}

export const CONDUIT_FACTOR = 0.8;
/** Number of loaded circuits against factor on current (IEC 60364-5-52 table B.52.17, as known). */
const BUNDLE: readonly (readonly [number, number])[] = [
  [1, 1],
  [2, 0.8],
  [3, 0.7],
  [4, 0.65],
  [5, 0.6],
  [6, 0.57],
  [7, 0.54],
  [8, 0.52],
  [9, 0.5],
  [12, 0.45],
  [16, 0.41],
  [20, 0.38],
];

/** Factor on current for circuits loaded side by side; log-interpolated between the table's counts, 0.38 beyond 20. */
export function bundleFactor(circuits: number): number {
  if (!(circuits > 1)) return 1;
  for (let i = 1; i < BUNDLE.length; i++) {
    const [n0, f0] = BUNDLE[i - 1]!;
    const [n1, f1] = BUNDLE[i]!;
    if (circuits <= n1) return f0 * (f1 / f0) ** (Math.log(circuits / n0) / Math.log(n1 / n0));
  }
  return BUNDLE.at(-1)![1];
}

/** Factor by which the place divides the current that the cable could carry alone in free air. */
export const placeFactor = (place: CablePlace): number =>
  bundleFactor(place.loadedCircuits) * (place.conduit ? CONDUIT_FACTOR : 1);

/** The air around a cable as its arrangement leaves it. */
export function surroundingsOf(place: CablePlace): Surroundings {
  const pair = place.arrangement === 'touching-pair';
  return { ...place, convectionShare: pair ? 0.8 : 1, radiationShare: pair ? 0.818 : 1 };
}

/** Σ ln(D_i/D_{i−1})/(2πk_i), K·m/W. */
export function insulationResistance(cable: CableBuild): number {
  let inner = cable.conductorDiameterMm;
  let sum = 0;
  for (const layer of cable.layers) {
    sum += Math.log(layer.outerDiameterMm / inner) / (2 * Math.PI * layer.conductivityWPerMK);
    inner = layer.outerDiameterMm;
  }
  return sum;
}

export interface SteadyCable {
  /** False when no balance exists below the melting temperature: thermal runaway. Temperatures are then null. */
  readonly steady: boolean;
  readonly conductorTemperatureC: number | null;
  readonly surfaceTemperatureC: number | null;
  readonly heatWPerM: number | null;
}

/** Root of a function that rises from below zero at `low`; null when it is not above zero at `high`. Bracketed secant (Illinois). */
export function risingRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  guess: number,
  tolerance: number,
): number | null {
  let a = low;
  let fa = f(a);
  if (fa >= 0) return a;
  let b = Math.min(high, Math.max(guess, low + tolerance));
  let fb = f(b);
  while (fb < 0) {
    a = b;
    fa = fb;
    if (b >= high) return null;
    b = Math.min(high, low + (b - low) * 2);
    fb = f(b);
  }
  for (let i = 0; i < 100 && b - a > tolerance; i++) {
    let x = (a * fb - b * fa) / (fb - fa);
    if (!(x > a && x < b)) x = (a + b) / 2;
    const fx = f(x);
    if (fx < 0) {
      if (b - x < tolerance) return x;
      a = x;
      fa = fx;
      fb /= 2;
    } else {
      if (x - a < tolerance) return x;
      b = x;
      fb = fx;
      fa /= 2;
    }
    if (Math.abs(fx) < 1e-10) return x;
  }
  return (a + b) / 2;
}

/**
 * Steady conductor temperature at `currentA` in its place: heat made in the hot conductor = heat through the insulation =
 * heat given to the air by convection and radiation. Within 2–7 % of published free-air tables; about 10 % optimistic at 85 °C ambient.
 */
export function steadyTemperature(cable: CableBuild, place: CablePlace, currentA: number): SteadyCable {
  const metal = METALS[cable.metal];
  const air = surroundingsOf(place);
  const through = insulationResistance(cable);
  const diameterM = (cable.layers.at(-1)?.outerDiameterMm ?? cable.conductorDiameterMm) / 1000;
  const current = currentA / placeFactor(place);
  const squared = current * current;
  const excess = (surfaceC: number): number => {
    const out = heatFromCylinder(diameterM, surfaceC, air);
    return out - squared * resistanceAt(cable.resistance20OhmPerM, surfaceC + out * through, cable.metal);
  };
  if (squared === 0)
    return { steady: true, conductorTemperatureC: place.ambientC, surfaceTemperatureC: place.ambientC, heatWPerM: 0 };
  // First guess: 12 W/m²K at the surface.
  const guess = place.ambientC + (squared * cable.resistance20OhmPerM * 1.2) / (12 * Math.PI * diameterM);
  const surfaceC = risingRoot(excess, place.ambientC, metal.meltingC, guess, 1e-4);
  const heat = surfaceC === null ? null : heatFromCylinder(diameterM, surfaceC, air);
  const conductorC = surfaceC === null || heat === null ? null : surfaceC + heat * through;
  if (conductorC === null || conductorC > metal.meltingC)
    return { steady: false, conductorTemperatureC: null, surfaceTemperatureC: null, heatWPerM: null };
  return {
    steady: true,
    conductorTemperatureC: conductorC,
    surfaceTemperatureC: surfaceC,
    heatWPerM: currentA * currentA * resistanceAt(cable.resistance20OhmPerM, conductorC, cable.metal),
  };
}

/** Current at which the conductor settles at `maxConductorTemperatureC`, A; 0 when the place is as hot already. */
export function ampacity(cable: CableBuild, place: CablePlace, maxConductorTemperatureC: number): number {
  if (maxConductorTemperatureC <= place.ambientC) return 0;
  const air = surroundingsOf(place);
  const through = insulationResistance(cable);
  const diameterM = (cable.layers.at(-1)?.outerDiameterMm ?? cable.conductorDiameterMm) / 1000;
  const surfaceC = risingRoot(
    (s) => heatFromCylinder(diameterM, s, air) * through - (maxConductorTemperatureC - s),
    place.ambientC,
    maxConductorTemperatureC,
    (place.ambientC + maxConductorTemperatureC) / 2,
    1e-5,
  );
  const heat = heatFromCylinder(diameterM, surfaceC ?? maxConductorTemperatureC, air);
  return (
    placeFactor(place) *
    Math.sqrt(heat / resistanceAt(cable.resistance20OhmPerM, maxConductorTemperatureC, cable.metal))
  );
}
