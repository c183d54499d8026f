import { airPressurePa } from '../physics/air';
import { barAmpacityA } from '../physics/bar';
import { UNKNOWN_AMBIENT_C } from './assumed';
import type { Resolved, ResolvedConductor, ResolvedDevice } from './resolve';
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

/** What a conductor ends at. */
export const joinedBy = (vehicle: Resolved, { conductor: { a, b } }: ResolvedConductor): readonly ResolvedDevice[] =>
  [a, b].flatMap(({ deviceId }) => vehicle.deviceOf.get(deviceId) ?? []);

/** Null: it is no bar, or nobody measured it. */
export function barOf(vehicle: Resolved, one: ResolvedConductor): Bar | null {
  const { kind, sectionMm2, parallel } = one.conductor;
  if (kind !== 'busbar' || sectionMm2 === undefined) return null;
  const around = joinedBy(vehicle, one).map(({ ambientC }) => ambientC);
  const airC = one.zone?.ambientC ?? (around.length > 0 ? Math.max(...around) : UNKNOWN_AMBIENT_C);
  return {
    sectionMm2,
    airC,
    carriesA: parallel * barAmpacityA(sectionMm2, airC, airPressurePa(vehicle.build.vehicle.altitudeM)),
  };
}

/** What a cable or a bar carries for ever in its place, A; null while part, place or section is missing. */
export const carriesA = (vehicle: Resolved, conductor: ResolvedConductor): number | null =>
  barOf(vehicle, conductor)?.carriesA ?? conductorAmpacity(conductor);
