import { defineDevice } from './definition';

/** Fuse of the traction circuit. */
export const fuse = defineDevice({
  word: 'fuse',
  terminals: { a: 'hv', b: 'hv' },
  part: 'fuse',
  traits: [],
  stands: 'series',
  massKg: 0.3,
});
