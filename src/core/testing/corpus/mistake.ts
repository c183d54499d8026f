import type { Build } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import type { Change } from './change';

export const SAMPLES = { firn: firn9(), larkspur: larkspur(), teasel: teasel() } as const satisfies Record<
  string,
  Build
>;
export type SampleName = keyof typeof SAMPLES;

/** A sample with one mistake, and the check that must speak. */
export interface Mistake {
  /** What sort of mistake it is: the heading of the table in docs. */
  readonly kind: string;
  /** What somebody did. */
  readonly did: string;
  readonly on: SampleName;
  readonly plant: Change;
  /** "rule:subject" of the check that must fail. */
  readonly speaks: string;
  /** Its sentence begins so. */
  readonly says: string;
  /** Nothing may be known to be wrong yet, but it must be asked. */
  readonly asks?: true;
  /** It takes the search of the sequence to see it. */
  readonly searched?: true;
}

/** A sample with a change that makes nothing worse: no check may newly fail. */
export interface Harmless {
  readonly did: string;
  readonly on: SampleName;
  readonly change: Change;
  readonly searched?: true;
}
