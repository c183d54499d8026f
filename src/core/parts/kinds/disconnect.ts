import { atLeast, flag, nonNegative, optional, positive } from '../fields';
import { definePart } from './definition';

/** Service disconnect. */
export const disconnect = definePart({
  kind: 'disconnect',
  words: 'Disconnects',
  fields: {
    ratedVoltageV: positive(2000),
    ratedCurrentA: positive(100000),
    contactResistanceOhm: positive(1),
    breaksLoad: flag(),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
    /** Its voltage and what it breaks hold up to this altitude, m; absent: not stated. */
    toAltitudeM: optional(nonNegative(10000)),
  },
});
