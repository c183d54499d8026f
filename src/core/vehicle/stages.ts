import { applyEdit, type Build, type Id } from '../build';
import { Follows } from './memory';
import { packStringsOf } from './strings';
import { type Vehicle, vehicleOf } from './vehicle';

/** The build with some of its strings not there: a stage of the work, or what is left when the others have opened. */
export function withStrings(build: Build, keep: ReadonlySet<number>): Build {
  const ids = packStringsOf(build).flatMap((string, index): Id[] => (keep.has(index) ? [] : [...string.ids]));
  return ids.length === 0 ? build : applyEdit(build, { edit: 'leaveStringsOut', input: { ids } }).build;
}

const alone = new Follows<Vehicle, ReadonlyMap<number, Vehicle>>();

/** Each string carrying everything by itself, solved; empty with one string only. */
export const stringsAlone = (vehicle: Vehicle): ReadonlyMap<number, Vehicle> =>
  alone.get(vehicle, () => solveAlone(vehicle));

function solveAlone(vehicle: Vehicle): ReadonlyMap<number, Vehicle> {
  const strings = packStringsOf(vehicle.build);
  const made = new Map<number, Vehicle>();
  if (strings.length > 1)
    for (let index = 0; index < strings.length; index++)
      made.set(index, vehicleOf(withStrings(vehicle.build, new Set([index])), vehicle.memory.trial));
  return made;
}
