import { defineDevice } from './definition';

/** The body, where a wire of the traction circuit meets it. */
export const chassis = defineDevice({
  word: 'body',
  terminals: { n: 'hv' },
  part: null,
  traits: [],
  stands: 'body',
});
