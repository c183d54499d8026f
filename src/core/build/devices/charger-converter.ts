import { defineDevice } from './definition';

/** Charger and converter in one case. */
export const chargerConverter = defineDevice({
  word: 'charger and converter',
  terminals: { plus: 'hv', minus: 'hv', lvPlus: 'lv', lvMinus: 'lv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks', 'feeds-12-v', 'charges'],
  stands: 'load',
  massKg: 14,
  sizeM: { lengthM: 0.36, widthM: 0.26, heightM: 0.12 },
  has: ['powersW', 'converter', 'plug'],
});
