import { airPressurePa } from '../physics/air';
import { barAmpacityA } from '../physics/bar';
import type { Resolved, ResolvedConductor } from './resolve';
import { conductorAmpacity } from './vehicle';

/** A bar of the traction circuit whose section is told. */
export interface Bar {
  /** Of one of those side by side, mm². */
  readonly sectionMm2: number;
  /** Air around it: of its own place, else the hotter of those that it joins, °C. */
  readonly airC: number;
  /** All side by side together, for ever, A. */
  readonly carriesA: number;
}

/** Null: it is no bar, or nobody measured it. */
export function barOf(vehicle: Resolved, { conductor, zone }: ResolvedConductor): Bar | null {
  const { kind, sectionMm2, parallel, a, b } = conductor;
  if (kind !== 'busbar' || sectionMm2 === undefined) return null;
  const airC =
    zone?.ambientC ?? Math.max(...[a, b].flatMap(({ deviceId }) => vehicle.deviceOf.get(deviceId)?.ambientC ?? []));
  return {
    sectionMm2,
    airC,
    carriesA: parallel * barAmpacityA(sectionMm2, airC, airPressurePa(vehicle.build.vehicle.altitudeM)),
  };
}

/** What a cable or a bar carries for ever in its place, A; null while part, place or section is missing. */
export const carriesA = (vehicle: Resolved, conductor: ResolvedConductor): number | null =>
  barOf(vehicle, conductor)?.carriesA ?? conductorAmpacity(conductor);
