import type { DriveRecord, Id } from '../build';
import { resistanceTemperatureFactor } from '../physics/cell';
import { partOf, type Vehicle } from '../vehicle';
import { boxesWithCells } from './cell-row';

/** A cell of a drive, counted from 1 at the row’s minus. */
export interface NamedCell {
  readonly cell: number;
  readonly value: number;
}

export interface DriveFindings {
  readonly drive: DriveRecord;
  /** Lowest under load, and at rest; null: not told. */
  readonly weakest: NamedCell | null;
  readonly lowestAtRest: NamedCell | null;
  readonly restSpreadV: number | null;
  /** Of all cells with one, Ω. */
  readonly medianOhm: number | null;
  readonly highestOhm: NamedCell | null;
  /** Far more than the median: bad joints, or aged cells. */
  readonly joints: readonly NamedCell[];
  /** Under the low mark, with the time there, s. */
  readonly low: readonly NamedCell[];
}

/** So far above the median a resistance stands out: as a factor, and by so much, Ω (a good joint is 0.05–0.2 mΩ). */
const STANDS_OUT = 1.5;
const JOINT_OHM = 0.0002;

const median = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** What a drive says: weakest cells, joints that stand out, cells under the mark. */
export function driveFindings(drive: DriveRecord): DriveFindings {
  const told = (pick: (cell: DriveRecord['cells'][number]) => number | null): NamedCell[] =>
    drive.cells.flatMap((cell, k) => {
      const value = pick(cell);
      return value === null ? [] : [{ cell: k + 1, value }];
    });
  const least = (cells: readonly NamedCell[]): NamedCell | null =>
    cells.reduce<NamedCell | null>((low, one) => (low === null || one.value < low.value ? one : low), null);
  const most = (cells: readonly NamedCell[]): NamedCell | null =>
    cells.reduce<NamedCell | null>((high, one) => (high === null || one.value > high.value ? one : high), null);
  // A resistance below nothing is no reading of one.
  const ohms = told(({ resistanceOhm }) => (resistanceOhm !== null && resistanceOhm > 0 ? resistanceOhm : null));
  const rests = told(({ restV }) => restV);
  const medianOhm = ohms.length === 0 ? null : median(ohms.map(({ value }) => value).sort((p, q) => p - q));
  const lowestAtRest = least(rests);
  return {
    drive,
    weakest: least(told(({ lowestV }) => lowestV)),
    lowestAtRest,
    restSpreadV: rests.length < 2 ? null : most(rests)!.value - lowestAtRest!.value,
    medianOhm,
    highestOhm: most(ohms),
    joints:
      medianOhm === null || ohms.length < 3
        ? []
        : ohms.filter(({ value }) => value > STANDS_OUT * medianOhm && value - medianOhm > JOINT_OHM),
    low: told(({ lowS }) => (lowS > 0 ? lowS : null)),
  };
}

/** The drives of a build, oldest first. */
export const drivesOf = ({ build }: Vehicle): readonly DriveRecord[] =>
  Object.values(build.drives ?? {}).sort((p, q) => (p.date < q.date ? -1 : p.date > q.date ? 1 : 0));

/** What is asked of a drive: how low cells were pulled, which only a load tells, or what they resist. */
export type AskedOfDrive = 'low' | 'resistance';

/** Cells that a drive answers it for. */
const cellsRead = (drive: DriveRecord, asked: AskedOfDrive): number =>
  drive.cells.filter(({ lowestV, resistanceOhm }) =>
    asked === 'resistance'
      ? resistanceOhm !== null && resistanceOhm > 0
      : lowestV !== null && (drive.from === 'log' || drive.peakA !== null),
  ).length;

/**
 * The drives that still count, oldest first: the last one that answers for every cell, and what was read since. A few cells, or all of them
 * at rest, clear nothing that a whole log found.
 */
export function drivesThatCount(vehicle: Vehicle, cells: number, asked: AskedOfDrive): readonly DriveRecord[] {
  const drives = drivesOf(vehicle);
  const whole = drives.findLastIndex((drive) => cellsRead(drive, asked) >= cells);
  return whole < 0 ? drives : drives.slice(whole);
}

/** What is said where not every cell was read. */
export function unreadCells(drives: readonly DriveRecord[], cells: number, asked: AskedOfDrive): readonly string[] {
  const most = Math.max(0, ...drives.map((drive) => cellsRead(drive, asked)));
  return most < cells ? [`${most} of ${cells} cells were read.`] : [];
}

export const latestDrive = (vehicle: Vehicle): DriveRecord | null => drivesOf(vehicle).at(-1) ?? null;

/**
 * Resistance of one cell as a drive measured it, at 25 °C, for every box: the median of all, without the links, which are no part of the cell; times the
 * cells side by side. Null where boxes differ in cells, or the drive does not tell. `conditions` says what was taken off.
 */
export function measuredCellOhm(
  vehicle: Vehicle,
  drive: DriveRecord,
): { readonly ohm: number; readonly boxIds: readonly Id[]; readonly temperatureC: number | null } | null {
  const { medianOhm } = driveFindings(drive);
  const boxes = boxesWithCells(vehicle);
  const kinds = new Set(boxes.map(({ device }) => `${device.partId} ${device.cellsInParallel ?? 1}`));
  const [first] = boxes;
  const groups = boxes.reduce((sum, { device }) => sum + (device.cellsInSeries ?? 0), 0);
  const read = drive.cells.filter(({ resistanceOhm }) => resistanceOhm !== null && resistanceOhm > 0).length;
  // A few cells stand for no pack.
  if (medianOhm === null || !first || kinds.size !== 1 || read < groups / 2) return null;
  const cell = partOf(first, 'cell')!;
  const group = medianOhm - cell.linkResistanceOhm;
  const temperatureC = drive.hottestC;
  const factor = temperatureC === null ? 1 : resistanceTemperatureFactor(temperatureC);
  const ohm = (group * (first.device.cellsInParallel ?? 1)) / factor;
  return ohm > 0 ? { ohm, boxIds: boxes.map(({ id }) => id), temperatureC } : null;
}
