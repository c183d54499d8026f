import type { Ref } from '../../checks';
import type { CellPart } from '../../parts';
import { isLithium } from '../../physics/cell-care';
import { packStrings, partOf, type Vehicle } from '../../vehicle';

export const CELLS_REF: Ref = { kind: 'build', id: 'bms', name: 'Battery management' };

/** Cells that are fitted, the first box of each. */
export const cellsOf = (vehicle: Vehicle): readonly CellPart[] =>
  vehicle.devices.flatMap((box) => (box.device.kind === 'box' ? (partOf(box, 'cell') ?? []) : []));

/** Lithium somewhere in the pack. */
export const lithiumIn = (vehicle: Vehicle): boolean => cellsOf(vehicle).some(({ chemistry }) => isLithium(chemistry));

/** Something sees every cell: electronics, or a regulator on each. */
export const watches = ({ build: { schools } }: Vehicle): boolean =>
  schools.bms !== undefined && schools.bms !== 'none';
/** Electronics that measures, not regulators alone. */
export const electronic = ({ build: { schools } }: Vehicle): boolean =>
  schools.bms === 'central' || schools.bms === 'distributed';

/** Cells in the whole pack that need an input: one for each group side by side. */
export const groupsOf = (vehicle: Vehicle): number =>
  vehicle.devices.reduce((sum, { device }) => sum + (device.kind === 'box' ? (device.cellsInSeries ?? 0) : 0), 0);

export const stringsOf = (vehicle: Vehicle): number => packStrings(vehicle).length;
