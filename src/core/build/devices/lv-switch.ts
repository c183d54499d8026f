import { defineDevice } from './definition';

/** Switch of the 12-volt side. */
export const lvSwitch = defineDevice({
  word: 'switch',
  terminals: { a: 'lv', b: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  opens: ['a', 'b'],
  through: ['a', 'b'],
  has: ['ratedA', 'opensParked'],
});
