import { heatFromCylinder } from './air';
import { type CableBuild, CONDUIT_FACTOR, insulationResistance, risingRoot } from './cable';
import { METALS } from './conductor';

/** Heat through a bundle of wires and the air between them, W/mK (generic). */
export const BUNDLE_W_PER_MK = 0.3;
/** A round bundle over the wires’ own diameters: 1.15 · √ΣD² (generic). */
const BUNDLE_FILL = 1.15;
const BASE_C = 20;

export interface LoomWire {
  readonly build: CableBuild;
  /** Through one wire, A; 0 for one that is only there. */
  readonly currentA: number;
}

export interface LoomPlace {
  readonly ambientC: number;
  readonly conduit: boolean;
  readonly airPressurePa: number;
  readonly emissivity: number;
}

export interface Loom {
  readonly diameterMm: number;
  readonly heatWPerM: number;
  readonly surfaceC: number;
  readonly coreC: number;
  /** Conductors, in the order of the wires, °C. */
  readonly wiresC: readonly number[];
}

const outerMm = (build: CableBuild): number => build.layers.at(-1)?.outerDiameterMm ?? build.conductorDiameterMm;

/** Diameter of a round bundle, mm. */
export const bundleDiameterMm = (builds: readonly CableBuild[]): number =>
  BUNDLE_FILL * Math.sqrt(builds.reduce((sum, build) => sum + outerMm(build) ** 2, 0));

/**
 * From the core that evenly made heat gives, to one wire, K·m/W: its own insulation, and its own heat that comes from the middle and not from
 * everywhere (ln(D_b/D)/(2πk) in place of 1/(4πk)).
 */
function ownResistance(build: CableBuild, diameterMm: number): number {
  const fromMiddle = Math.log(Math.max(1, diameterMm / outerMm(build))) / (2 * Math.PI * BUNDLE_W_PER_MK);
  return insulationResistance(build) + fromMiddle - 1 / (4 * Math.PI * BUNDLE_W_PER_MK);
}

interface Warming {
  /** Made at 20 °C, W/m. */
  readonly coldWPerM: number;
  readonly alpha: number;
  readonly ownKmPerW: number;
}

/** Heat of all wires with the bundle's core at a temperature, W/m of each; null: a wire alone runs away there. */
function heats(wires: readonly Warming[], coreC: number): readonly number[] | null {
  const result: number[] = [];
  for (const { coldWPerM, alpha, ownKmPerW } of wires) {
    // Q = I²R₂₀(1 + α(core + Q·r − 20)), solved for Q.
    const feedback = coldWPerM * alpha * ownKmPerW;
    if (feedback >= 1) return null;
    result.push((coldWPerM * (1 + alpha * (coreC - BASE_C))) / (1 - feedback));
  }
  return result;
}

/**
 * A mixed loom as one heat balance: its wires' heat leaves one round surface. Inside every wire is taken to lie in the middle (cautious):
 * the others' heat, made evenly, lifts it by Q/(4π·0.3 W/mK), its own comes out of the middle, and its insulation is on top. °C; null: no
 * balance below the melting temperature. A conduit lets four fifths of the current of free air (heat by its square).
 */
export function loomTemperatures(wires: readonly LoomWire[], place: LoomPlace): Loom | null {
  const diameterMm = bundleDiameterMm(wires.map(({ build }) => build));
  if (!(diameterMm > 0)) return null;
  const meltingC = Math.min(...wires.map(({ build }) => METALS[build.metal].meltingC));
  const air = { ...place, airSpeedMPerS: 0, convectionShare: 1, radiationShare: 1 };
  const covered = place.conduit ? CONDUIT_FACTOR ** 2 : 1;
  const out = (surfaceC: number) => heatFromCylinder(diameterMm / 1000, surfaceC, air) * covered;
  const core = (surfaceC: number, heatWPerM: number) => surfaceC + heatWPerM / (4 * Math.PI * BUNDLE_W_PER_MK);
  const total = (all: readonly number[]) => all.reduce((sum, one) => sum + one, 0);
  if (wires.every(({ currentA }) => currentA === 0)) {
    const { ambientC } = place;
    return { diameterMm, heatWPerM: 0, surfaceC: ambientC, coreC: ambientC, wiresC: wires.map(() => ambientC) };
  }
  const warming = wires.map(
    ({ build, currentA }): Warming => ({
      coldWPerM: currentA * currentA * build.resistance20OhmPerM,
      alpha: METALS[build.metal].temperatureCoefficientPerK,
      ownKmPerW: ownResistance(build, diameterMm),
    }),
  );
  // What leaves a surface sets the core; what the wires then make must be no more.
  const excess = (surfaceC: number): number => {
    const leaving = out(surfaceC);
    const made = heats(warming, core(surfaceC, leaving));
    return made ? leaving - total(made) : Number.NEGATIVE_INFINITY;
  };
  const surfaceC = risingRoot(excess, place.ambientC, meltingC, place.ambientC + 10, 1e-4);
  if (surfaceC === null) return null;
  const heatWPerM = out(surfaceC);
  const coreC = core(surfaceC, heatWPerM);
  const made = heats(warming, coreC);
  if (!made || coreC > meltingC) return null;
  return {
    diameterMm,
    heatWPerM,
    surfaceC,
    coreC,
    wiresC: warming.map(({ ownKmPerW }, k) => coreC + made[k]! * ownKmPerW),
  };
}

/** Current at which one wire of a loom reaches a temperature while the others carry what they do, A; 0 when they bring it there alone. */
export function loomAmpacity(wires: readonly LoomWire[], index: number, place: LoomPlace, mostC: number): number {
  const reached = (currentA: number): number =>
    loomTemperatures(
      wires.map((wire, k) => (k === index ? { ...wire, currentA } : wire)),
      place,
    )?.wiresC[index] ?? Number.POSITIVE_INFINITY;
  if (reached(0) >= mostC) return 0;
  let [low, high] = [0, 10];
  while (reached(high) < mostC && high < 1e5) [low, high] = [high, high * 2];
  for (let turn = 0; turn < 50 && high - low > 1e-4 * high; turn++) {
    const middle = (low + high) / 2;
    if (reached(middle) < mostC) low = middle;
    else high = middle;
  }
  return low;
}
