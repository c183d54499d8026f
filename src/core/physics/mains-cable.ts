/** Flexible multi-core copper cables on the AC side: what they carry for hours. */

/** Cross-section, mm²; A of two and of three loaded cores, PVC 70 °C, free in air at 30 °C (IEC 60364-5-52, table B.52.10, from memory: verify). */
const PVC: readonly (readonly [number, number, number])[] = [
  [0.75, 14, 12],
  [1, 17, 14.5],
  [1.5, 22, 18.5],
  [2.5, 30, 25],
  [4, 40, 34],
  [6, 51, 43],
  [10, 70, 60],
  [16, 94, 80],
  [25, 119, 101],
  [35, 148, 126],
  [50, 180, 153],
  [70, 232, 196],
];
const AIR_C = 30;
const PVC_C = 70;
/** Of copper at 20 °C, Ω·mm²/m, and its rise, 1/K. */
const COPPER = 0.017241;
const COPPER_PER_K = 0.00393;

/**
 * Current that a cable of so many square millimetres carries for hours, A; 0 where the air is as hot as its insulation bears. Between two sizes the smaller
 * one counts. Hotter insulation and air by √((θ − θ_air)/(70 − 30)), as the tables themselves are made.
 */
export function mainsAmpacity(areaMm2: number, loadedCores: 2 | 3, insulationC: number, airC: number): number {
  const row = PVC.filter(([area]) => area <= areaMm2 * (1 + 1e-9)).at(-1);
  if (!row || !(insulationC > airC)) return 0;
  return row[loadedCores === 2 ? 1 : 2] * Math.sqrt((insulationC - airC) / (PVC_C - AIR_C));
}

/** Voltage lost along a run as a share of the supply’s phase voltage: there and back on one phase, one way on three. Copper at 70 °C. */
export function mainsDrop(run: {
  readonly lengthM: number;
  readonly areaMm2: number;
  readonly currentA: number;
  readonly voltageV: number;
  readonly phases: 1 | 3;
}): number {
  const ohm = (COPPER * (1 + COPPER_PER_K * (PVC_C - 20)) * run.lengthM * (run.phases === 1 ? 2 : 1)) / run.areaMm2;
  return (ohm * run.currentA) / run.voltageV;
}
