import { defineDevice } from './definition';

/** Earth point on the body. */
export const earth = defineDevice({
  word: 'earth point',
  terminals: { n: 'lv' },
  part: null,
  traits: [],
  stands: 'aside',
});
