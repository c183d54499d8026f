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
  /** Current that the electronics lets through, of the whole pack: [°C or state of charge, A], rising in the first. */
  readonly curves?: LimitCurves;
  /** Flooded lead: openings of its box for the gas, each of inlet and outlet, mm²; water above the plates of one cell, kg. */
  readonly ventMm2?: number;
  readonly waterReserveKg?: number;
  /** A second shunt current to look at beside it, A. */
  readonly otherA?: number;
  /** Between fullest and emptiest cell as charging begins, of the capacity: where no reading tells it. */
  readonly spreadSoc?: number;
  /** By how much one cell loses more than another in a month, of the capacity; and charges to their end in a month. */
  readonly leakSpread?: number;
  readonly fullCharges?: number;
  /** Cells that it has inputs for. */
  readonly channels?: number;
  /** It ends a charge; it holds the charger down to what its shunts take; it opens the contactors’ coils; its wires are fused at the cells. */
  readonly stopsCharger?: boolean;
  readonly throttlesCharger?: boolean;
  readonly opensCoils?: boolean;
  readonly senseFused?: boolean;
  /** Sense wires: the longest, of what cross-section, and pins of one plug, in the order of the row. */
  readonly senseM?: number;
  readonly senseMm2?: number;
  readonly sensePins?: number;
  /** It bleeds no cell while it reads. */
  readonly pausesBleeding?: boolean;
  /** It comes out of another vehicle; it looks for so many cells in a row, and counts with so much capacity, Ah. */
  readonly kept?: boolean;
  readonly keptCells?: number;
  readonly keptAh?: number;
  /** As read by meter between neighbouring sense wires at the open plug, at rest, from the row’s minus, V. */
  readonly tapsV?: readonly number[];
}
export const LIMIT_CURVES = ['dischargeByC', 'chargeByC', 'dischargeBySoc', 'chargeBySoc'] as const;
export type LimitCurveId = (typeof LIMIT_CURVES)[number];
export type CurvePoint = readonly [number, number];
export type LimitCurves = Readonly<Partial<Record<LimitCurveId, readonly CurvePoint[]>>>;
export const MOST_CURVE_POINTS = 20;
export const CELL_CARE_FLAGS = [
  'stopsCharger',
  'throttlesCharger',
  'opensCoils',
  'senseFused',
  'pausesBleeding',
  'kept',
] as const;
export type CellCareFlag = (typeof CELL_CARE_FLAGS)[number];

/**
 * one-bus: charger and inverter share it, torque is blocked in hardware. own-contactors: charging closes contactors of its own. changeover: one
 * switch that can’t be in both places.
 */
export const APART = ['one-bus', 'own-contactors', 'changeover'] as const;
/** Types of IEC 61008 and 62423; a-6ma with a sensor for direct current (IEC 62955); ccid: the breaker of a North American wall unit or cord (UL 2231). */
export const RESIDUAL = ['none', 'ac', 'a', 'a-6ma', 'b', 'ccid'] as const;
export const SEEN_END = ['lamp', 'two-lamps', 'gauge', 'nothing'] as const;
export const CHARGING_FLAGS = ['isolated', 'torqueBlocked', 'excluded', 'acHeld', 'trialSteady'] as const;
export type ChargingFlag = (typeof CHARGING_FLAGS)[number];

/** How a charger’s plug meets the car. */
export interface ChargerPlug {
  /** The charger stands outside: its plug carries the pack’s direct current. */
  readonly outside?: boolean;
  /** What tells the car that something is plugged in. */
  readonly seenBy?: (typeof SEEN_BY)[number];
  /** It goes in one way only. */
  readonly keyed?: boolean;
}
export const SEEN_BY = ['proximity', 'own-contact', 'nothing'] as const;

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
  /** The charger’s own timer and ampere-hour limit: it ends there, whatever the cells say. */
  readonly timeLimitS?: number;
  readonly chargeLimitAh?: number;
  /** Hours of the day, 0–24: when it has to be done, and when energy is cheap; and what a kWh costs then. */
  readonly readyH?: number;
  readonly cheapFromH?: number;
  readonly cheapToH?: number;
  readonly cheapPricePerKWh?: number;
  /** Mains and pack are isolated from each other inside the charger. */
  readonly isolated?: boolean;
  /** Plugged in, the inverter gets no enable, by hardware; run and charge contactors can’t both be closed, by hardware. */
  readonly torqueBlocked?: boolean;
  readonly excluded?: boolean;
  /** AC cable held where it moves, in a grommet through sheet metal, with a drip loop. */
  readonly acHeld?: boolean;
  /** How driving and charging are kept apart; absent: not told, and the circuit is taken as one bus. */
  readonly apart?: (typeof APART)[number];
  /** What looks for residual current between supply and charger. */
  readonly residual?: (typeof RESIDUAL)[number];
  /** AC cable in the car: line conductors and earth, mm², and what its insulation bears, °C. */
  readonly acMm2?: number;
  readonly acEarthMm2?: number;
  readonly acClassC?: number;
  /** Breaker or fuse in the car, within reach of the inlet, A. */
  readonly acBreakerA?: number;
  /** From the inlet’s earth pin to the body, as measured, Ω. */
  readonly earthOhm?: number;
  /** Lead: so much lower for each kelvin above 25 °C, and higher below, V a cell. */
  readonly perKelvinV?: number;
  /** What shows in the car that it charges, has ended, or has stopped with a fault. */
  readonly seenEnd?: (typeof SEEN_END)[number];
  /** A 12-volt charger that hangs on the same plug gives so much, A. */
  readonly trickleA?: number;
  /** The charger was tried near its lower end: at this pack voltage, and it gave steadily or hunted. */
  readonly trialV?: number;
  readonly trialSteady?: boolean;
  /** One charge as it was measured: at the wall, from and to. */
  readonly measuredJ?: number;
  readonly measuredS?: number;
  readonly measuredFromSoc?: number;
  readonly measuredToSoc?: number;
}

/** Of a file that holds the settings of a battery management alone. */
export const BMS_FORMAT = 'ropeway-bms';
export const BMS_VERSION = 1;
