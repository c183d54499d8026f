import { defineDevice } from './definition';

/** Contactor or precharge relay of the traction circuit, with its coil on the 12-volt side. */
export const contactor = defineDevice({
  word: 'contactor',
  terminals: { a: 'hv', b: 'hv', coilPlus: 'lv', coilMinus: 'lv' },
  part: 'contactor',
  traits: [],
  stands: 'switch',
  massKg: 0.6,
  has: ['role', 'coilSuppression'],
});
