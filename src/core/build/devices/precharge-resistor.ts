import { defineDevice } from './definition';

/** Resistor through which the link is charged. */
export const prechargeResistor = defineDevice({
  word: 'precharge resistor',
  terminals: { a: 'hv', b: 'hv' },
  part: 'resistor',
  traits: [],
  stands: 'series',
});
