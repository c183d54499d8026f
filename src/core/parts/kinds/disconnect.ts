import { flag, positive } from '../fields';
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
  },
});
