import { defineDevice } from './definition';

/** Heater on the traction voltage. */
export const heater = defineDevice({
  word: 'heater',
  terminals: { plus: 'hv', minus: 'hv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks'],
  stands: 'load',
  massKg: 3,
  sizeM: { lengthM: 0.24, widthM: 0.14, heightM: 0.1 },
  has: ['powersW', 'warmsCells'],
});
