import { type Build, type Conductor, findDevice } from '../build';
import { sizeOf } from './geometry';

/** How far the cases of a conductor’s two ends stand apart, m; null: the place of one is not known, or nobody’s measure. */
export function casesApartM(build: Build, { a, b }: Conductor): number | null {
  const [one, other] = [findDevice(build, a.deviceId), findDevice(build, b.deviceId)];
  if (!one?.place || !other?.place || one.place.usual || other.place.usual) return null;
  const [p, r, s, t] = [one.place, other.place, sizeOf(one), sizeOf(other)];
  const gap = (from: number, to: number, size: number) => Math.max(0, Math.abs(from - to) - size / 2);
  return Math.hypot(
    gap(p.xM, r.xM, s.lengthM + t.lengthM),
    gap(p.yM, r.yM, s.widthM + t.widthM),
    gap(p.zM, r.zM, s.heightM + t.heightM),
  );
}

/** Faces that are bolted to each other, with what a strap or a flexible link takes, m (engineering judgement). */
export const FACES_M = 0.15;
/** A bar is part of a box: longer ones need a section, a cover and clamps that nobody entered, m (engineering judgement). */
export const BAR_M = 1;
