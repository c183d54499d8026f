import { heatFromCylinder } from './air';
import { type CableBuild, type CablePlace, placeFactor, steadyTemperature, surroundingsOf } from './cable';
import { METALS } from './conductor';

/** A stretch of constant current. */
export interface ProfileStep {
  readonly currentA: number;
  readonly durationS: number;
}

export interface TransientCable {
  /** Null: it passed the melting temperature. */
  readonly peakTemperatureC: number | null;
  readonly endTemperatureC: number | null;
  readonly repeats: number;
  /** The cycle ends where it began, within a few millikelvin. */
  readonly settled: boolean;
  readonly curve: readonly { readonly timeS: number; readonly temperatureC: number }[];
}

/** Shells into which each layer is cut. */
const SHELLS = 4;
/** Error that one step may make, K. */
const STEP_K = 0.01;
const SETTLED_K = 0.003;
const MOST_REPEATS = 2000;

/** One conductor node, shells of insulation outward, a surface that follows at once. Heat capacities J/(m·K), resistances K·m/W. */
class Shells {
  readonly capacities: readonly number[];
  /** Between node k and k + 1; the last one leads to the surface. */
  readonly resistances: readonly number[];
  private readonly diameterM: number;
  private readonly air;
  private readonly share: number;
  private surfaceC: number;

  constructor(
    private readonly cable: CableBuild,
    place: CablePlace,
    insulationJPerM3K: number,
  ) {
    const metal = METALS[cable.metal];
    const electricalM2 = metal.resistivity20OhmM / cable.resistance20OhmPerM;
    const capacities = [metal.heatCapacityJPerM3K * electricalM2];
    const radii: { inner: number; outer: number; conductivity: number }[] = [];
    let inner = cable.conductorDiameterMm / 2000;
    for (const layer of cable.layers) {
      const outer = layer.outerDiameterMm / 2000;
      for (let k = 0; k < SHELLS; k++)
        radii.push({
          inner: inner + ((outer - inner) * k) / SHELLS,
          outer: inner + ((outer - inner) * (k + 1)) / SHELLS,
          conductivity: layer.conductivityWPerMK,
        });
      inner = outer;
    }
    const between = (from: number, to: number, conductivity: number) =>
      Math.log(to / from) / (2 * Math.PI * conductivity);
    const resistances: number[] = [];
    let waiting = 0;
    for (const { inner: from, outer: to, conductivity } of radii) {
      const middle = Math.sqrt((from ** 2 + to ** 2) / 2);
      capacities.push(insulationJPerM3K * Math.PI * (to ** 2 - from ** 2));
      resistances.push(waiting + between(from, middle, conductivity));
      waiting = between(middle, to, conductivity);
    }
    resistances.push(waiting);
    this.capacities = capacities;
    this.resistances = resistances;
    this.diameterM = 2 * inner;
    this.air = surroundingsOf(place);
    this.share = placeFactor(place);
    this.surfaceC = place.ambientC;
  }

  /** One implicit step of Euler: the resistance's rise is in the matrix, the film is taken again until it agrees. */
  step(before: readonly number[], currentA: number, dt: number): number[] {
    const { capacities, resistances, cable } = this;
    const n = capacities.length;
    const heat = (currentA / this.share) ** 2 * cable.resistance20OhmPerM;
    const alpha = METALS[cable.metal].temperatureCoefficientPerK;
    const { ambientC } = this.air;
    let now: number[] = [];
    for (let round = 0; round < 12; round++) {
      const surface = Math.max(this.surfaceC, ambientC + 1e-6);
      const filmWPerK = heatFromCylinder(this.diameterM, surface, this.air) / (surface - ambientC);
      const out = 1 / (resistances[n - 1]! + 1 / Math.max(filmWPerK, 1e-9));
      const diagonal = new Array<number>(n);
      const right = new Array<number>(n);
      for (let k = 0; k < n; k++) {
        const inward = k > 0 ? 1 / resistances[k - 1]! : 0;
        const outward = k < n - 1 ? 1 / resistances[k]! : out;
        diagonal[k] = capacities[k]! / dt + inward + outward - (k === 0 ? heat * alpha : 0);
        right[k] =
          (capacities[k]! / dt) * before[k]! +
          (k === 0 ? heat * (1 - 20 * alpha) : 0) +
          (k === n - 1 ? out * ambientC : 0);
      }
      // Tridiagonal elimination.
      for (let k = 1; k < n; k++) {
        const g = 1 / resistances[k - 1]!;
        const factor = g / diagonal[k - 1]!;
        diagonal[k]! -= factor * g;
        right[k]! += factor * right[k - 1]!;
      }
      now = new Array<number>(n);
      for (let k = n - 1; k >= 0; k--)
        now[k] = (right[k]! + (k < n - 1 ? now[k + 1]! / resistances[k]! : 0)) / diagonal[k]!;
      const surfaceC = ambientC + (now[n - 1]! - ambientC) * (out / Math.max(filmWPerK, 1e-9));
      const moved = Math.abs(surfaceC - this.surfaceC);
      this.surfaceC = surfaceC;
      if (moved < 1e-4) break;
    }
    return now;
  }
}

