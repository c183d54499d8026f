import type { Id } from '../build';

import { partOf, protectingFuses, type Vehicle } from '../vehicle';
import { type FuseFaults, fuseFaults } from './faults';

/** What a fuse has to look after: the conductors whose smallest fuse it is, alone or with others, and whose current no resistor limits. */
export interface FuseZone {
  readonly fuseId: Id;
  readonly conductorIds: readonly Id[];
  /** Those of them that it protects only together with fuses of other strings. */
  readonly jointIds: ReadonlySet<Id>;
  readonly faults: FuseFaults | null;
}

const zones = new WeakMap<Vehicle, readonly FuseZone[]>();

/** The zones of all fuses with the currents that shorts in them can drive; worked out once for each solved vehicle. */
export function fuseZones(vehicle: Vehicle): readonly FuseZone[] {
  const known = zones.get(vehicle);
  if (known) return known;
  const { of: protecting, jointly } = protectingFuses(vehicle, 'fuse');
  const limited = protectingFuses(vehicle, 'precharge-resistor').of;
  const rating = (id: Id): number =>
    partOf(vehicle.deviceOf.get(id), 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;
  const byFuse = new Map<Id, Id[]>();
  for (const { id, device } of vehicle.devices) if (device.kind === 'fuse') byFuse.set(id, []);
  for (const conductor of vehicle.conductors) {
    if ((limited.get(conductor.id) ?? []).length > 0) continue;
    const nearest = [...(protecting.get(conductor.id) ?? [])].sort((p, q) => rating(p) - rating(q))[0];
    // Behind packs in parallel each fuse of the set has to break its share.
    for (const id of nearest === undefined ? (jointly.get(conductor.id) ?? []) : [nearest])
      byFuse.get(id)?.push(conductor.id);
  }
  const found = [...byFuse].map(([fuseId, conductorIds]) => ({
    fuseId,
    conductorIds,
    jointIds: new Set(conductorIds.filter((id) => jointly.has(id))),
    faults: fuseFaults(vehicle, fuseId, conductorIds),
  }));
  zones.set(vehicle, found);
  return found;
}
