import { defineDevice } from './definition';

/** Resistor that empties the link. */
export const dischargeResistor = defineDevice({
  word: 'discharge resistor',
  terminals: { a: 'hv', b: 'hv' },
  part: 'resistor',
  traits: [],
  stands: 'series',
});
