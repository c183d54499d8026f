/** What one drive said of one cell, or of cells side by side; null: nothing. */
export interface DriveCell {
  readonly lowestV: number | null;
  /** At rest, V. */
  readonly restV: number | null;
  /** From steps of the current, with its links, Ω. */
  readonly resistanceOhm: number | null;
  /** Under the low mark, s. */
  readonly lowS: number;
}

/** What is kept of a log, or of a few cells read by meter: never the log itself. */
export interface DriveRecord {
  readonly id: string;
  /** ISO date. */
  readonly date: string;
  readonly name: string;
  readonly from: 'log' | 'typed';
  readonly durationS: number | null;
  readonly outC: number | null;
  readonly backC: number | null;
  readonly peakA: number | null;
  /** Voltage under which a cell counted as low, V. */
  readonly lowV: number | null;
  readonly hottestC: number | null;
  /** By number from the row’s minus. */
  readonly cells: readonly DriveCell[];
}
export const MOST_DRIVES = 500;
export const MOST_DRIVE_CELLS = 2000;

/** How the pack was on a day: a capacity test, what the car shows, what stood in its memory. */
export interface HealthRecord {
  readonly id: string;
  /** ISO date. */
  readonly date: string;
  readonly odometerM: number | null;
  /** Of a whole discharge at a moderate current, of the pack, Ah; null: not tested. */
  readonly capacityAh: number | null;
  readonly fastCharges: number | null;
  readonly slowCharges: number | null;
  /** Fault codes, what was done. */
  readonly note: string;
}
export const MOST_HEALTH = 500;
