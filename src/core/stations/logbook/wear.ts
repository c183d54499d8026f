import { differenceInCalendarDays, isValid, parseISO } from 'date-fns';
import type { LogEntry } from '../../build';
import { lineThrough } from './line';
import type { UpkeepTask } from './upkeep';

export interface WearPoint {
  /** ISO date. */
  readonly date: string;
  /** m, along what wears. */
  readonly valueM: number;
}

/** How far something is worn, by what was measured on it. */
export interface Wear {
  /** Since it was last renewed, by their days. */
  readonly points: readonly WearPoint[];
  readonly limitM: number | null;
  /** The share of its wear that is used up, on the day that is asked about; null: no limit, or nothing to begin from. */
  readonly used: number | null;
  /** Days until it reaches its limit, by a straight line through what was measured; null: it can’t be told. */
  readonly leftDays: number | null;
}

/** A figure differs from the one before by more than is misread: by this share of it. The other way round it is new, or has been set, and counts from there. */
const MISREAD = 0.05;

/** The measured wear of an upkeep on a day. `entries` in order. */
export function wearOf({ id, wear }: UpkeepTask, entries: readonly LogEntry[], date: string): Wear | null {
  if (wear === null) return null;
  const toward = wear.way === 'falls' ? -1 : 1;
  // A chain is through after two hundredths of its length: there half of its way to the limit tells.
  const travelM =
    wear.limitM === null || wear.newM === null ? Number.POSITIVE_INFINITY : Math.abs(wear.limitM - wear.newM);
  const misreadM = (valueM: number) => Math.min(MISREAD * valueM, travelM / 2);
  const all = entries.flatMap((entry): WearPoint[] =>
    !isValid(parseISO(entry.date)) || entry.date > date
      ? []
      : (entry.wear ?? []).flatMap(({ taskId, valueM }) => (taskId === id ? [{ date: entry.date, valueM }] : [])),
  );
  const renewed = all.findLastIndex(
    ({ valueM }, k) => k > 0 && toward * (valueM - all[k - 1]!.valueM) < -misreadM(all[k - 1]!.valueM),
  );
  const points = all.slice(Math.max(0, renewed));
  const { limitM, newM } = wear;
  const last = points.at(-1);
  if (!last || limitM === null) return { points, limitM, used: null, leftDays: null };
  const from = newM ?? points[0]!.valueM;
  const whole = toward * (limitM - from);
  const share = (valueM: number) => (whole > 0 ? (toward * (valueM - from)) / whole : 1);
  if (toward * (last.valueM - limitM) >= 0)
    return { points, limitM, used: Math.max(1, share(last.valueM)), leftDays: 0 };
  const placed = points.map(
    (point) => [differenceInCalendarDays(parseISO(point.date), parseISO(date)), point.valueM] as const,
  );
  // What wears faster than it used to, by more than is misread, goes on as it did last.
  const pair = placed.slice(-2);
  const faster = pair.length === 2 && Math.abs(pair[1]![1] - pair[0]![1]) > misreadM(pair[0]![1]);
  const lines = [lineThrough(placed), faster ? lineThrough(pair) : null].flatMap((line) =>
    // A line that leads away from the limit is scatter: then the last reading is all that is known.
    line && toward * line.slope > 0 ? [line] : [],
  );
  const ends = lines.map((line) => {
    const now = toward * line.at0 > toward * last.valueM ? line.at0 : last.valueM;
    return { used: share(now), leftDays: Math.max(0, (limitM - now) / line.slope) };
  });
  if (ends.length > 0)
    return {
      points,
      limitM,
      used: Math.max(...ends.map((end) => end.used)),
      leftDays: Math.min(...ends.map((end) => end.leftDays)),
    };
  // One reading tells how far it is worn only where it is known how it was new.
  return { points, limitM, used: newM === null ? null : share(last.valueM), leftDays: null };
}
