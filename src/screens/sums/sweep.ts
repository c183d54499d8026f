import { extent } from '@/ui/axis';
import type { ChartRow } from '@/ui/chart/chart-data';
import { answerOf } from './answer';
import { figureAt, type Sum, type SumField, type SumFigure, type SumValues } from './sum-types';

/** From a third of what was typed to three times it. */
const TIMES = 3;
/** Time that all points together may take, ms, and how many they are. */
const BUDGET_MS = 150;
const MOST = 61;
const LEAST = 13;

/** Figures that a sum can be drawn over: typed, above zero, and no angle of a scale whose zero means nothing. */
export const sweepable = ({ fields }: Sum, values: SumValues): readonly SumField[] =>
  fields.filter(({ key, dimension, choices, flag }) => {
    const value = values[key];
    return dimension !== undefined && !choices && !flag && typeof value === 'number' && value > 0;
  });

/** Figures of the answer that are numbers. */
export const drawable = ({ figures }: Sum, result: unknown): readonly SumFigure[] =>
  figures.filter(({ key, dimension }) => dimension !== undefined && typeof figureAt(result, key) === 'number');

/** The first field over which the figure moves by a tenth or more; the first one where none does. */
export function tellingField(
  sum: Sum,
  values: SumValues,
  fields: readonly SumField[],
  figure: SumFigure,
): SumField | undefined {
  const yAt = (key: string, x: number): number | null => {
    const answer = answerOf(sum, { ...values, [key]: x });
    const y = answer.ok ? figureAt(answer.result, figure.key) : null;
    return typeof y === 'number' ? y : null;
  };
  const began = performance.now();
  return (
    fields.find(({ key, dimension }) => {
      // A sum that is long is drawn over its first field rather than waited for.
      if (performance.now() - began > BUDGET_MS) return false;
      const at = values[key] as number;
      const [low, high] = [yAt(key, at / 1.5), yAt(key, dimension === 'ratio' ? Math.min(1, at * 1.5) : at * 1.5)];
      return low !== null && high !== null && Math.abs(high - low) > 0.1 * Math.max(Math.abs(low), Math.abs(high));
    }) ?? fields[0]
  );
}

/** Nothing to see: the curve is level but for rounding. */
export const isLevel = (rows: readonly ChartRow[]): boolean => {
  const [low, high] = extent(rows.map(({ y }) => y));
  return high - low < 2e-3 * Math.max(Math.abs(low), Math.abs(high));
};

export interface Sweep {
  readonly rows: readonly ChartRow[];
  readonly from: number;
  readonly to: number;
}

/**
 * One figure of a sum over one of its fields, the others as typed: `x` and `y` in their canonical units, null where the sum refuses or
 * has no figure. Fewer points where a sum is long.
 */
export function sweepOf(sum: Sum, values: SumValues, fieldKey: string, figureKey: string): Sweep | null {
  const at = values[fieldKey];
  const field = sum.fields.find(({ key }) => key === fieldKey);
  if (typeof at !== 'number' || !(at > 0) || !field) return null;
  const [from, to] = [at / TIMES, field.dimension === 'ratio' ? Math.min(1, at * TIMES) : at * TIMES];
  const yAt = (x: number): number | null => {
    const answer = answerOf(sum, { ...values, [fieldKey]: x });
    const y = answer.ok ? figureAt(answer.result, figureKey) : null;
    return typeof y === 'number' && Number.isFinite(y) ? y : null;
  };
  const began = performance.now();
  const here = yAt(at);
  const points = Math.max(LEAST, Math.min(MOST, Math.floor(BUDGET_MS / Math.max(0.1, performance.now() - began))));
  const whole = field.dimension === 'count';
  const xs = Array.from({ length: points }, (_, k) => from + ((to - from) * k) / (points - 1)).map((x) =>
    whole ? Math.round(x) : x,
  );
  const rows = [...new Set([...xs, at])].sort((p, q) => p - q).map((x) => ({ x, y: x === at ? here : yAt(x) }));
  return { rows, from, to };
}
