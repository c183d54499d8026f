import { packStrings, partOf, type Vehicle } from '../../vehicle';

/** Gross energy of all strings, J: Σ capacity of the weakest box · nominal voltage. Null without cells. */
export function packEnergies(vehicle: Vehicle): { readonly grossJ: number } | null {
  let grossJ = 0;
  for (const { boxIds } of packStrings(vehicle)) {
    const boxes = boxIds.flatMap((id) => {
      const box = vehicle.deviceOf.get(id)!;
      const cell = partOf(box, 'cell');
      return cell ? [{ cell, series: box.device.cellsInSeries ?? 0, parallel: box.device.cellsInParallel ?? 1 }] : [];
    });
    if (boxes.length === 0) continue;
    const volts = boxes.reduce((sum, { cell, series }) => sum + series * cell.nominalV, 0);
    grossJ += 3600 * volts * Math.min(...boxes.map(({ cell, parallel }) => cell.capacityAh * parallel));
  }
  return grossJ > 0 ? { grossJ } : null;
}
