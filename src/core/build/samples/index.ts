import type { Build } from '../types';
import { firn9 } from './firn-9';

export interface Sample {
  readonly key: string;
  readonly name: string;
  readonly about: string;
  /** A fresh copy under an id that the edge made. */
  readonly make: (id: string) => Build;
}

export const SAMPLES: readonly Sample[] = [
  {
    key: 'firn-9',
    name: 'Firn 9',
    about:
      'Nine-seat mountain-hut shuttle, about 330 V, two salvaged boxes, both poles switched. Most of it holds; two fuses are wrong on purpose.',
    make: firn9,
  },
];
export { firn9 };
