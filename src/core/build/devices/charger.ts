import { defineDevice } from './definition';

/** Charger that feeds the pack. */
export const charger = defineDevice({
  word: 'charger',
  terminals: { plus: 'hv', minus: 'hv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks', 'charges'],
  stands: 'load',
  massKg: 9,
  sizeM: { lengthM: 0.32, widthM: 0.24, heightM: 0.12 },
  has: ['powersW', 'plug'],
});
