import { atLeast, optional, positive } from '../fields';
import { definePart } from './definition';

/** Shunt or current sensor. */
export const sensor = definePart({
  kind: 'sensor',
  words: 'Current sensors',
  fields: {
    resistanceOhm: positive(1),
    ratedCurrentA: positive(100000),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
  },
});
