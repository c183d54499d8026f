import { defineDevice } from './definition';

/** Fuse of the 12-volt side. */
export const lvFuse = defineDevice({
  word: 'fuse',
  terminals: { a: 'lv', b: 'lv' },
  part: 'fuse',
  traits: [],
  stands: 'aside',
  through: ['a', 'b'],
  has: ['way'],
});
