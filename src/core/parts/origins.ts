import { once } from '../quantities';
import type { Origin } from './origin';
import type { Part } from './types';

/** Of a figure in words: "window.workingMaxV" → "working max". */
export const figureWords = (path: string): string =>
  path
    .split('.')
    .at(-1)!
    .replace(/(OhmPerM|KgPerM|PerKrpmV|Ohm|Mm2|Mm|Ah|Kg|Nm|Rpm|AtV|[VAWJFCSM])$/, '')
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .toLowerCase();

/** Figures of a part with this origin, in words. */
export const figuresFrom = (part: Part, origin: Origin): readonly string[] =>
  Object.entries(part.origins ?? {}).flatMap(([path, from]) => (from === origin ? [figureWords(path)] : []));

const SAID: readonly (readonly [Origin, string])[] = [
  ['guess', 'guessed'],
  ['seller', 'by the seller’s word'],
  ['generic', 'as of a generic part'],
  ['unknown', 'unknown, a generic figure in its place'],
];

/** What of a part’s figures nobody read or measured, in words; empty where all were, or nothing is said of them. */
export const unsureOf = once((part: Part): readonly string[] =>
  SAID.flatMap(([origin, how]) => {
    const figures = figuresFrom(part, origin);
    return figures.length === 0 ? [] : [`${part.name}: ${figures.join(', ')} ${how}.`];
  }),
);
