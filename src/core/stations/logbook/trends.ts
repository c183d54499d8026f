import { differenceInCalendarDays, isValid, parseISO } from 'date-fns';
import type { Build, LogEntry } from '../../build';
import type { Dimension } from '../../quantities';
import { inOrder } from './due';
import { lineThrough } from './line';

export const TRENDS = ['capacity', 'spread', 'resistance', 'insulation', 'consumption', 'range'] as const;
export type TrendId = (typeof TRENDS)[number];

export interface TrendPoint {
  readonly date: string;
  /** Since the first point, days. */
  readonly day: number;
  readonly value: number;
}
export interface Trend {
  readonly id: TrendId;
  readonly dimension: Dimension;
  readonly points: readonly TrendPoint[];
  /** Straight line by least squares, a year; null: two days are not there. */
  readonly aYear: number | null;
}

export const TREND_DIMENSION: Readonly<Record<TrendId, Dimension>> = {
  capacity: 'charge',
  spread: 'voltage',
  resistance: 'resistance',
  insulation: 'resistance',
  consumption: 'consumption',
  range: 'distance',
};

/** A drive tells the range when it used at least so much of the pack. */
export const ENOUGH_SOC = 0.1;

export const rangeOf = ({ distanceM, socFrom, socTo }: LogEntry): number | null =>
  distanceM !== undefined &&
  distanceM > 0 &&
  socFrom !== undefined &&
  socTo !== undefined &&
  socFrom - socTo >= ENOUGH_SOC
    ? distanceM / (socFrom - socTo)
    : null;

/** Wh/km. */
const consumptionOf = ({ kind, distanceM, energyJ }: LogEntry): number | null =>
  kind === 'drive' && distanceM !== undefined && distanceM > 0 && energyJ !== undefined && energyJ > 0
    ? energyJ / 3.6 / distanceM
    : null;

const READ: Readonly<Record<TrendId, (entry: LogEntry) => number | null>> = {
  capacity: ({ capacityAh }) => capacityAh ?? null,
  spread: ({ spreadV }) => spreadV ?? null,
  resistance: ({ resistanceOhm }) => resistanceOhm ?? null,
  insulation: ({ insulationOhm }) => insulationOhm ?? null,
  consumption: consumptionOf,
  range: rangeOf,
};

/** One figure over the years, of the book and of the pack’s records of health. */
export function trendOf(build: Build, id: TrendId): Trend {
  const raw = inOrder(build.logbook ?? {}).flatMap((entry) => {
    const value = READ[id](entry);
    return value === null ? [] : [{ date: entry.date, value }];
  });
  if (id === 'capacity')
    for (const { date, capacityAh } of Object.values(build.health ?? {}))
      if (capacityAh !== null) raw.push({ date, value: capacityAh });
  const dated = raw
    .filter(({ date }) => isValid(parseISO(date)))
    .sort((p, q) => (p.date < q.date ? -1 : p.date > q.date ? 1 : 0));
  const first = dated[0];
  const points = dated.map(
    ({ date, value }): TrendPoint => ({
      date,
      value,
      day: differenceInCalendarDays(parseISO(date), parseISO(first!.date)),
    }),
  );
  const line = lineThrough(points.map(({ day, value }) => [day, value]));
  return { id, dimension: TREND_DIMENSION[id], points, aYear: line && line.slope * 365.25 };
}
