import type { Build } from '../types';
import { SAMPLE_CARDS, type SampleCard } from './cards';
import { firn9 } from './firn-9';
import { larkspur } from './larkspur';
import { teasel } from './teasel';

export interface Sample extends SampleCard {
  /** A fresh copy under an id that the edge made. */
  readonly make: (id: string) => Build;
}

const MAKERS: Readonly<Record<SampleCard['key'], Sample['make']>> = { 'firn-9': firn9, larkspur, teasel };
export const SAMPLES: readonly Sample[] = SAMPLE_CARDS.map((card) => ({ ...card, make: MAKERS[card.key] }));
export { firn9, larkspur, teasel };
