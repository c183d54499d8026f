import { defineDevice } from './definition';

/** Service disconnect, with an auxiliary contact for the coil circuit. */
export const disconnect = defineDevice({
  word: 'service disconnect',
  terminals: { a: 'hv', b: 'hv', auxA: 'lv', auxB: 'lv' },
  part: 'disconnect',
  traits: [],
  stands: 'switch',
  massKg: 0.8,
  opens: ['auxA', 'auxB'],
});
