import { defineDevice } from './definition';

/** Switching relay of the 12-volt side. */
export const relay = defineDevice({
  word: 'relay',
  terminals: { a: 'lv', b: 'lv', coilPlus: 'lv', coilMinus: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  opens: ['a', 'b'],
  through: ['a', 'b'],
  has: ['ratedA'],
});
