import { type Build, findDevice, type Id, own, type Passage, type Point, type Route } from '../build';
import { outletOf, zoneAt } from './geometry';

/** A way through the vehicle: points between its ends, the passages that they are, and its length. */
export interface FoundWay {
  readonly points: readonly Point[];
  readonly passages: readonly Passage[];
  readonly lengthM: number;
}

const distance = (p: Point, q: Point): number => Math.hypot(p.xM - q.xM, p.yM - q.yM, p.zM - q.zM);

/** Within this a point of a route is the passage, m. */
const AT_M = 0.02;
/** A dragged point jumps onto a passage that is so near, m. */
const NEAR_M = 0.06;

interface Node {
  readonly at: Point;
  readonly zones: readonly (Id | null)[];
  readonly passage: Passage | null;
}

/**
 * The shortest way from one point to another: straight within a zone, from zone to zone only through passages (Dijkstra). Null: no passage
 * leads there. Points that lie in no zone are taken to be in one of their own.
 */
export function findWay(build: Build, from: Point, to: Point): FoundWay | null {
  const passages = Object.values(build.passages ?? {});
  const nodes: Node[] = [
    { at: from, zones: [zoneAt(build, from)], passage: null },
    { at: to, zones: [zoneAt(build, to)], passage: null },
    ...passages.map((passage): Node => ({ at: passage.at, zones: passage.zoneIds, passage })),
  ];
  const joined = (p: Node, q: Node): boolean => p.zones.some((zone) => q.zones.includes(zone));
  const far = nodes.map(() => Number.POSITIVE_INFINITY);
  const before = nodes.map(() => -1);
  const open = new Set(nodes.keys());
  far[0] = 0;
  while (open.size > 0) {
    let here = -1;
    for (const k of open) if (here < 0 || far[k]! < far[here]!) here = k;
    if (here === 1 || far[here] === Number.POSITIVE_INFINITY) break;
    open.delete(here);
    for (const k of open) {
      if (!joined(nodes[here]!, nodes[k]!)) continue;
      const along = far[here]! + distance(nodes[here]!.at, nodes[k]!.at);
      if (along < far[k]!) {
        far[k] = along;
        before[k] = here;
      }
    }
  }
  if (far[1] === Number.POSITIVE_INFINITY) return null;
  const through: Node[] = [];
  for (let k = before[1]!; k > 0; k = before[k]!) through.unshift(nodes[k]!);
  return {
    points: through.map(({ at }) => at),
    passages: through.flatMap(({ passage }) => passage ?? []),
    lengthM: far[1]!,
  };
}

/** The shortest way between the outlets of two devices; null: one has no place, or no passage leads there. */
export function findWayBetween(build: Build, fromId: Id, toId: Id): FoundWay | null {
  const [from, to] = [findDevice(build, fromId), findDevice(build, toId)].map((device) =>
    device ? outletOf(device) : null,
  );
  return from && to ? findWay(build, from, to) : null;
}

/** Passages that a route goes through. */
export const passagesOf = (build: Build, route: Route): readonly Passage[] =>
  Object.values(build.passages ?? {}).filter(({ at }) => route.waypoints.some((point) => distance(point, at) <= AT_M));

/** The passage that a dragged point is near to on the drawing (by the two axes that it shows); null: none. */
export function passageNear(build: Build, point: Point, axes: readonly (keyof Point)[]): Passage | null {
  const away = ({ at }: Passage) => Math.hypot(...axes.map((axis) => at[axis] - point[axis]));
  const near = Object.values(build.passages ?? {})
    .filter((passage) => away(passage) <= NEAR_M)
    .sort((p, q) => away(p) - away(q))[0];
  return near ?? null;
}

/** What the passages of a route say of panels: goes it through one, and is its edge protected there? Null: they say nothing. */
export function panelsOf(
  build: Build,
  route: Route,
): { readonly through: boolean; readonly bare: readonly Passage[] } | null {
  const passages = passagesOf(build, route);
  if (passages.length === 0) return null;
  return {
    through: passages.some(({ kind }) => kind !== 'tunnel'),
    bare: passages.filter(({ kind }) => kind === 'hole'),
  };
}

export const zoneNameOf = (build: Build, id: Id): string => own(build.zones, id)?.name ?? 'nowhere';
