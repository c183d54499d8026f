/** Belt, chain and timing-belt stages between a motor and what it turns. */
export type StageKind = 'v-belt' | 'timing-belt' | 'chain';

/** Pull on the shaft over the force that does the work: tight plus slack side (generic: tension ratios 3, 7 and no slack tension). */
const SIDE_FACTOR: Readonly<Record<StageKind, number>> = { 'v-belt': 2, 'timing-belt': 1.33, chain: 1.05 };
/** Share of the power that gets through (generic 0.95–0.98). */
const EFFICIENCY: Readonly<Record<StageKind, number>> = { 'v-belt': 0.95, 'timing-belt': 0.97, chain: 0.97 };

export const stageEfficiency = (kind: StageKind): number => EFFICIENCY[kind];

/**
 * Force across the motor's shaft, N, at a torque, Nm, over a pulley or sprocket of a pitch diameter, m: F = 2·T/d does the work, tight
 * and slack side together pull (T1 + T2)/(T1 − T2) times as much.
 */
export const sideLoadN = (kind: StageKind, torqueNm: number, pulleyM: number): number =>
  SIDE_FACTOR[kind] * ((2 * Math.abs(torqueNm)) / pulleyM);

export const sideFactor = (kind: StageKind): number => SIDE_FACTOR[kind];
