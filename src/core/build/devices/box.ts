import { defineDevice } from './definition';

/** Battery box: cells in series and side by side. */
export const box = defineDevice({
  word: 'battery box',
  terminals: { plus: 'hv', minus: 'hv' },
  part: 'cell',
  traits: ['leaks'],
  stands: 'source',
  sizeM: { lengthM: 0.7, widthM: 0.5, heightM: 0.3 },
  has: ['cellsInSeries', 'cellsInParallel', 'hold', 'trailer'],
});
