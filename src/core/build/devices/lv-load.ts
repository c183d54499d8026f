import { defineDevice } from './definition';

/** What draws from the 12-volt side. */
export const lvLoad = defineDevice({
  word: 'load',
  terminals: { plus: 'lv', minus: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  through: ['plus', 'minus'],
  has: ['load'],
});
