import { chargePoints } from '../physics/cell';

/** One cell of a row, or one group side by side. */
export interface RowCell {
  readonly capacityAh: number;
  /** With its share of links, Ω. */
  readonly resistanceOhm: number;
  readonly soc: number;
  /** Lost by itself, A. */
  readonly leaksA: number;
}

/** What evens the cells out, and what it does to the charger. */
export interface Evening {
  /** regulators: each by its own voltage. electronics: only cells above the lowest by `deltaV`. none: nothing. */
  readonly by: 'regulators' | 'electronics' | 'none';
  readonly fromV: number;
  readonly shuntA: number;
  /** Share of the time in which it bleeds, 0–1. */
  readonly duty: number;
  readonly deltaV: number;
  /** A cell at this voltage is full, V: the charger is throttled, stopped, or told nothing. */
  readonly stopV: number;
  readonly releaseV: number;
  readonly atStop: 'throttle' | 'stop' | 'nothing';
}

export interface RowCharger {
  readonly powerW: number;
  readonly currentA: number;
  /** Of the whole row, V. */
  readonly voltageV: number;
  readonly cutoffA: number;
}

export interface RowRun {
  /** cut-off: the current fell to it. all-full: a throttled charge whose last cell is full. stopped: a full cell ended it. running: not over in the time. */
  readonly end: 'cut-off' | 'all-full' | 'stopped' | 'running';
  readonly endS: number;
  /** Spread within `EVEN` from then on; null: not in the time. */
  readonly balancedS: number | null;
  /** Cells in the order in which they were first bled, and when, s. */
  readonly order: readonly { readonly cell: number; readonly timeS: number }[];
  /** Highest that any cell reached, V, and which. */
  readonly highestV: number;
  readonly highestCell: number;
  /** Bled as heat, J of each cell. */
  readonly heatJ: readonly number[];
  readonly mostBledAtOnce: number;
  /** State of charge of the emptiest and the fullest at the end. */
  readonly lowestSoc: number;
  readonly highestSoc: number;
  readonly curve: readonly RowPoint[];
}

export interface RowPoint {
  readonly timeS: number;
  readonly currentA: number;
  readonly highestV: number;
  readonly lowestV: number;
  readonly spread: number;
}

/** Cells whose states of charge are no further apart are even. */
export const EVEN = 0.005;
const CURVE_POINTS = 200;
const SLOW_S = 20;
const FAST_S = 5;

type Curve = readonly (readonly [number, number])[];

/** Piece of the curve at a state of charge, kept where it was: cells climb. Its last piece goes on. */
function pieceAt(points: Curve, soc: number, from: number): number {
  let k = from;
  while (k < points.length - 2 && soc > points[k + 1]![0]) k++;
  while (k > 0 && soc < points[k]![0]) k--;
  return k;
}

/**
 * A row of cells that differ, charged to its end and then left to its balancer, in steps of seconds: current by the narrowest limit of power, current and
 * voltage, with the cells’ rise within the step taken into it (linearised backward Euler), bled cells by what evens them out.
 */
