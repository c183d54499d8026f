import type { Finding } from '../../checks';
import type { FusePart } from '../../parts';
import { usableDcVoltage } from '../../physics/fuse';
import { type ClearingFuse, clearing } from '../../physics/fuse-clearing';
import { type Fault, type FuseZone, faultFeeds, fuseZones } from '../../simulate';
import { partOf, type ResolvedDevice, type Vehicle } from '../../vehicle';
import { type Context, deviceRef, NEEDS_CELLS, needsPart } from '../context';

/** What the rules of fuses against faults have in common. */

export const HIGHEST = 'Highest: warm, new, full pack, milliseconds, cold conductors, bolted right at the fuse.';
export const LOWEST = 'Lowest: cold, aged, empty pack, hot conductors, an arc of 25 V at the far end, out and back.';
export const SOURCES = {
  network: 'Short in the solved network; τ = L/R with 0.5 µH per metre of conductor and 5 µH in the cells (generic)',
  slow: 'Melting on the slow edge of the curve, 1.1 · I_n (generic: ±10 %)',
} as const;
export const seconds = (value: number) => ({ value, dimension: 'time' as const });
export const i2t = (value: number) => ({ value, dimension: 'i2t' as const });

export interface Subject {
  readonly device: ResolvedDevice;
  readonly fuse: FusePart;
  readonly zone: FuseZone;
}

/** Runs a judgement for each fuse that has a part and meets currents; what is missing is said. */
export function eachFuse<Found extends Finding<string, string>>(
  context: Context,
  judge: (subject: Subject) => readonly Found[],
): (Found | Finding)[] {
  return fuseZones(context.vehicle).flatMap((zone): readonly (Found | Finding)[] => {
    const device = context.vehicle.deviceOf.get(zone.fuseId)!;
    const fuse = partOf(device, 'fuse');
    if (!fuse) return [needsPart(device)];
    if (context.fullV === null) return [{ subject: deviceRef(device), missing: NEEDS_CELLS }];
    return judge({ device, fuse, zone });
  });
}

export const at = (fuse: ClearingFuse, fault: Fault, throughA: number) =>
  clearing(fuse, { prospectiveA: throughA, timeConstantS: fault.timeConstantS, voltageV: fault.voltageV });

/** The most that a fuse may have to break: from the cells with the motor turning, or from the link capacitors alone. */
export function mostToBreak(vehicle: Vehicle, { fuseId, highest, highestA }: FuseZone) {
  if (!highest) return null;
  const feeds = faultFeeds(vehicle, highest);
  const motorA = feeds.motorA(fuseId);
  const capacitorA = feeds.capacitorPeakA(fuseId);
  return { cellsA: highestA, motorA, capacitorA, demandA: Math.max(highestA + motorA, capacitorA) };
}

/** Why a clearing I²t of this fuse means nothing yet; undefined when it is proved to break. */
export function notProved(context: Context, { device, fuse, zone }: Subject, alsoLowest: boolean): Finding['waitsFor'] {
  const ref = deviceRef(device);
  if (fuse.ratedVoltageDcV === null) return [{ ref, what: 'has a DC rating' }];
  const tau = zone.highest?.timeConstantS ?? 0;
  if ((context.fullV ?? 0) > usableDcVoltage({ ...fuse, ratedVoltageDcV: fuse.ratedVoltageDcV }, tau))
    return [{ ref, what: 'can break this voltage' }];
  if ((mostToBreak(context.vehicle, zone)?.demandA ?? 0) > fuse.breakingCapacityA)
    return [{ ref, what: 'can break the highest fault current' }];
  if (alsoLowest && zone.lowest && fuse.minimumBreakingMultiple * fuse.ratedCurrentA > zone.lowestA)
    return [{ ref, what: 'breaks the lowest fault current' }];
  return undefined;
}
