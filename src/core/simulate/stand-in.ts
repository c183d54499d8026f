import {
  cableCode,
  PILOT_WITHIN_V,
  pilotCurrent,
  pilotNominalV,
  pilotState,
  pilotVoltages,
  proximityByVoltage,
  proximityVoltage,
} from '../physics/pilot';

/** What somebody sets on a stand-in for a wall unit and its plug. */
export interface StandIn {
  readonly vehicle: 'unplugged' | 'connected' | 'ready' | 'ventilation' | 'wrong-resistor';
  readonly fault: 'none' | 'no-diode' | 'earth-lost' | 'pilot-to-earth';
  /** Of the oscillator, %; 100: it is steady. */
  readonly dutyPercent: number;
  readonly plug: 'type2' | 'j1772';
  /** In the plug, Ω; null: no plug. */
  readonly plugOhm: number | null;
}

export interface StandInSays {
  readonly highV: number;
  readonly lowV: number;
  readonly state: 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | null;
  /** What the car may draw, A; 0: nothing. */
  readonly mostA: number;
  /** Of the proximity contact, V; null: a type 2 plug is measured by its resistance. */
  readonly proximityV: number | null;
  /** What the car has to do, first things first. */
  readonly must: readonly string[];
}

const SOURCE_OHM = 1000;
const SUPPLY_V = 12;
const DIODE_V = 0.7;
/** Resistances in the vehicle, behind its diode, Ω: connected 2740, with 1300 beside it ready, 330 instead: ventilation; a wrong one. */
const VEHICLE_OHM = { unplugged: null, connected: 2740, ready: 882, ventilation: 246, 'wrong-resistor': 1600 } as const;

/** A stand-in as it is set: voltages on the pilot, the state that they say, and what the car has to do. */
export function standIn({ vehicle, fault, dutyPercent, plug, plugOhm }: StandIn): StandInSays {
  const { highV, lowV } =
    fault === 'pilot-to-earth'
      ? { highV: 0, lowV: 0 }
      : fault === 'earth-lost'
        ? { highV: SUPPLY_V, lowV: -SUPPLY_V }
        : pilotVoltages({
            supplyV: SUPPLY_V,
            sourceOhm: SOURCE_OHM,
            vehicleOhm: VEHICLE_OHM[vehicle],
            diodeV: fault === 'no-diode' ? null : DIODE_V,
          });
  const state = pilotState(highV);
  const steady = dutyPercent >= 100;
  const near = state !== null && Math.abs(highV - pilotNominalV(state)) <= PILOT_WITHIN_V;
  const diode = vehicle === 'unplugged' || steady || lowV < -SUPPLY_V + PILOT_WITHIN_V;
  const { currentA, meaning } = steady ? { currentA: null, meaning: 'none' as const } : pilotCurrent(dutyPercent);
  const code = plug === 'type2' && plugOhm !== null ? cableCode(plugOhm) : null;
  const proximityV = plug === 'j1772' ? proximityVoltage(plugOhm) : null;
  const plugSays = proximityV === null ? null : proximityByVoltage(proximityV);
  const plugged = plug === 'j1772' ? plugSays !== 'unplugged' : plugOhm !== null && code?.meaning !== 'no-cable-known';
  const closed = (state === 'C' || state === 'D') && near && diode && meaning === 'current' && currentA !== null;
  const cableA = code === null ? Number.POSITIVE_INFINITY : (code.currentA ?? 0);
  const latched = plugSays === null || plugSays === 'connected';
  const mostA = closed && latched && plugged ? Math.min(currentA, cableA) : 0;
  const must = [
    ...(plugged || fault === 'earth-lost' ? ['keep the drive locked'] : []),
    ...(state === 'A' && plugged ? ['draw nothing: the pilot or the earth is open'] : []),
    ...(state === 'E' ? ['draw nothing and open the charge contactor: pilot to earth, or no supply'] : []),
    ...(!diode ? ['the wall unit sees no diode and closes nothing'] : []),
    ...(state !== null && state !== 'A' && state !== 'E' && state !== 'F' && !near
      ? ['no state: a wrong resistor, the wall unit closes nothing']
      : []),
    ...(state === 'B' && near ? ['wait: connected, not ready'] : []),
    ...(state === 'D' && near ? ['charge only where the room is aired'] : []),
    ...(meaning === 'digital' ? ['draw nothing until a digital link says the current'] : []),
    ...(steady && plugged ? ['draw nothing: the wall unit is not ready'] : []),
    ...(meaning === 'none' && !steady ? ['draw nothing: this duty allows no current'] : []),
    ...(plugSays === 'button-pressed' ? ['take the current down before the latch opens'] : []),
    ...(code?.meaning === 'short-circuit' || plugSays === 'short-circuit'
      ? ['draw nothing: the plug’s resistor is shorted']
      : []),
  ];
  return { highV, lowV, state, mostA, proximityV, must };
}
