import { defineDevice } from './definition';

/** Capacitor by itself, between the poles. */
export const capacitor = defineDevice({
  word: 'capacitor',
  terminals: { plus: 'hv', minus: 'hv' },
  part: null,
  traits: [],
  stands: 'aside',
});
