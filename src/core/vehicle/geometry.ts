import {
  type Build,
  type Device,
  deviceDefinition,
  type End,
  type Extent,
  findDevice,
  type Id,
  type Point,
  type Route,
  type Size,
} from '../build';
import { BODY_FIGURES } from './body-figures';

/** The vehicle's outline in its own frame, m; what nobody told is assumed. */
export interface Outline {
  readonly x0M: number;
  readonly x1M: number;
  readonly halfWidthM: number;
  readonly heightM: number;
  readonly wheelbaseM: number;
  readonly trackM: number;
  readonly assumed: boolean;
}

export function outlineOf({ vehicle, chassis = {} }: Build): Outline {
  const wheelbaseM = vehicle.wheelbaseM ?? (vehicle.body ? BODY_FIGURES[vehicle.body].wheelbaseM : 2.5);
  const like = vehicle.body ? BODY_FIGURES[vehicle.body].outline : undefined;
  const widthM = chassis.widthM ?? like?.widthM ?? 1.6;
  return {
    x0M: -(chassis.frontOverhangM ?? like?.overhangM ?? 0.6),
    x1M: wheelbaseM + (chassis.rearOverhangM ?? like?.overhangM ?? 0.8),
    halfWidthM: widthM / 2,
    heightM: chassis.heightM ?? like?.heightM ?? 1.5,
    wheelbaseM,
    trackM: chassis.trackM ?? widthM * 0.82,
    assumed: vehicle.wheelbaseM === null || chassis.widthM === undefined,
  };
}

const SMALL: Size = { lengthM: 0.1, widthM: 0.08, heightM: 0.06 };
export const sizeOf = (device: Device): Size => device.sizeM ?? deviceDefinition(device.kind).sizeM ?? SMALL;
/** Big enough to be drawn as a block and to stand in another's way. */
export const isBlock = (device: Device): boolean =>
  device.sizeM !== undefined || deviceDefinition(device.kind).sizeM !== undefined;

/** Where the wires of a device end, m; null while its place is not known. */
export function outletOf(device: Device): Point | null {
  const { place, outlet } = device;
  return place
    ? { xM: place.xM + (outlet?.xM ?? 0), yM: place.yM + (outlet?.yM ?? 0), zM: place.zM + (outlet?.zM ?? 0) }
    : null;
}

const away = (p: Point, q: Point): number => Math.hypot(p.xM - q.xM, p.yM - q.yM, p.zM - q.zM);

/** Points of a conductor's way: its route's, and its ends where the route follows them. Null while an end is nowhere. */
export function wayPoints(build: Build, route: Route, a: End, b: End): readonly Point[] | null {
  if (!route.endsFollow) return route.waypoints;
  const from = findDevice(build, a.deviceId);
  const to = findDevice(build, b.deviceId);
  const start = from ? outletOf(from) : null;
  const end = to ? outletOf(to) : null;
  if (!start || !end) return null;
  const inner = route.waypoints;
  const first = inner[0];
  const last = inner.at(-1);
  // A route is laid once and shared: a conductor may run it the other way.
  const forward = !first || !last || away(start, first) + away(last, end) <= away(start, last) + away(first, end);
  return [start, ...(forward ? inner : [...inner].reverse()), end];
}

export const lengthAlong = (points: readonly Point[]): number =>
  points.slice(1).reduce((sum, point, i) => sum + away(points[i]!, point), 0);

/** Blocks of the vehicle in which the usual zones lie, when a zone has no extent of its own. */
function usualExtent(id: Id, outline: Outline): Extent | null {
  const { x0M, x1M, halfWidthM, heightM, wheelbaseM } = outline;
  const across = { y0M: -halfWidthM, y1M: halfWidthM };
  const floor = 0.5;
  switch (id) {
    case 'zone-bay':
      return { x0M, x1M: 0.22 * wheelbaseM, ...across, z0M: 0.3, z1M: heightM * 0.65 };
    case 'zone-cabin':
      return { x0M: 0.22 * wheelbaseM, x1M: 0.86 * wheelbaseM, ...across, z0M: floor, z1M: heightM };
    case 'zone-boot':
      return { x0M: 0.86 * wheelbaseM, x1M, ...across, z0M: floor * 0.9, z1M: heightM };
    case 'zone-underbody':
      return { x0M: 0.22 * wheelbaseM, x1M: x1M - 0.2, ...across, z0M: 0.12, z1M: floor };
    default:
      return null;
  }
}

/** Where a zone is; null: not drawn. */
export const extentOf = (build: Build, zoneId: Id): Extent | null =>
  build.zones[zoneId]?.extent ?? usualExtent(zoneId, outlineOf(build));

