import { defineDevice } from './definition';

/** Compressor of the air conditioning on the traction voltage. */
export const compressor = defineDevice({
  word: 'compressor',
  terminals: { plus: 'hv', minus: 'hv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks'],
  stands: 'load',
  massKg: 7,
  sizeM: { lengthM: 0.25, widthM: 0.16, heightM: 0.18 },
  has: ['powersW', 'coolsCellsW'],
});
