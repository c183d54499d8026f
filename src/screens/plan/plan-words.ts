import type { Build, OpenKind, Stage, WaitKind } from '@/core/build';
import type { Job } from '@/core/stations/plan';

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  gather: 'Fetch, make, take out',
  'trial-fit': 'Trial fit',
  strip: 'Strip',
  paint: 'Weld and paint',
  'final-fit': 'Final fit',
  wire: 'Wire',
  test: 'Test',
  road: 'Road',
};
export const WAIT_WORDS: Readonly<Record<WaitKind, string>> = {
  delivery: 'a delivery',
  machinist: 'work given away',
  customer: 'the customer’s word',
  inspection: 'an inspection',
  other: 'something else',
};
export const OPEN_WORDS: Readonly<Record<OpenKind, string>> = {
  'stand-in': 'stand-in',
  'loose-end': 'loose end',
  lid: 'lid or cover missing',
  gauge: 'gauge not connected',
  fit: 'does not fit yet',
  other: 'something else',
};

export const hoursText = (hours: number): string => `${hours < 10 ? Math.round(hours * 10) / 10 : Math.round(hours)} h`;

/** The latest day that anything of the plan or the harness was written down with. */
export function latestDay(build: Build): string | null {
  const { plan, harness } = build;
  const days = [
    ...Object.values(plan?.jobs ?? {}).flatMap(({ done, begun }) => [done, begun]),
    ...Object.values(plan?.waits ?? {}).map(({ there }) => there),
    ...Object.values(plan?.register ?? {}).flatMap(({ since, closed }) => [since, closed]),
    ...Object.values(harness?.ends ?? {}).flatMap(({ a, b }) => [a?.date, b?.date]),
  ].filter((day): day is string => typeof day === 'string');
  return days.length === 0 ? null : days.reduce((last, day) => (day > last ? day : last));
}

/** Place of a job in words; empty: anywhere. */
export const placeOf = (build: Build, { zoneId }: Job): string => (zoneId ? (build.zones[zoneId]?.name ?? '') : '');
