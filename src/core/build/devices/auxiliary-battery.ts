import { defineDevice } from './definition';

/** Battery of the 12-volt side. */
export const auxiliaryBattery = defineDevice({
  word: 'auxiliary battery',
  terminals: { plus: 'lv', minus: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
  massKg: 12,
  sizeM: { lengthM: 0.24, widthM: 0.17, heightM: 0.19 },
  through: ['plus', 'minus'],
  has: ['battery'],
});
