import { hottestAssumed, hottestDayC, inverterPowerW, partOf, type Vehicle } from '../vehicle';
import { CHARGER_EFFICIENCY, chargerOutputW, chargersOf } from './vehicle-charge';

/** Cooling without a loop, and charging at standstill, on the hottest day. */

/** Loss of inverters (reference of the trade: 0.94 to 0.98 efficient), and what moving air takes from a plate, W/(m²·K) (25 to 60). */
const INVERTER_LOSS = 0.04;
const AIR_W_PER_M2K = 30;
/** Grease between base and plate (reference of the trade), K/W. */
const GREASE_K_PER_W = 0.03;
/** The base of a controller, at most, where nobody told it (engineering judgement), °C. */
export const PLATE_C = 85;

export interface PlateHeat {
  readonly lossW: number;
  readonly airC: number;
  readonly baseC: number;
  readonly limitC: number;
  readonly assumed: readonly string[];
}

/** The controller’s base on a long climb. Null: no drive, or the plate is not told. */
export function plateHeat(vehicle: Vehicle): PlateHeat | null {
  const { plateM2, plateC } = vehicle.build.cooling ?? {};
  const drive = vehicle.devices.some((one) => one.device.kind === 'inverter' && partOf(one, 'inverter'));
  if (plateM2 === undefined || !drive) return null;
  const lossW = Math.abs(inverterPowerW(vehicle.build, 'hill')) * INVERTER_LOSS;
  const airC = hottestDayC(vehicle.build);
  return {
    lossW,
    airC,
    baseC: airC + lossW * (1 / (AIR_W_PER_M2K * plateM2) + GREASE_K_PER_W),
    limitC: plateC ?? PLATE_C,
    assumed: [
      ...hottestAssumed(vehicle.build),
      'The controller loses 4 %; moving air; grease under its base.',
      ...(plateC === undefined ? ['Its base bears what such controllers bear.'] : []),
    ],
  };
}

export interface ChargeCoolant {
  /** Null: what a charger gives is not told. */
  readonly lossW: number | null;
  /** Null: the loss, or what the radiator takes at standstill, is not told. */
  readonly coolantC: number | null;
  readonly assumed: readonly string[];
}

/** Coolant of chargers on board at standstill. Null: none of them is cooled by a loop. */
export function chargeCoolant(vehicle: Vehicle): ChargeCoolant | null {
  const cooled = chargersOf(vehicle).filter(
    (one) => one.device.plug?.outside !== true && partOf(one, 'bus-device')?.cooling === 'liquid',
  );
  if (cooled.length === 0) return null;
  const told = vehicle.build.charging?.efficiency;
  const gives = cooled.map(chargerOutputW);
  const lossW = gives.some((one) => one === null)
    ? null
    : gives.reduce<number>((sum, one) => sum + one!, 0) * (1 / (told ?? CHARGER_EFFICIENCY) - 1);
  const still = vehicle.build.cooling?.stillWPerK;
  return {
    lossW,
    coolantC: lossW === null || still === undefined ? null : hottestDayC(vehicle.build) + lossW / still,
    assumed: [
      ...hottestAssumed(vehicle.build),
      ...(told === undefined ? [`The charger is ${CHARGER_EFFICIENCY * 100} % efficient.`] : []),
    ],
  };
}
