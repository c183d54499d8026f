import {
  conductorAmpacity,
  conductorTemperature,
  type LoomOf,
  loomHeat,
  loomOfWire,
  loomWireAmpacity,
  lowVoltage,
  type ResolvedConductor,
  type Vehicle,
} from '../../vehicle';
import { steadyPoint } from './solutions';

/** One wire of the 12-volt side with everything on, for good. */
export interface LowWireRow {
  readonly id: string;
  readonly wire: ResolvedConductor;
  readonly loom: LoomOf | null;
  /** Null: the side has no solution. */
  readonly currentA: number | null;
  readonly carriesA: number | null;
  /** Null: it runs away, or something is missing. In a loom that of its hottest scenario. */
  readonly temperatureC: number | null;
}

export function lowWireRows(vehicle: Vehicle): readonly LowWireRow[] {
  const one = steadyPoint(vehicle);
  return lowVoltage(vehicle).lv.conductors.flatMap((wire): LowWireRow[] => {
    if (wire.conductor.kind !== 'cable') return [];
    const loom = loomOfWire(vehicle, wire.id) ?? null;
    const currentA = one ? Math.abs(one.currentA(wire.id)) : null;
    return [
      {
        id: wire.id,
        wire,
        loom,
        currentA,
        carriesA: loom ? loomWireAmpacity(vehicle, loom, wire.id) : conductorAmpacity(wire),
        temperatureC: loom
          ? inLoom(vehicle, loom, wire.id)
          : currentA === null
            ? null
            : conductorTemperature(wire, currentA),
      },
    ];
  });
}

function inLoom(vehicle: Vehicle, loom: LoomOf, wireId: string): number | null {
  const heat = loomHeat(vehicle, loom)?.loom;
  if (!heat) return null;
  let at = 0;
  for (const { id, conductor } of loom.wires) {
    if (id === wireId) return heat.wiresC[at] ?? null;
    at += conductor.parallel;
  }
  return null;
}
