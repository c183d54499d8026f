import type { Assessment } from '@/core/assess';
import type { StationId } from '@/core/stations';

/** What is still to be done at the car, in two words a station: said on the line. */
export function workCounts({ build, results }: Assessment): Readonly<Partial<Record<StationId, string>>> {
  const { harness, ends } = results.harness;
  const open = harness.begun && ends.open > 0 ? { harness: `${ends.open} open` } : {};
  if (build.plan === undefined) return open;
  const { now, jobs } = results.plan;
  return jobs.some(({ done }) => !done) ? { ...open, plan: `${now.size} now` } : open;
}
