import { LawRefused } from '@/core/calc';
import type { WorkingLine } from '@/core/checks';
import { NetworkError } from '@/core/circuit';
import { formatArea, formatQuantity, type UnitSystem } from '@/core/quantities';
import { figureAt, type Sum, type SumFigure, type SumValues } from './sum-types';

export type SumAnswer =
  | { readonly ok: true; readonly result: unknown; readonly working: readonly WorkingLine[] }
  | { readonly ok: false; readonly reason: string; readonly remedy: string };

/** Runs a sum; what is missing or means nothing comes back in words. */
export function answerOf(sum: Sum, values: SumValues): SumAnswer {
  const missing = sum.fields.find((field) => field.needed && values[field.key] === null);
  if (missing) return { ok: false, reason: `${missing.label} is empty.`, remedy: 'Fill it in for an answer.' };
  try {
    return { ok: true, ...sum.run(values) };
  } catch (error) {
    if (error instanceof LawRefused) {
      const field = sum.fields.find(({ key }) => key === error.path);
      return { ok: false, reason: `${field?.label ?? error.path} ${error.message}`, remedy: error.remedy };
    }
    if (error instanceof NetworkError) return { ok: false, reason: error.message, remedy: error.remedy };
    throw error;
  }
}

/** A figure as it is shown. */
export function figureText(
  result: unknown,
  { key, dimension, never = '–' }: SumFigure,
  system: UnitSystem = 'metric',
): string {
  const value = figureAt(result, key);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (typeof value !== 'number' || !dimension) return never;
  return dimension === 'area' ? formatArea(value, system) : formatQuantity({ value, dimension }, system).text;
}

/** The sum in plain lines, to be copied or put into a build's notes. */
export function answerText(sum: Sum, values: SumValues, result: unknown, system: UnitSystem = 'metric'): string {
  const given = sum.fields
    .filter(({ key }) => values[key] !== null && values[key] !== undefined && values[key] !== false)
    .map(({ key, label, dimension }) => {
      const value = values[key]!;
      return `${label} ${typeof value === 'number' && dimension ? formatQuantity({ value, dimension }, system).text : value === true ? 'yes' : value}`;
    });
  const found = sum.figures.map((figure) => `${figure.label} ${figureText(result, figure, system)}`);
  return `${sum.title}: ${given.join(', ')}.\n→ ${found.join(', ')}. Computed, not proved.`;
}
