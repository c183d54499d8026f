import { lumpAt, warmingTime } from './warming';

/** Heat of a cabin as one lump: walls and fresh air take it, a heater gives it. */

/** Specific heat of air, J/(kg·K). */
export const AIR_J_PER_KGK = 1006;

export interface CabinBalance {
  readonly lossWPerK: number;
  readonly freshKgPerS: number;
  /** Of the air that is blown, so much comes from inside. */
  readonly recirculated: number;
  readonly heatJPerK: number;
  readonly outsideC: number;
}

/** What a kelvin between inside and outside takes, W/K: walls, and the fresh part of the air. */
export const conductance = ({ lossWPerK, freshKgPerS, recirculated }: CabinBalance): number =>
  lossWPerK + freshKgPerS * AIR_J_PER_KGK * (1 - recirculated);

/** Power that holds a temperature inside, W. */
export const holdsW = (cabin: CabinBalance, insideC: number): number =>
  Math.max(0, conductance(cabin) * (insideC - cabin.outsideC));

/** Where a power leads in the end, °C. */
export const settlesAt = (cabin: CabinBalance, powerW: number): number => cabin.outsideC + powerW / conductance(cabin);

/** From as cold as outside to a temperature, s; null: never. */
export const warmUp = (cabin: CabinBalance, powerW: number, toC: number): number | null =>
  warmingTime({
    heatJPerK: cabin.heatJPerK,
    lossWPerK: conductance(cabin),
    powerW,
    fromC: cabin.outsideC,
    airC: cabin.outsideC,
    toC,
  });

/** Inside after a time, °C. */
export const insideAfter = (cabin: CabinBalance, powerW: number, timeS: number): number =>
  lumpAt(
    {
      heatJPerK: cabin.heatJPerK,
      lossWPerK: conductance(cabin),
      powerW,
      fromC: cabin.outsideC,
      airC: cabin.outsideC,
    },
    timeS,
  );

/**
 * What an element gives at another voltage than its own, W, as a band: a plain resistance follows the square of the voltage; one whose
 * resistance rises with its temperature stays cool below its knee and may give up to its cold inrush times that, never more than rated.
 */
export function elementBand(ratedW: number, ratedV: number, atV: number, inrush: number): readonly [number, number] {
  const square = ratedW * (atV / ratedV) ** 2;
  return atV >= ratedV ? [ratedW, square] : [square, Math.min(ratedW, square * inrush)];
}
