import { atLeast, choice, flag, optional, over, positive } from '../fields';
import { definePart } from './definition';

/** Cable by the metre. */
export const cable = definePart({
  kind: 'cable',
  words: 'Cables',
  fields: {
    areaMm2: positive(1000),
    metal: choice('copper', 'aluminium'),
    /** Whose table the resistance comes from; absent: road-vehicle sizes (ISO 19642). */
    conductorClass: optional(choice('iso19642', 'iec60228-5', 'awg')),
    resistance20OhmPerM: positive(10),
    insulation: choice('pvc', 'xlpe', 'xlpo', 'silicone'),
    conductorDiameterMm: positive(100),
    outerDiameterMm: over('conductorDiameterMm', positive(200)),
    temperatureClassC: atLeast(50, 300),
    ratedVoltageV: positive(5000),
    shielded: flag(),
    massKgPerM: positive(100),
  },
});
