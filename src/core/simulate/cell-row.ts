import { packStrings, partOf, type ResolvedDevice, type Vehicle, wayOf } from '../vehicle';

/** Boxes with cells in them, in the order of the document. */
export const boxesWithCells = (vehicle: Vehicle): readonly ResolvedDevice[] =>
  vehicle.devices.filter((box) => box.device.kind === 'box' && partOf(box, 'cell') !== null);

/**
 * Boxes of the first string from the row’s minus to its plus, as the circuit joins them: read along the way of whatever hangs on them. Null where
 * nothing hangs on all of them yet, or they are not in one row.
 */
export function rowOfBoxes(vehicle: Vehicle): readonly ResolvedDevice[] | null {
  const strings = packStrings(vehicle);
  const boxes = boxesWithCells(vehicle);
  if (strings.length !== 1 || boxes.length === 0) return null;
  if (boxes.length === 1) return boxes;
  for (const device of vehicle.devices) {
    if (!('plus' in device.nodes && 'minus' in device.nodes) || device.device.kind === 'box') continue;
    const along = wayOf(vehicle, device)?.boxIds ?? [];
    if (along.length !== boxes.length) continue;
    // From the device’s plus one meets the row’s plus first.
    return [...along].reverse().map((id) => vehicle.deviceOf.get(id)!);
  }
  return null;
}

/** One cell of the row for whoever stands before it with a meter. */
export interface RowPlace {
  /** From 1, at the row’s minus; its wires are this and the next. */
  readonly cell: number;
  readonly box: string | null;
  readonly cellInBox: number | null;
}

/** Every cell of the row with its box; boxes are not named where their order is not told by the circuit. */
export function rowPlaces(vehicle: Vehicle): readonly RowPlace[] {
  const row = rowOfBoxes(vehicle);
  const boxes = row ?? boxesWithCells(vehicle);
  let cell = 0;
  return boxes.flatMap(({ device }) =>
    Array.from({ length: device.cellsInSeries ?? 0 }, (_, k): RowPlace => {
      cell += 1;
      return { cell, box: row ? device.name : null, cellInBox: row ? k + 1 : null };
    }),
  );
}
