import type { DriveRecord } from '@/core/build';
import type { DriveReview } from '@/core/logs';
import { typedTaps } from '@/core/simulate';

/** What is kept of a log that was read. */
export const recordOf = (
  review: DriveReview,
  about: Pick<DriveRecord, 'id' | 'date' | 'name' | 'lowV'>,
): DriveRecord => ({
  ...about,
  from: 'log',
  durationS: review.durationS,
  outC: review.outC,
  backC: review.backC,
  peakA: review.peakA,
  hottestC: review.hottestC,
  cells: review.cells.map(({ lowestV, restV, resistanceOhm, lowS }) => ({ lowestV, restV, resistanceOhm, lowS })),
});

export type Typed =
  | { readonly ok: true; readonly drive: DriveRecord }
  | { readonly ok: false; readonly trouble: string };

/** A few cells read by meter, at rest and under a steady current: U = U_rest − I·R. */
export function typedDrive(
  rest: string,
  load: string,
  currentA: number | null,
  about: Pick<DriveRecord, 'id' | 'date' | 'name'>,
): Typed {
  const [atRest, underLoad] = [typedTaps(rest), typedTaps(load)];
  if (!atRest.ok) return { ok: false, trouble: `At rest: ${atRest.reason} ${atRest.remedy}` };
  if (!underLoad.ok) return { ok: false, trouble: `Under load: ${underLoad.reason} ${underLoad.remedy}` };
  const [r, l] = [atRest.readingsV, underLoad.readingsV];
  if (r.length === 0) return { ok: false, trouble: 'Nothing is typed yet. Type one voltage for each cell at rest.' };
  if (l.length > 0 && l.length !== r.length)
    return {
      ok: false,
      trouble: `${r.length} cells at rest and ${l.length} under load. Read the same cells twice, in the same order.`,
    };
  if (l.length > 0 && !(currentA !== null && currentA > 0))
    return { ok: false, trouble: 'The current under load is missing: without it there is no resistance. Type it.' };
  return {
    ok: true,
    drive: {
      ...about,
      from: 'typed',
      durationS: null,
      outC: null,
      backC: null,
      peakA: l.length > 0 ? currentA : null,
      lowV: null,
      hottestC: null,
      cells: r.map((restV, k) => ({
        restV,
        lowestV: l[k] ?? restV,
        resistanceOhm: l.length > 0 && currentA !== null ? (restV - l[k]!) / currentA : null,
        lowS: 0,
      })),
    },
  };
}
