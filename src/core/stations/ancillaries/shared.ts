import type { Ancillary, LoadJob } from '../../build';
import type { Finding, Ref } from '../../checks';
import { type LowLoad, lowVoltage, type Vehicle } from '../../vehicle';

export const BRAKES_REF: Ref = { kind: 'build', id: 'brakes', name: 'Brakes' };
export const STEERING_REF: Ref = { kind: 'build', id: 'steering', name: 'Steering' };
export const HEATING_REF: Ref = { kind: 'build', id: 'heating', name: 'Heating' };
export const COOLING_REF: Ref = { kind: 'build', id: 'cooling', name: 'Cooling' };

/** Part of a system, with a name of its own in the ledger. */
export const partOfSystem = (ref: Ref, id: string, name: string): Ref => ({ ...ref, id: `${ref.id}-${id}`, name });

export const asks = (subject: Ref, ...what: readonly string[]): Finding => ({
  subject,
  missing: what.map((one) => ({ ref: subject, what: one })),
});

/** Loads of the 12-volt side that are there for this. */
export const loadsFor = (vehicle: Vehicle, job: LoadJob): readonly LowLoad[] =>
  lowVoltage(vehicle).loads.filter(({ load }) => load.job === job);

/** A system that this build has: its design choice, or a load that does its work. */
export const has = {
  vacuum: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.brakes === 'vacuum-pump' || loadsFor(vehicle, 'vacuum-pump').length > 0,
  booster: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.brakes === 'electric-booster' || loadsFor(vehicle, 'brake-booster').length > 0,
  hydraulic: (vehicle: Vehicle): boolean =>
    vehicle.build.schools.steering?.startsWith('pump') === true || loadsFor(vehicle, 'steering-pump').length > 0,
  column: (vehicle: Vehicle): boolean => vehicle.build.schools.steering === 'column',
} as const;

export interface YesNoRule {
  readonly id: string;
  readonly system: Ancillary;
  readonly flag: string;
}
