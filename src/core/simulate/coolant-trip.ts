import { COOLANT_J_PER_KGK, COOLANT_KG_PER_L, effectiveness, streamWPerK } from '../physics/coolant';
import { hottestDayC, type Vehicle } from '../vehicle';
import { INVERTER, loopFlow, MOTOR } from './coolant-loop';
import { cellVoltages } from './recharge-lamp';
import { tripPack } from './trip-pack';
import type { TripRuns } from './trip-runs';

/** The loop of inverter and motor over the usual trip on the hottest day, as one lump of coolant and metal. */

/** Metal of inverter, motor’s jacket and radiator that warms along (reference of the trade: inverter 2 to 4 kJ/K, motor 10 to 25), J/K. */
const METAL_J_PER_K = 15e3;
/** Slower than this no wind helps the radiator, m/s. */
const WIND_FROM = 3;

export interface CoolantTrip {
  /** Coolant into the inverter, °C, over time, s. */
  readonly curve: readonly { readonly t: number; readonly inletC: number }[];
  readonly hottestC: number;
}

/** Null: the loop is not told, or the trip is not driven. Standing, the radiator gives what it does at standstill; a tenth of driving where that is not told. */
export function coolantTrip(vehicle: Vehicle, trip: TripRuns | null): CoolantTrip | null {
  const flowLPerMin = loopFlow(vehicle);
  const { radiatorWPerK, stillWPerK, coolantL, motorFirst = false } = vehicle.build.cooling ?? {};
  const pack = tripPack(vehicle);
  if (flowLPerMin === null || radiatorWPerK === undefined || !pack || !trip) return null;
  const airC = hottestDayC(vehicle.build);
  const stream = streamWPerK(flowLPerMin);
  const heatJPerK = (coolantL ?? 4) * COOLANT_KG_PER_L * COOLANT_J_PER_KGK + METAL_J_PER_K;
  const volts = cellVoltages(pack, trip.mild, 1);
  let hotC = airC;
  let hottestC = airC;
  const curve = trip.mild.curve.map(({ timeS, speedMPerS, currentA }, k) => {
    const next = trip.mild.curve[k + 1];
    const radiator = speedMPerS > WIND_FROM ? radiatorWPerK : (stillWPerK ?? radiatorWPerK / 10);
    const takes = effectiveness(radiator, stream) * stream;
    const power = Math.abs(currentA) * volts[k]!.cellV * pack.cellsInSeries;
    const motorW = power * INVERTER * (1 - MOTOR);
    const lossW = power * (1 - INVERTER) + motorW;
    // Behind the radiator, and behind the motor where the stream comes to that first.
    const inletC = hotC - (takes * (hotC - airC)) / stream + (motorFirst ? motorW / stream : 0);
    hottestC = Math.max(hottestC, inletC);
    if (next) {
      // The lump’s own exponential over the step: stable however long it is.
      const settles = airC + lossW / takes;
      hotC = settles + (hotC - settles) * Math.exp((-(next.timeS - timeS) * takes) / heatJPerK);
    }
    return { t: timeS, inletC };
  });
  return { curve, hottestC };
}
