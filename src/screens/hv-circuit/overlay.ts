import type { Live } from '@/core/simulate';
import type { Wire } from './layout-types';

/** What the drawing shows instead of an operating state: a fault, or what stays live. */
export interface Overlay {
  /** Through each element, A; elements that are not in it carry nothing. Null: not about currents. */
  readonly flow: ReadonlyMap<string, number> | null;
  /** Null: not about voltages. */
  readonly live: ReadonlyMap<string, Live> | null;
  /** Drawn open: switches that are opened, fuses that are blown. */
  readonly open: ReadonlySet<string>;
}

export const LIVE_WORDS: Readonly<Record<Live, string>> = { hazardous: 'live', low: 'under 60 V', dead: 'off cells' };

/** Whether a joint lies on a wire that cells hold up; where the drawing is about no voltages, every joint counts so. */
export function onLiveWire(wires: readonly Wire[], overlay: Overlay | null, x: number, y: number): boolean {
  const live = overlay?.live;
  if (!live) return true;
  const between = (v: number, p: number, q: number) => v >= Math.min(p, q) && v <= Math.max(p, q);
  return wires.some(
    ({ id, points }) =>
      (live.get(id) ?? 'dead') !== 'dead' &&
      points.some(([px, py], k) => {
        const next = points[k + 1];
        return next !== undefined && between(x, px, next[0]) && between(y, py, next[1]);
      }),
  );
}
