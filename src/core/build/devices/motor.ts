import { defineDevice } from './definition';

/** Motor, by its phases. */
export const motor = defineDevice({
  word: 'motor',
  terminals: { u: 'hv', v: 'hv', w: 'hv' },
  part: 'motor',
  traits: ['leaks'],
  stands: 'aside',
  massKg: 60,
  sizeM: { lengthM: 0.4, widthM: 0.3, heightM: 0.3 },
  has: ['torqueShare', 'gearing'],
});

/** Terminals of a motor, and those of an inverter that lead to one. */
export const PHASES: ReadonlySet<string> = new Set(Object.keys(motor.terminals));
