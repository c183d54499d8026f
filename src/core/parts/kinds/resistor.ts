import { positive } from '../fields';
import { definePart } from './definition';

/** Resistor for precharge or discharge. */
export const resistor = definePart({
  kind: 'resistor',
  words: 'Resistors',
  fields: {
    resistanceOhm: positive(1e8),
    ratedPowerW: positive(1e5),
    /** Energy that one pulse of about a second may bring, cold start. */
    pulseEnergyJ: positive(1e7),
    ratedVoltageV: positive(10000),
  },
});
