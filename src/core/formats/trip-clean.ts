/** Why a point was left out of a track. */
export type Rejected = 'backwards' | 'jump';

export interface Cleaned<P> {
  readonly kept: readonly P[];
  readonly rejected: readonly { readonly point: P; readonly why: Rejected }[];
  /** Indices in `kept` before which the receiver was away: no way is counted up to there. */
  readonly gaps: ReadonlySet<number>;
}

/** So many points in a row that agree with each other are believed against the ones before them. */
const BELIEVED = 5;
/** So many may be taken back as wrong at the most: a stray clock or place, not half a trip. */
const TAKEN_BACK = 20;

/**
 * Keeps the points that go on from one another. One that doesn't is left out; when it turns out that those after it all agree with it, the few
 * stray ones before are left out instead, or, where these are many, the receiver was away for a while: a gap. A clock that goes back for
 * good ends the trip there.
 */
export function cleanTrack<P extends { readonly t: number }>(
  points: readonly P[],
  fits: (before: P, after: P) => boolean,
): Cleaned<P> {
  const kept: P[] = [];
  const rejected: { point: P; why: Rejected }[] = [];
  const gaps = new Set<number>();
  let waiting: P[] = [];
  const goesOn = (before: P, after: P) => after.t > before.t && fits(before, after);
  const whyNot = (before: P | undefined, point: P): Rejected => (before && point.t <= before.t ? 'backwards' : 'jump');
  const refuse = (list: readonly P[]) => {
    for (const point of list) rejected.push({ point, why: whyNot(kept.at(-1), point) });
  };
  /** Takes those that wait for the truth; at the track's end only where they simply join what came before the strays. */
  const believe = (atEnd = false): void => {
    const first = waiting[0]!;
    let j = kept.length - 1;
    const least = Math.max(-1, kept.length - 1 - TAKEN_BACK);
    while (j > least && !goesOn(kept[j]!, first)) j--;
    const back = kept.length - 1 - j;
    const joins = j >= 0 ? goesOn(kept[j]!, first) : kept.length <= TAKEN_BACK;
    if (joins && back < waiting.length) {
      const after = kept[j];
      for (const point of kept.splice(j + 1))
        rejected.push({ point, why: after && fits(after, point) ? 'backwards' : 'jump' });
      for (const gap of [...gaps]) if (gap > j) gaps.delete(gap);
    } else if (!atEnd && first.t > kept.at(-1)!.t) gaps.add(kept.length);
    else return;
    kept.push(...waiting);
    waiting = [];
  };
  for (const point of points) {
    const last = kept.at(-1);
    if (!last || goesOn(last, point)) {
      refuse(waiting);
      waiting = [];
      kept.push(point);
      continue;
    }
    if (waiting.length > 0 && !goesOn(waiting.at(-1)!, point)) {
      refuse(waiting);
      waiting = [];
    }
    waiting.push(point);
    if (waiting.length >= BELIEVED) believe();
  }
  if (waiting.length > 1) believe(true);
  refuse(waiting);
  return { kept, rejected, gaps };
}
