import type { NodeName } from './netlist';
import type { ReducedLoad } from './reduction';

/** Loads, each behind a resistance of its own, between one pair of nodes: one port with one voltage. */
export interface LoadGroup {
  readonly a: NodeName;
  readonly b: NodeName;
  readonly members: readonly { readonly index: number; readonly sign: 1 | -1 }[];
}

export function groupLoads(loads: readonly ReducedLoad[]): LoadGroup[] {
  const groups = new Map<string, { a: NodeName; b: NodeName; members: { index: number; sign: 1 | -1 }[] }>();
  for (const { a, b, index } of loads) {
    const forward = groups.get(JSON.stringify([a, b]));
    const backward = groups.get(JSON.stringify([b, a]));
    if (forward) forward.members.push({ index, sign: 1 });
    else if (backward) backward.members.push({ index, sign: -1 });
    else groups.set(JSON.stringify([a, b]), { a, b, members: [{ index, sign: 1 }] });
  }
  return [...groups.values()];
}

export interface LoadAnswer {
  readonly currentA: number;
  readonly slopeS: number;
  /** True on the upper-voltage branch; false when it has collapsed to a resistance. */
  readonly upper: boolean;
}

/**
 * Constant power behind a series resistance at terminal voltage u: v = (u + √(u² − 4RP))/2 on the upper branch, i = P/v,
 * di/du = −P/(v² − RP). Without such a root, or with v below `collapseV`, the load is the resistance that it has at collapseV.
 */
export function behindResistance(powerW: number, seriesOhm: number, u: number, collapseV: number): LoadAnswer {
  if (powerW === 0) return { currentA: 0, slopeS: 0, upper: true };
  const square = u * u - 4 * seriesOhm * powerW;
  if (square >= 0) {
    const v = (u + Math.sign(u || 1) * Math.sqrt(square)) / 2;
    const room = v * v - seriesOhm * powerW;
    if (Math.abs(v) >= collapseV && v !== 0 && room > 0)
      return { currentA: powerW / v, slopeS: -powerW / room, upper: true };
  }
  const conductance = collapseV > 0 ? 1 / (seriesOhm + (collapseV * collapseV) / Math.abs(powerW)) : 0;
  const signed = powerW > 0 ? conductance : 0;
  return { currentA: signed * u, slopeS: signed, upper: false };
}
