import { type Dimension, formatQuantity, preferredUnit, type UnitSystem } from '@/core/quantities';

/** What an axis of a chart needs: where it ends, where its ticks stand, and how they read. */
export interface Axis {
  readonly domain: readonly [number, number];
  readonly ticks: readonly number[];
  readonly format: (value: number) => string;
}

/** Steps that read well; a clock’s for minutes and seconds. */
const STEPS = [1, 2, 2.5, 5, 10];
const CLOCK = [1, 2, 5, 10, 15, 30, 60];

function niceStep(span: number, most: number, clock: boolean): number {
  const rough = span / most;
  if (clock && rough >= 1 && rough <= 60) return CLOCK.find((step) => step >= rough)!;
  const power = 10 ** Math.floor(Math.log10(rough));
  return STEPS.find((step) => step * power >= rough * (1 - 1e-9))! * power;
}

/**
 * Ticks at round numbers of the unit that is shown: 20, 40, 60 km/h or 10, 20, 30 mph of the same metres a second. `whole`: the axis ends
 * on a tick (heights of curves); else where the data end (time). Values in the dimension’s canonical unit.
 */
export function axisOf(
  least: number,
  greatest: number,
  dimension: Dimension,
  system: UnitSystem,
  { most = 5, whole = true }: { most?: number; whole?: boolean } = {},
): Axis {
  const unit = preferredUnit(Math.max(Math.abs(least), Math.abs(greatest)), dimension, system);
  const offset = unit.offset ?? 0;
  const shown = (value: number) => (value - offset) / unit.factor;
  const kept = (value: number) => value * unit.factor + offset;
  const format = (value: number) => formatQuantity({ value, dimension }, system, 4, unit.symbol).text;
  const [low, high] = [shown(least), shown(greatest)];
  if (!(high > low)) return { domain: [least - 1, least + 1], ticks: [least], format };
  const step = niceStep(high - low, most, unit.symbol === 'min' || unit.symbol === 's');
  const slack = 1e-9 * step;
  const first = whole ? Math.floor((low + slack) / step) : Math.ceil((low - slack) / step);
  const last = whole ? Math.ceil((high - slack) / step) : Math.floor((high + slack) / step);
  // Multiples of the step, not sums of it: no 39.999.
  const ticks = Array.from({ length: last - first + 1 }, (_, k) => kept(Number(((first + k) * step).toPrecision(12))));
  return { domain: whole ? [ticks[0]!, ticks.at(-1)!] : [least, greatest], ticks, format };
}

/** Least and greatest of what is finite; both 0 when nothing is. */
export function extent(values: Iterable<number | null | undefined>): readonly [number, number] {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const value of values) {
    if (value == null || !Number.isFinite(value)) continue;
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return high < low ? [0, 0] : [low, high];
}

/** The same look for every axis of Recharts. */
export const AXIS = { stroke: 'var(--soft)', tick: { fontSize: 12 } } as const;
/** The same look for every crosshair’s words. */
export const TOOLTIP = { background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' } as const;
/** An axis as Recharts takes it. */
export const rechartsAxis = ({ domain, ticks, format }: Axis) => ({
  type: 'number' as const,
  domain: [domain[0], domain[1]] as [number, number],
  ticks: [...ticks],
  tickFormatter: format,
  interval: 0 as const,
  ...AXIS,
});
