import type { Build } from '../types';
import { firn9 } from './firn-9';
import { larkspur } from './larkspur';
import { teasel } from './teasel';

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
  {
    key: 'larkspur',
    name: 'Larkspur',
    about:
      'Small four-seat estate, about 130 V of LFP in two boxes, one contactor and a hand switch, air heater, a small charger on board.',
    make: larkspur,
  },
  {
    key: 'teasel',
    name: 'Teasel',
    about: 'Vineyard tractor, 84 V of flooded lead, series DC motor. The old school, done properly.',
    make: teasel,
  },
];
export { firn9, larkspur, teasel };
