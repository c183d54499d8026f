import { once } from '../quantities';

/** Cells: rest voltage by state of charge, and resistance by temperature and age. Generic curves at 25 °C; a data sheet wins. */
export type Chemistry = 'lfp' | 'nmc' | 'lto' | 'lead-flooded' | 'lead-agm';

const SOC = [0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 1] as const;
const LEAD = [1.93, 1.95, 1.97, 1.99, 2.01, 2.03, 2.05, 2.07, 2.08, 2.1, 2.12, 2.125, 2.13];
const CURVES: Readonly<Record<Chemistry, readonly number[]>> = {
  lfp: [2.6, 3.0, 3.16, 3.23, 3.26, 3.28, 3.29, 3.3, 3.32, 3.33, 3.34, 3.35, 3.4],
  nmc: [3.0, 3.34, 3.45, 3.55, 3.61, 3.65, 3.7, 3.78, 3.88, 3.98, 4.08, 4.13, 4.2],
  lto: [1.9, 2.08, 2.14, 2.19, 2.22, 2.25, 2.28, 2.32, 2.38, 2.46, 2.53, 2.58, 2.7],
  'lead-flooded': LEAD,
  'lead-agm': LEAD,
};

/** Slopes of a monotone cubic (Fritsch and Carlson 1980, weighted harmonic means; the end slopes as in PCHIP). */
function slopes(x: readonly number[], y: readonly number[]): number[] {
  const n = x.length;
  const h = x.slice(1).map((v, i) => v - x[i]!);
  const d = h.map((hi, i) => (y[i + 1]! - y[i]!) / hi);
  const m = new Array<number>(n).fill(0);
  for (let i = 1; i < n - 1; i++) {
    if (d[i - 1]! * d[i]! <= 0) continue;
    const w1 = 2 * h[i]! + h[i - 1]!;
    const w2 = h[i]! + 2 * h[i - 1]!;
    m[i] = (w1 + w2) / (w1 / d[i - 1]! + w2 / d[i]!);
  }
  const end = (h0: number, h1: number, d0: number, d1: number): number => {
    const s = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
    if (s * d0 <= 0) return 0;
    return d0 * d1 <= 0 && Math.abs(s) > 3 * Math.abs(d0) ? 3 * d0 : s;
  };
  m[0] = end(h[0]!, h[1]!, d[0]!, d[1]!);
  m[n - 1] = end(h[n - 2]!, h[n - 3]!, d[n - 2]!, d[n - 3]!);
  return m;
}

/** Monotone cubic through (x, y), held flat outside. */
export function monotoneCubic(x: readonly number[], y: readonly number[]): (at: number) => number {
  const m = slopes(x, y);
  return (at) => {
    if (at <= x[0]!) return y[0]!;
    if (at >= x.at(-1)!) return y.at(-1)!;
    let i = 0;
    while (x[i + 1]! < at) i++;
    const h = x[i + 1]! - x[i]!;
    const t = (at - x[i]!) / h;
    return (
      y[i]! * (1 + 2 * t) * (1 - t) ** 2 +
      m[i]! * h * t * (1 - t) ** 2 +
      y[i + 1]! * t * t * (3 - 2 * t) +
      m[i + 1]! * h * t * t * (t - 1)
    );
  };
}

/** By the rest voltages of a chemistry. */
const curveThrough = once((restV: readonly number[]) => monotoneCubic(SOC, restV));

/** Rest voltage per cell at a state of charge (0–1), V. */
export const openCircuitVoltage = (chemistry: Chemistry, soc: number): number => curveThrough(CURVES[chemistry])(soc);

const RESISTANCE_BY_TEMPERATURE: readonly (readonly [number, number])[] = [
  [-20, 4],
  [0, 2.2],
  [10, 1.5],
  [25, 1],
  [40, 0.8],
];

/** Factor on the 25 °C resistance at a cell temperature (generic; log-linear between points, held outside). */
export function resistanceTemperatureFactor(temperatureC: number): number {
  const points = RESISTANCE_BY_TEMPERATURE;
  if (temperatureC <= points[0]![0]) return points[0]![1];
  for (let i = 1; i < points.length; i++) {
    const [t0, f0] = points[i - 1]!;
    const [t1, f1] = points[i]!;
    if (temperatureC <= t1) return f0 * (f1 / f0) ** ((temperatureC - t0) / (t1 - t0));
  }
  return points.at(-1)![1];
}

/** Factor on the new resistance at a state of health (1 → 1, 0.7 → 2; generic, linear, held below). */
export function resistanceAgeFactor(stateOfHealth: number): number {
  return 1 + Math.min(1, Math.max(0, (1 - stateOfHealth) / 0.3));
}

/** Share of the slow resistance that the first milliseconds see (generic). */
export const OHMIC_SHARE = 0.5;

/** The table's points, [state of charge, V of a cell at rest], for what joins them straight. */
export const ocvPoints = (chemistry: Chemistry): readonly (readonly [number, number])[] =>
  SOC.map((soc, k) => [soc, CURVES[chemistry][k]!] as const);

/** Cell temperatures between which it may be discharged, °C (generic; the sheet wins). */
const DISCHARGE_C: Readonly<Record<Chemistry, { readonly leastC: number; readonly mostC: number }>> = {
  lfp: { leastC: -20, mostC: 60 },
  nmc: { leastC: -20, mostC: 60 },
  lto: { leastC: -30, mostC: 55 },
  'lead-flooded': { leastC: -20, mostC: 50 },
  'lead-agm': { leastC: -20, mostC: 50 },
};
export const dischargeWindowC = (chemistry: Chemistry) => DISCHARGE_C[chemistry];

/** Where a cell’s voltage stands when it is charged on beyond full: [share of its capacity, V] (generic: steep; why a full cell must be guarded). */
const BEYOND_FULL: Readonly<Record<Chemistry, readonly [number, number]>> = {
  lfp: [1.008, 3.75],
  nmc: [1.05, 4.5],
  lto: [1.03, 3.0],
  // Lead gasses: most of what comes goes into water.
  'lead-flooded': [1.15, 2.65],
  'lead-agm': [1.12, 2.55],
};

/** Rest voltage by charge with what comes after full, [state of charge, V]: for whatever charges to a voltage above that of a full cell at rest. */
export const chargePoints = (chemistry: Chemistry): readonly (readonly [number, number])[] => [
  ...ocvPoints(chemistry),
  BEYOND_FULL[chemistry],
];
