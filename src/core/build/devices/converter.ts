import { defineDevice } from './definition';

/** Converter from the traction voltage to 12 V. */
export const converter = defineDevice({
  word: 'converter',
  terminals: { plus: 'hv', minus: 'hv', lvPlus: 'lv', lvMinus: 'lv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks', 'feeds-12-v'],
  stands: 'load',
  massKg: 3,
  sizeM: { lengthM: 0.24, widthM: 0.18, heightM: 0.08 },
  has: ['powersW', 'converter'],
});
