import { defineDevice } from './definition';

/** Shunt or current sensor in a wire. */
export const sensor = defineDevice({
  word: 'current sensor',
  terminals: { a: 'hv', b: 'hv' },
  part: 'sensor',
  traits: [],
  stands: 'series',
});
