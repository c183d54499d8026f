import { defineDevice } from './definition';

/** Handle that takes the supply off the coils. */
export const emergencyStop = defineDevice({
  word: 'emergency stop',
  terminals: { a: 'lv', b: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  opens: ['a', 'b'],
  through: ['a', 'b'],
});
