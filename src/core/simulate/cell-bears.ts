import type { CellPart } from '../parts';
import { GENERIC_RATES, temperatureShare, temperaturesOf } from '../physics/cell-limits';
import { packStrings, partOf, type Vehicle } from '../vehicle';

export type CurrentWay = 'charge' | 'discharge';
/** For hours, for minutes, for about ten seconds. */
export type CurrentLasts = 0 | 1 | 2;

export interface CellBears {
  readonly currentA: number;
  /** Of the part’s sheet; undefined: generic, by `rate`. */
  readonly told: number | undefined;
  readonly rate: number;
  /** Share that the temperature leaves. */
  readonly share: number;
}

/** What one cell bears for a while at a temperature, A. Without a temperature: what it bears warm. */
export function cellBears(
  cell: CellPart,
  way: CurrentWay,
  lasts: CurrentLasts,
  temperatureC: number | null,
): CellBears {
  const rate = GENERIC_RATES[cell.chemistry][way][lasts];
  const [sustainedA, peakA] =
    way === 'charge' ? [cell.maxChargeA, cell.peakChargeA] : [cell.maxDischargeA, cell.peakDischargeA];
  const told = lasts === 2 ? (peakA ?? sustainedA) : sustainedA;
  const share = temperatureC === null ? 1 : temperatureShare(temperatureC, temperaturesOf(cell, way), way);
  return { currentA: (told ?? rate * cell.capacityAh) * share, told, rate, share };
}

/** The same of the whole pack: weakest box of each string, strings side by side; null without cells. */
export function packBears(
  vehicle: Vehicle,
  way: CurrentWay,
  lasts: CurrentLasts,
  temperatureC: number | null,
): number | null {
  const strings = packStrings(vehicle).flatMap(({ boxIds }) => {
    const each = boxIds.flatMap((id) => {
      const box = vehicle.deviceOf.get(id);
      const cell = partOf(box, 'cell');
      return box && cell
        ? [cellBears(cell, way, lasts, temperatureC).currentA * (box.device.cellsInParallel ?? 1)]
        : [];
    });
    return each.length === 0 ? [] : [Math.min(...each)];
  });
  return strings.length === 0 ? null : strings.reduce((sum, ampere) => sum + ampere, 0);
}
