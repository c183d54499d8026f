import { defineDevice } from './definition';

/** Switch that opens in a crash. */
export const inertiaSwitch = defineDevice({
  word: 'inertia switch',
  terminals: { a: 'lv', b: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  opens: ['a', 'b'],
  through: ['a', 'b'],
});
