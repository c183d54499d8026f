import { applyEdit, type Build, type Edit, EditRefused } from '../build';
import { COMFORT } from '../checks';
import type { CablePart } from '../parts';
import { shorts } from '../simulate';
import { Memory, vehicleOf } from '../vehicle';

/** Whether every new conductor of an edit stands its shorts; one that no fuse ends is no matter of its size. */
function stands(build: Build, edit: Edit, memory: Memory): boolean {
  let made: Build;
  try {
    made = applyEdit(build, edit).build;
  } catch (error) {
    if (error instanceof EditRefused) return true;
    throw error;
  }
  const before = build.circuits.hv.conductors;
  return [...shorts(vehicleOf(made, memory)).values()].every(
    ({ conductorId, withstand, all }) =>
      Object.hasOwn(before, conductorId) ||
      withstand === null ||
      all.every(({ i2tA2s }) => i2tA2s === null || i2tA2s <= (1 - COMFORT) * withstand.limitA2s),
  );
}

/**
 * The thinnest of `cables` (thin to thick) with which what an edit lays stands its shorts, by the function that the ledger judges by; the
 * thickest where none does.
 */
export function thickEnough(
  build: Build,
  cables: readonly CablePart[],
  edit: (cable: CablePart) => Edit,
  memory: Memory = new Memory(),
): CablePart {
  return cables.find((cable) => stands(build, edit(cable), memory)) ?? cables.at(-1)!;
}