/**
 * Conductor temperature over a profile of currents, repeated: one node of metal (volumetric heat times electrical area) and four shells
 * in each layer of insulation, resistance with temperature throughout, quasi-steady film. Implicit, step by doubling and extrapolation.
 */
export function cableTransient(
  cable: CableBuild,
  place: CablePlace,
  options: {
    readonly startTemperatureC: number;
    readonly profile: readonly ProfileStep[];
    /** A number of cycles, or until they repeat themselves. */
    readonly repeats: number | 'settled';
    readonly insulationJPerM3K: number;
    readonly curve?: boolean;
  },
): TransientCable {
  const shells = new Shells(cable, place, options.insulationJPerM3K);
  const meltingC = METALS[cable.metal].meltingC;
  let now: number[] = shells.capacities.map(() => options.startTemperatureC);
  const curve: { timeS: number; temperatureC: number }[] = [];
  let time = 0;
  let peak = options.startTemperatureC;
  const note = () => {
    if (options.curve) curve.push({ timeS: time, temperatureC: now[0]! });
  };
  note();
  const most = options.repeats === 'settled' ? MOST_REPEATS : options.repeats;
  for (let cycle = 1; cycle <= most; cycle++) {
    const shellsBefore = now;
    let cyclePeak = Number.NEGATIVE_INFINITY;
    for (const { currentA, durationS } of options.profile) {
      let left = durationS;
      let dt = Math.min(left, 1);
      while (left > 1e-9 * durationS) {
        dt = Math.min(dt, left);
        const whole = shells.step(now, currentA, dt);
        const half = shells.step(shells.step(now, currentA, dt / 2), currentA, dt / 2);
        const error = Math.max(...half.map((value, k) => Math.abs(value - whole[k]!)));
        if (error > 4 * STEP_K && dt > 1e-4) {
          dt *= Math.max(0.2, 0.9 * Math.sqrt(STEP_K / error));
          continue;
        }
        now = half.map((value, k) => 2 * value - whole[k]!);
        time += dt;
        left -= dt;
        cyclePeak = Math.max(cyclePeak, now[0]!);
        note();
        if (now[0]! > meltingC || !Number.isFinite(now[0]!))
          return { peakTemperatureC: null, endTemperatureC: null, repeats: cycle, settled: false, curve };
        dt *= Math.min(3, Math.max(0.3, 0.9 * Math.sqrt(STEP_K / Math.max(error, 1e-9))));
      }
    }
    peak = options.repeats === 'settled' ? cyclePeak : Math.max(peak, cyclePeak);
    const drift = Math.max(...now.map((value, k) => Math.abs(value - shellsBefore[k]!)));
    if (options.repeats === 'settled' && drift < SETTLED_K)
      return { peakTemperatureC: peak, endTemperatureC: now[0]!, repeats: cycle, settled: true, curve };
  }
  return { peakTemperatureC: peak, endTemperatureC: now[0]!, repeats: most, settled: false, curve };
}

/** Root mean square of a profile, A; 0 when it has no duration. */
export function rmsOf(profile: readonly ProfileStep[]): number {
  const duration = profile.reduce((sum, step) => sum + step.durationS, 0);
  if (duration === 0) return 0;
  return Math.sqrt(profile.reduce((sum, step) => sum + step.currentA ** 2 * step.durationS, 0) / duration);
}

/** Time to 63.2 % of the rise from ambient at a constant current, s; null when it has no steady temperature. */
export function tau63(
  cable: CableBuild,
  place: CablePlace,
  currentA: number,
  insulationJPerM3K: number,
): number | null {
  const goal = steadyTemperature(cable, place, currentA).conductorTemperatureC;
  if (goal === null || goal - place.ambientC < 1e-3) return null;
  const wanted = place.ambientC + (goal - place.ambientC) * (1 - Math.exp(-1));
  const shells = new Shells(cable, place, insulationJPerM3K);
  let now: number[] = shells.capacities.map(() => place.ambientC);
  let time = 0;
  let dt = 1;
  while (time < 1e6) {
    const whole = shells.step(now, currentA, dt);
    const half = shells.step(shells.step(now, currentA, dt / 2), currentA, dt / 2);
    const error = Math.max(...half.map((value, k) => Math.abs(value - whole[k]!)));
    if (error > 4 * STEP_K) {
      dt *= 0.5;
      continue;
    }
    const next = half.map((value, k) => 2 * value - whole[k]!);
    if (next[0]! >= wanted) return time + (dt * (wanted - now[0]!)) / (next[0]! - now[0]!);
    now = next;
    time += dt;
    dt *= Math.min(1.5, Math.max(0.3, 0.9 * Math.sqrt(STEP_K / Math.max(error, 1e-9))));
  }
  return null;
}
