import type { Draft } from 'immer';
import type { Build } from '../types';

export interface EditDefinition<I> {
  /** For the undo line. */
  readonly title: (build: Build, input: I) => string;
  readonly apply: (draft: Draft<Build>, input: I) => void;
}
export const define = <I>(definition: EditDefinition<I>): EditDefinition<I> => definition;