export function rowRun(
  chemistry: Parameters<typeof chargePoints>[0],
  cells: readonly RowCell[],
  charger: RowCharger,
  evening: Evening,
  hours: number,
): RowRun {
  const points = chargePoints(chemistry);
  const n = cells.length;
  const soc = Float64Array.from(cells, (cell) => cell.soc);
  const perA = Float64Array.from(cells, ({ capacityAh }) => 1 / (3600 * capacityAh));
  const ohm = Float64Array.from(cells, (cell) => cell.resistanceOhm);
  const leaks = Float64Array.from(cells, (cell) => cell.leaksA);
  const piece = new Int32Array(n);
  const restV = new Float64Array(n);
  const slope = new Float64Array(n);
  const bled = new Float64Array(n);
  const volts = new Float64Array(n);
  const heatJ = new Float64Array(n);
  const firstS = new Float64Array(n).fill(-1);
  const stopS = hours * 3600;
  const order: { cell: number; timeS: number }[] = [];
  const curve: RowPoint[] = [];
  const shuntA = evening.by === 'none' ? 0 : evening.shuntA * evening.duty;
  let [timeS, nextPointS, currentA] = [0, 0, 0];
  let charging = true;
  let held = false;
  let throttled = false;
  let end: RowRun['end'] = 'running';
  let endS = stopS;
  let [highestV, highestCell, mostBledAtOnce] = [0, 0, 0];
  let balancedS: number | null = null;
  volts.fill(0);

  const read = () => {
    for (let k = 0; k < n; k++) {
      const at = pieceAt(points, soc[k]!, piece[k]!);
      piece[k] = at;
      const [s0, v0] = points[at]!;
      const [s1, v1] = points[at + 1]!;
      slope[k] = (v1 - v0) / (s1 - s0);
      restV[k] = v0 + slope[k]! * (soc[k]! - s0);
      volts[k] = restV[k]! + (currentA - bled[k]!) * ohm[k]!;
    }
  };
  read();
  while (timeS < stopS) {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    let [lowSoc, highSoc, top] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0];
    for (let k = 0; k < n; k++) {
      const v = volts[k]!;
      if (v < low) low = v;
      if (v > high) [high, top] = [v, k];
      const s = soc[k]!;
      if (s < lowSoc) lowSoc = s;
      if (s > highSoc) highSoc = s;
    }
    if (high > highestV) [highestV, highestCell] = [high, top];
    const spread = highSoc - lowSoc;
    if (spread <= EVEN) balancedS ??= timeS;
    else balancedS = null;
    if (timeS >= nextPointS) {
      curve.push({ timeS, currentA, highestV: high, lowestV: low, spread });
      nextPointS += stopS / CURVE_POINTS;
    }
    // A full cell: the charger hears of it, or not.
    if (charging && evening.atStop !== 'nothing') {
      if (high >= evening.stopV) held = true;
      else if (high < evening.releaseV) held = false;
      if (held) throttled = evening.atStop === 'throttle';
      if (held && evening.atStop === 'stop') {
        charging = false;
        [end, endS] = ['stopped', timeS];
      }
    }
    if (charging && throttled && low >= evening.fromV) {
      charging = false;
      [end, endS] = ['all-full', timeS];
    }
    // Without charger only what stands above its voltage by itself is bled.
    let bleeding = 0;
    const above = evening.by === 'electronics' ? Math.max(evening.fromV, low + evening.deltaV) : evening.fromV;
    for (let k = 0; k < n; k++) {
      const bleeds = shuntA > 0 && volts[k]! >= above;
      bled[k] = bleeds ? shuntA : 0;
      if (!bleeds) continue;
      bleeding++;
      if (firstS[k]! < 0) {
        firstS[k] = timeS;
        order.push({ cell: k, timeS });
      }
    }
    mostBledAtOnce = Math.max(mostBledAtOnce, bleeding);
    if (!charging && bleeding === 0) {
      // Nothing moves any more but what leaks.
      curve.push({ timeS, currentA: 0, highestV: high, lowestV: low, spread });
      break;
    }
    const stepS = Math.min(stopS - timeS, high > evening.fromV - 0.05 || !charging ? FAST_S : SLOW_S);
    let [e, r] = [0, 0];
    for (let k = 0; k < n; k++) {
      const rise = slope[k]! * stepS * perA[k]!;
      e += restV[k]! - rise * bled[k]! - bled[k]! * ohm[k]!;
      r += ohm[k]! + rise;
    }
    let byVoltage = false;
    if (charging) {
      const power = (-e + Math.sqrt(e * e + 4 * r * charger.powerW)) / (2 * r);
      const taper = Math.max(0, (charger.voltageV - e) / r);
      const most = Math.min(power, charger.currentA);
      byVoltage = taper <= most;
      currentA = byVoltage ? taper : most;
      if (held && evening.atStop === 'throttle') {
        currentA = Math.min(currentA, Math.max(shuntA, 0));
        byVoltage = false;
      }
    } else currentA = 0;
    for (let k = 0; k < n; k++) {
      soc[k]! += (currentA - bled[k]! - leaks[k]!) * perA[k]! * stepS;
      heatJ[k]! += bled[k]! * volts[k]! * stepS;
    }
    timeS += stepS;
    read();
    if (charging && byVoltage && currentA <= charger.cutoffA) {
      charging = false;
      [end, endS] = ['cut-off', timeS];
    }
  }
  return {
    end,
    endS,
    balancedS,
    order,
    highestV,
    highestCell,
    heatJ: [...heatJ],
    mostBledAtOnce,
    lowestSoc: Math.min(...soc),
    highestSoc: Math.max(...soc),
    curve,
  };
}

/** Spread that nobody measured: the same each time for the same seed. Uniform between −1 and 1 (Park and Miller’s generator). */
export function seeded(seed: number): () => number {
  let state = (Math.abs(Math.trunc(seed)) % 2147483646) + 1;
  return () => {
    state = (state * 48271) % 2147483647;
    return (2 * state) / 2147483647 - 1;
  };
}
