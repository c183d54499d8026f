import { defineDevice } from './definition';

/** Point at which wires meet. */
export const junction = defineDevice({
  word: 'junction',
  terminals: { n: 'hv' },
  part: null,
  traits: [],
  stands: 'aside',
});