const inside = (extent: Extent, { xM, yM, zM }: Point): boolean =>
  xM >= extent.x0M && xM <= extent.x1M && yM >= extent.y0M && yM <= extent.y1M && zM >= extent.z0M && zM <= extent.z1M;
const volume = (e: Extent): number => (e.x1M - e.x0M) * (e.y1M - e.y0M) * (e.z1M - e.z0M);

/** The smallest zone that a point lies in; null: in none. */
export function zoneAt(build: Build, point: Point): Id | null {
  const found = Object.keys(build.zones)
    .flatMap((id) => {
      const extent = extentOf(build, id);
      return extent && inside(extent, point) ? [{ id, size: volume(extent) }] : [];
    })
    .sort((p, q) => p.size - q.size)[0];
  return found?.id ?? null;
}

/** Pairs of blocks that would stand in the same space; what sits inside a box is left out. */
export function overlaps(build: Build): readonly (readonly [Device, Device])[] {
  const blocks = [...Object.values(build.circuits.hv.devices), ...Object.values(build.circuits.lv.devices)].filter(
    (device) => device.place !== null && isBlock(device) && device.insideId === undefined,
  );
  const pairs: (readonly [Device, Device])[] = [];
  const meet = (p: Device, q: Device): boolean => {
    const [s, t] = [sizeOf(p), sizeOf(q)];
    const near = (at: 'xM' | 'yM' | 'zM', size: keyof Size) =>
      Math.abs(p.place![at] - q.place![at]) < (s[size] + t[size]) / 2 - 1e-9;
    return near('xM', 'lengthM') && near('yM', 'widthM') && near('zM', 'heightM');
  };
  blocks.forEach((p, i) => {
    for (const q of blocks.slice(i + 1)) if (meet(p, q)) pairs.push([p, q]);
  });
  return pairs;
}

/** Radius of the tightest turn of a way, as it must fit between its legs: half the shorter leg over tan of half the turn. m; null: straight. */
export function tightestTurn(points: readonly Point[]): number | null {
  let least: number | null = null;
  for (let i = 1; i + 1 < points.length; i++) {
    const [p, q, r] = [points[i - 1]!, points[i]!, points[i + 1]!];
    const u = away(p, q);
    const v = away(q, r);
    if (u < 1e-6 || v < 1e-6) continue;
    const cosine =
      ((q.xM - p.xM) * (r.xM - q.xM) + (q.yM - p.yM) * (r.yM - q.yM) + (q.zM - p.zM) * (r.zM - q.zM)) / (u * v);
    const turn = Math.acos(Math.max(-1, Math.min(1, cosine)));
    if (turn < 0.05) continue;
    const radius = Math.min(u, v) / 2 / Math.tan(turn / 2);
    if (least === null || radius < least) least = radius;
  }
  return least;
}

const STEP_M = 0.02;

/** Points along a way, every two centimetres. */
function sampled(points: readonly Point[]): Point[] {
  return points.slice(1).flatMap((end, k): Point[] => {
    const start = points[k]!;
    const steps = Math.max(1, Math.ceil(away(start, end) / STEP_M));
    return Array.from({ length: steps }, (_, i) => {
      const share = i / steps;
      return {
        xM: start.xM + (end.xM - start.xM) * share,
        yM: start.yM + (end.yM - start.yM) * share,
        zM: start.zM + (end.zM - start.zM) * share,
      };
    });
  });
}

/** Distance of a point from a straight piece, m. */
function fromPiece(point: Point, start: Point, end: Point): number {
  const d = { xM: end.xM - start.xM, yM: end.yM - start.yM, zM: end.zM - start.zM };
  const squared = d.xM ** 2 + d.yM ** 2 + d.zM ** 2;
  const along =
    squared > 0
      ? ((point.xM - start.xM) * d.xM + (point.yM - start.yM) * d.yM + (point.zM - start.zM) * d.zM) / squared
      : 0;
  const share = Math.min(1, Math.max(0, along));
  return away(point, { xM: start.xM + d.xM * share, yM: start.yM + d.yM * share, zM: start.zM + d.zM * share });
}

/** How far one way runs along with another nearer than a distance, m; sampled every two centimetres. */
export function runsBeside(way: readonly Point[], other: readonly Point[], nearerM: number): number {
  if (way.length < 2 || other.length < 2) return 0;
  const near = sampled(way).filter((point) =>
    other.slice(1).some((end, k) => fromPiece(point, other[k]!, end) < nearerM),
  );
  const total = sampled(way).length;
  return total === 0 ? 0 : (near.length / total) * lengthAlong(way);
}
