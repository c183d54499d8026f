import { defineDevice } from './definition';

/** Inverter or motor controller. */
export const inverter = defineDevice({
  word: 'inverter',
  terminals: { plus: 'hv', minus: 'hv', u: 'hv', v: 'hv', w: 'hv' },
  part: 'inverter',
  traits: ['consumer', 'windowed', 'leaks'],
  stands: 'load',
  massKg: 14,
  sizeM: { lengthM: 0.35, widthM: 0.28, heightM: 0.15 },
  has: ['powersW'],
});
