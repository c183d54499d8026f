import { lumpAt } from './warming';

/** Discs and drums of all wheels as one lump of cast iron. */

/** Cast iron, J/(kg·K). */
const IRON_J_PER_KGK = 460;
/** What moving air takes from them, W/K for each kilogram (generic: 20 kg at 15 m/s lose about 60 W/K). */
const AIR_W_PER_KGK = 3;
/** Road pads fade and old fluid boils from about here on (reference of the trade), °C. */
export const FADE_C = 350;

/** Temperature after braking with a power for so long, °C. */
export const brakeC = (ironKg: number, powerW: number, timeS: number, airC: number): number =>
  lumpAt(
    {
      heatJPerK: ironKg * IRON_J_PER_KGK,
      lossWPerK: ironKg * AIR_W_PER_KGK,
      powerW,
      fromC: airC,
      airC,
    },
    timeS,
  );
