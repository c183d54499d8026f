import { ampacity } from './cable';
import { resistance20FromArea } from './conductor';

/** A bar may get this warm: its bolted joints last, and what it stands on is not hurt (engineering judgement), °C. */
export const BAR_LIMIT_C = 90;
/** Bright metal: a sleeve or a coat of paint radiates more. */
const BRIGHT = 0.1;

/**
 * What a copper bar carries for ever in still air, A, at least: as a round rod of its section, mm², which has the least surface that a
 * section can have; flat bars carry 30 to 45 % more (DIN 43671). 0: the place is as hot already.
 */
export function barAmpacityA(sectionMm2: number, ambientC: number, airPressurePa: number): number {
  return ampacity(
    {
      metal: 'copper',
      resistance20OhmPerM: resistance20FromArea(sectionMm2, 'copper'),
      conductorDiameterMm: 2 * Math.sqrt(sectionMm2 / Math.PI),
      layers: [],
    },
    {
      arrangement: 'single',
      loadedCircuits: 1,
      conduit: false,
      ambientC,
      airSpeedMPerS: 0,
      airPressurePa,
      emissivity: BRIGHT,
    },
    BAR_LIMIT_C,
  );
}
