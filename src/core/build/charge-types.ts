/** What watches the cells, and what it is set to. Absent: not told. */
export interface CellCare {
  /** Charging stops, and may go on again, V of the fullest cell. */
  readonly overV?: number;
  readonly overReleaseV?: number;
  /** Driving stops, and may go on again, V of the emptiest cell. */
  readonly underV?: number;
  readonly underReleaseV?: number;
  /** Cells are charged only between these, and the pack gives only up to the last, °C. */
  readonly chargeFromC?: number;
  readonly chargeToC?: number;
  readonly dischargeToC?: number;
  /** A cell above this voltage is bled, with this current, in this share of the time. */
  readonly balanceFromV?: number;
  readonly balanceA?: number;
  readonly balanceDuty?: number;
  /** Cells that it has inputs for. */
  readonly channels?: number;
  /** It ends a charge; it holds the charger down to what its shunts take; it opens the contactors’ coils; its wires are fused at the cells. */
  readonly stopsCharger?: boolean;
  readonly throttlesCharger?: boolean;
  readonly opensCoils?: boolean;
  readonly senseFused?: boolean;
  /** As read by meter between neighbouring sense wires at the open plug, at rest, from the row’s minus, V. */
  readonly tapsV?: readonly number[];
}
export const CELL_CARE_FLAGS = ['stopsCharger', 'throttlesCharger', 'opensCoils', 'senseFused'] as const;
export type CellCareFlag = (typeof CELL_CARE_FLAGS)[number];

/** How the pack is charged. Absent: not told. */
export interface Charging {
  /** What the charger is set to, for each cell, V. */
  readonly cellV?: number;
  /** It ends when the current is down to this, A, measured there. */
  readonly cutoffA?: number;
  readonly cutoffAt?: 'pack' | 'charger';
  /** What the charger gives at most, A. */
  readonly outputA?: number;
  readonly efficiency?: number;
  /** What the charging cable carries, and what the owner or the charger’s own setting holds it to, A of the supply. */
  readonly cordA?: number;
  readonly limitA?: number;
  /** Charge that it usually begins with, and the time that there is. */
  readonly fromSoc?: number;
  readonly nightS?: number;
  /** Mains and pack are isolated from each other inside the charger. */
  readonly isolated?: boolean;
  /** One charge as it was measured: at the wall, from and to. */
  readonly measuredJ?: number;
  readonly measuredS?: number;
  readonly measuredFromSoc?: number;
  readonly measuredToSoc?: number;
}
