import type { ClaimKind, LogKind } from '@/core/build';
import { type Dimension, formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DueTask, TrendId } from '@/core/stations/logbook';
import type { MarkShape } from '@/ui/verdict-mark';

export const KIND_WORDS: Readonly<Record<LogKind, string>> = {
  work: 'Work',
  drive: 'Drive',
  charge: 'Charge',
  health: 'Health',
  fault: 'Fault',
  inspection: 'Inspection',
  change: 'Change of the car',
};
export const TREND_WORDS: Readonly<Record<TrendId, string>> = {
  capacity: 'Capacity of the pack',
  spread: 'Spread of the cells, full',
  resistance: 'Resistance of the pack',
  insulation: 'Insulation to the body',
  consumption: 'Consumption of drives',
  range: 'Range by distance over charge used',
};
export const CLAIM_WORDS: Readonly<Record<ClaimKind, readonly [string, Dimension]>> = {
  range: ['Range', 'distance'],
  consumption: ['Consumption', 'consumption'],
  capacity: ['Capacity of the pack', 'charge'],
  'charge-time': ['Whole charge takes', 'time'],
};
export const DUE_MARK: Readonly<Record<DueTask['state'], MarkShape>> = {
  due: 'fails',
  soon: 'thin',
  fine: 'holds',
  off: 'hollow',
  unknown: 'hollow',
};
export const DUE_WORDS: Readonly<Record<DueTask['state'], string>> = {
  due: 'due',
  soon: 'due soon',
  fine: 'in its time',
  off: 'not done here',
  unknown: 'from the first entry on',
};

export const say = (value: number | null | undefined, dimension: Dimension, system: UnitSystem, digits = 3): string =>
  value === null || value === undefined ? '–' : formatQuantity({ value, dimension }, system, digits).text;

/** How often, in words. */
export function everyText({ task }: DueTask, system: UnitSystem): string {
  const { everyDays, everyM, everyRunS } = task;
  const parts = [
    ...(everyDays === null
      ? []
      : [everyDays % 365 === 0 ? (everyDays === 365 ? 'a year' : `${everyDays / 365} years`) : `${everyDays} days`]),
    ...(everyM === null ? [] : [say(everyM, 'distance', system)]),
    ...(everyRunS === null ? [] : [say(everyRunS, 'time', system)]),
  ];
  return parts.length === 0 ? 'when it is needed' : `every ${parts.join(' or ')}`;
}

/** How far something is worn, in words. */
export function wearText({ task, wear }: DueTask, system: UnitSystem): string {
  const last = wear?.points.at(-1);
  if (!wear || !last || !task.wear) return '';
  const { limitM } = wear;
  const bound = task.wear.way === 'falls' ? 'at least' : 'at most';
  return `${task.wear.what.toLowerCase()} ${say(last.valueM, 'length', system)}, ${
    limitM === null ? 'its limit is not entered' : `${bound} ${say(limitM, 'length', system)}`
  }`;
}
