import { applyEdit, type Build, type Id } from '../build';
import { packStringsOf } from './strings';
import { type Vehicle, vehicleOf } from './vehicle';

/** The build with some of its strings not there: a stage of the work, or what is left when the others have opened. */
export function withStrings(build: Build, keep: ReadonlySet<number>): Build {
  const ids = packStringsOf(build).flatMap((string, index): Id[] => (keep.has(index) ? [] : [...string.ids]));
  return ids.length === 0 ? build : applyEdit(build, { edit: 'leaveStringsOut', input: { ids } }).build;
}

const alone = new WeakMap<Vehicle, ReadonlyMap<number, Vehicle>>();

/** Each string carrying everything by itself, solved; empty with one string only. */
export function stringsAlone(vehicle: Vehicle): ReadonlyMap<number, Vehicle> {
  const known = alone.get(vehicle);
  if (known) return known;
  const strings = packStringsOf(vehicle.build);
  const made = new Map<number, Vehicle>();
  if (strings.length > 1)
    for (let index = 0; index < strings.length; index++)
      made.set(index, vehicleOf(withStrings(vehicle.build, new Set([index])), vehicle.memory.trial));
  alone.set(vehicle, made);
  return made;
}
