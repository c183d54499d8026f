import { defineDevice } from './definition';

/** Point at which wires of the 12-volt side meet. */
export const lvJunction = defineDevice({
  word: 'junction',
  terminals: { n: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
});
