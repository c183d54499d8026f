/** What the 12-volt side is made of, beside its wires. */

/** Times of use of the 12-volt side. */
export const SCENARIOS = ['night-rain-cold', 'day', 'parking', 'charging', 'parked'] as const;
export type ScenarioId = (typeof SCENARIOS)[number];

/** Decides how much drop it bears: lamps, control and sensors little, motors for seconds most. */
export const LOAD_SORTS = ['lamp', 'control', 'motor', 'heater', 'other'] as const;
export type LoadSort = (typeof LOAD_SORTS)[number];

/** What a load is there for, where others ask for it by what it does: schools, and what went with the engine. Names are for people. */
export const LOAD_JOBS = [
  'vacuum-pump',
  'brake-booster',
  'steering-pump',
  'column-assist',
  'coolant-pump',
  'blower',
  'seat',
  'screen-heat',
  'control-unit',
  'bms',
  'charge-gauge',
  'tachometer',
  'cabin-lamp',
] as const;
export type LoadJob = (typeof LOAD_JOBS)[number];

/** A load of the 12-volt side, beside its wires. */
export interface LvLoad {
  readonly sort: LoadSort;
  readonly job?: LoadJob;
  readonly kind: 'constant-power' | 'constant-resistance' | 'constant-current';
  /** W; of a resistance at the reference voltage; A of a current. */
  readonly rating: number;
  readonly referenceVoltageV?: number;
  /** Rating for seconds: inrush, stall, full assist. */
  readonly peakRating?: number;
  /** How long that lasts, s; absent: two seconds. */
  readonly peakS?: number;
  readonly essential: boolean;
  /** Share of the time that it is on in each scenario; absent: off. */
  readonly use: Readonly<Partial<Record<ScenarioId, number>>>;
  /** Lowest voltage at which it still does its work. */
  readonly minimumV?: number;
}

export interface AuxiliaryBatteryData {
  readonly chemistry: 'lead-flooded' | 'lead-agm' | 'lfp';
  readonly capacityAh: number;
  readonly ratedHours: number;
  /** New, warm, after seconds. */
  readonly resistanceOhm: number;
  /** LFP: its own electronics take it off here. */
  readonly cutOffV?: number;
}

/** The 12-volt side of a converter. */
export interface ConverterData {
  readonly outputV: number;
  readonly ratedPowerW: number;
  readonly efficiency: number;
  /** Share of the rating that is left in a hot place. */
  readonly hotShare?: number;
}
