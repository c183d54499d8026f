import type { WorkingLine } from '@/core/checks';
import type { Dimension } from '@/core/quantities';

export type SumValue = number | string | boolean | null;
export type SumValues = Readonly<Record<string, SumValue>>;

/** One thing to fill in. A figure without `needed` may stay empty: then it is not there. */
export interface SumField {
  readonly key: string;
  readonly label: string;
  readonly dimension?: Dimension;
  readonly unit?: string;
  readonly choices?: readonly (readonly [string, string])[];
  readonly flag?: boolean;
  readonly needed?: boolean;
  readonly note?: string;
}

/** One figure of the answer. */
export interface SumFigure {
  readonly key: string;
  readonly label: string;
  readonly dimension?: Dimension;
  /** Said when the figure is null. */
  readonly never?: string;
}

export interface Sum {
  readonly name: string;
  readonly title: string;
  readonly about: string;
  readonly fields: readonly SumField[];
  readonly start: SumValues;
  readonly figures: readonly SumFigure[];
  readonly run: (values: SumValues) => { result: unknown; working: readonly WorkingLine[] };
  readonly caution?: string;
}

export const figure = (key: string, label: string, dimension: Dimension, more: Partial<SumField> = {}): SumField => ({
  key,
  label,
  dimension,
  ...more,
});
export const needed = { needed: true } as const;
export const METALS: SumField['choices'] = [
  ['copper', 'copper'],
  ['aluminium', 'aluminium'],
];

/** A figure of a nested result by its path; undefined when it is not there. */
export function figureAt(result: unknown, path: string): unknown {
  let at = result;
  for (const key of path.split('.')) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<string, unknown>)[key];
  }
  return at;
}

export const CHEMISTRIES = [
  ['lfp', 'LFP'],
  ['nmc', 'NMC'],
  ['lto', 'LTO'],
  ['lead-flooded', 'lead'],
] as const;
