import { warmingTime } from '../physics/warming';
import type { Vehicle } from '../vehicle';
import { spanIn } from './plugged';
import { BOX_W_PER_K, CELL_J_PER_KGK } from './trip';
import { tripPack } from './trip-pack';

/** What warms the cells while it charges, W: heaters that are told to and joined then, with what they draw. */
export const padsW = (vehicle: Vehicle): number =>
  vehicle.devices.reduce(
    (sum, heater) =>
      heater.device.kind === 'heater' && heater.device.warmsCells === true && spanIn(vehicle, 'charging', heater) > 0
        ? sum + (heater.device.powersW?.charging ?? 0)
        : sum,
    0,
  );

export interface Warmed {
  readonly powerW: number;
  /** Null: they never get there. */
  readonly timeS: number | null;
}

/** Cells warmed by their pads from one temperature to another, in air as cold as they began; null: nothing warms them, or there are none. */
export function warmedBy(vehicle: Vehicle, fromC: number, toC: number): Warmed | null {
  const pack = tripPack(vehicle);
  const powerW = padsW(vehicle);
  if (!pack || !(powerW > 0)) return null;
  return {
    powerW,
    timeS: warmingTime({
      heatJPerK: pack.massKg * CELL_J_PER_KGK,
      lossWPerK: BOX_W_PER_K,
      powerW,
      fromC,
      toC,
      airC: fromC,
    }),
  };
}
