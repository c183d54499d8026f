import { defineDevice } from './definition';

/** Contact of lids and plugs in the coils’ feed. */
export const interlockContact = defineDevice({
  word: 'interlock contact',
  terminals: { a: 'lv', b: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  opens: ['a', 'b'],
  through: ['a', 'b'],
});
