/** Control and proximity pilot: SAE J1772 and IEC 61851-1. Figures from memory of the standards; verify in the edition that applies. */

/** none: no current may be drawn. digital: the duty says nothing, a digital link has to. current: what the duty says. */
export type PilotMeaning = 'none' | 'digital' | 'current';

/** The current that a duty allows, A; null where it allows none by itself. 8–10 % and 96–97 % are edges that count as 6 A and 80 A. */
export function pilotCurrent(dutyPercent: number): {
  readonly currentA: number | null;
  readonly meaning: PilotMeaning;
} {
  const d = dutyPercent;
  if (d >= 3 && d <= 7) return { currentA: null, meaning: 'digital' };
  if (d < 8 || d > 97) return { currentA: null, meaning: 'none' };
  const currentA = d < 10 ? 6 : d <= 85 ? 0.6 * d : d <= 96 ? 2.5 * (d - 64) : 80;
  return { currentA, meaning: 'current' };
}

/** Least and largest current that a duty can say, A. */
export const PILOT_LEAST_A = 6;
export const PILOT_MOST_A = 80;

/** The duty that says a current, %; null outside 6 to 80 A. */
export function pilotDuty(currentA: number): number | null {
  if (currentA < PILOT_LEAST_A || currentA > PILOT_MOST_A) return null;
  return currentA <= 51 ? currentA / 0.6 : currentA / 2.5 + 64;
}

export type PilotState = 'A' | 'B' | 'C' | 'D' | 'E' | 'F';
const NOMINAL_V: Readonly<Record<PilotState, number>> = { A: 12, B: 9, C: 6, D: 3, E: 0, F: -12 };
/** Both standards ask for the voltage within this of its state’s, V. */
export const PILOT_WITHIN_V = 1;

/** The state that a pilot’s positive half says, by the nearest nominal voltage; null between 0 V and −12 V, where there is none. */
export function pilotState(voltageV: number): PilotState | null {
  if (voltageV < -1.5 && voltageV > -10.5) return null;
  return (Object.keys(NOMINAL_V) as PilotState[]).reduce((p, one) =>
    Math.abs(NOMINAL_V[one] - voltageV) < Math.abs(NOMINAL_V[p] - voltageV) ? one : p,
  );
}
export const pilotNominalV = (state: PilotState): number => NOMINAL_V[state];

export interface PilotCircuit {
  /** Of the generator, ±V. */
  readonly supplyV: number;
  readonly sourceOhm: number;
  /** In the vehicle to earth, Ω; null: no vehicle. */
  readonly vehicleOhm: number | null;
  /** In series with it, V; null: there is none, which is a fault. */
  readonly diodeV: number | null;
}

/** What stands on the pilot in the positive and in the negative half, V. With its diode the vehicle draws in the positive half only. */
export function pilotVoltages({ supplyV, sourceOhm, vehicleOhm, diodeV }: PilotCircuit): {
  highV: number;
  lowV: number;
} {
  if (vehicleOhm === null) return { highV: supplyV, lowV: -supplyV };
  const share = vehicleOhm + sourceOhm > 0 ? vehicleOhm / (vehicleOhm + sourceOhm) : 0;
  if (diodeV === null) return { highV: supplyV * share, lowV: -supplyV * share };
  return { highV: supplyV <= diodeV ? supplyV : diodeV + (supplyV - diodeV) * share, lowV: -supplyV };
}

export type ProximityMeaning =
  | 'unplugged'
  | 'connected'
  | 'button-pressed'
  | 'short-circuit'
  | 'cable-current'
  | 'no-cable-known';

/** Inside the vehicle for the J1772 coupler: from 5 V, and to earth, Ω. */
const PULL_UP_OHM = 330;
const TO_EARTH_OHM = 2700;
const SUPPLY_V = 5;
/** Nominal voltages at the vehicle, by what the plug puts across: 150 Ω, 480 Ω, nothing. */
const J1772_V = { connected: 1.51, 'button-pressed': 2.76, unplugged: 4.46 } as const;

/** The voltage that a plug’s resistance makes at the vehicle, V; null: no plug. */
export function proximityVoltage(plugOhm: number | null): number {
  const ohm = plugOhm === null ? TO_EARTH_OHM : (plugOhm * TO_EARTH_OHM) / (plugOhm + TO_EARTH_OHM);
  return (SUPPLY_V * ohm) / (PULL_UP_OHM + ohm);
}

/** What a voltage at the J1772 vehicle’s proximity contact says, by the nearest nominal; under half a volt is a short. */
export function proximityByVoltage(voltageV: number): 'unplugged' | 'connected' | 'button-pressed' | 'short-circuit' {
  if (voltageV < 0.5) return 'short-circuit';
  const names = Object.keys(J1772_V) as (keyof typeof J1772_V)[];
  return names.reduce((p, one) => (Math.abs(J1772_V[one] - voltageV) < Math.abs(J1772_V[p] - voltageV) ? one : p));
}

/** Cable codes of the type 2 coupler: from a resistance upward, A. */
const CABLE_CODES: readonly (readonly [number, number])[] = [
  [75, 63],
  [150, 32],
  [330, 20],
  [1000, 13],
];
const NO_CABLE_OHM = 2700;

/** What a type 2 plug’s resistance says of its cable: 1500 Ω 13 A, 680 Ω 20 A, 220 Ω 32 A, 100 Ω 63 A. */
export function cableCode(plugOhm: number): { readonly meaning: ProximityMeaning; readonly currentA: number | null } {
  if (plugOhm < CABLE_CODES[0]![0]) return { meaning: 'short-circuit', currentA: null };
  if (plugOhm > NO_CABLE_OHM) return { meaning: 'no-cable-known', currentA: null };
  const [, currentA] = CABLE_CODES.filter(([least]) => plugOhm >= least).at(-1)!;
  return { meaning: 'cable-current', currentA };
}
