import {
  type Build,
  type Device,
  type DeviceKind,
  type Extent,
  findDevice,
  type PassageKind,
  type Point,
} from '@/core/build';
import {
  extentOf,
  isBlock,
  lowVoltage,
  type Outline,
  outletOf,
  outlineOf,
  sizeOf,
  type Vehicle,
  wayPoints,
} from '@/core/vehicle';

/** The vehicle from above (left side down, as it drives to the left) or from its left side. */
export type View = 'top' | 'side';

export interface PlanBlock {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly low: boolean;
  readonly inside: boolean;
  readonly small: boolean;
}

/** How far a mark is drawn from where its thing is, drawing units. */
export type Shift = readonly [dx: number, dy: number];

export interface PlanRoute {
  readonly routeId: string;
  readonly conductorId: string;
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  /** Waypoints of the route itself, by index. */
  readonly handles: readonly { readonly index: number; readonly x: number; readonly y: number }[];
  readonly lengthM: number | null;
  /** Of the 12-volt side. */
  readonly low: boolean;
}

export interface PlanPassage {
  readonly id: string;
  readonly name: string;
  readonly kind: PassageKind;
  readonly x: number;
  readonly y: number;
}

export interface PlanZone {
  readonly id: string;
  readonly name: string;
  readonly ambientC: number;
  readonly x0: number;
  readonly x1: number;
  /** Its own block, drawn; null: one of the usual ones. */
  readonly block: { readonly x: number; readonly y: number; readonly width: number; readonly height: number } | null;
}

export interface PlanLayout {
  readonly view: View;
  readonly outline: Outline;
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  readonly blocks: readonly PlanBlock[];
  readonly routes: readonly PlanRoute[];
  readonly zones: readonly PlanZone[];
  readonly passages: readonly PlanPassage[];
  readonly toScreen: (point: Point) => readonly [number, number];
  /** Metres for a move on the drawing. */
  readonly moved: (dx: number, dy: number) => Partial<Point>;
}

export const PLAN_WIDTH = 880;
const MARGIN_X = 40;
const TOP = 46;
const BOTTOM = 68;

/** Everything of the plan in drawing units; nothing here is kept. */
export function layOutPlan(vehicle: Vehicle, build: Build, view: View): PlanLayout {
  const outline = outlineOf(build);
  const scale = (PLAN_WIDTH - 2 * MARGIN_X) / (outline.x1M - outline.x0M);
  const acrossM = view === 'top' ? 2 * outline.halfWidthM : outline.heightM;
  const height = TOP + acrossM * scale + BOTTOM;
  const toScreen = ({ xM, yM, zM }: Point): readonly [number, number] => [
    MARGIN_X + (xM - outline.x0M) * scale,
    view === 'top' ? TOP + (yM + outline.halfWidthM) * scale : TOP + (outline.heightM - zM) * scale,
  ];
  const moved = (dx: number, dy: number): Partial<Point> =>
    view === 'top' ? { xM: dx / scale, yM: dy / scale } : { xM: dx / scale, zM: -dy / scale };
  const devices: readonly (readonly [Device, boolean])[] = [
    ...Object.values(build.circuits.hv.devices).map((device) => [device, false] as const),
    ...Object.values(build.circuits.lv.devices).map((device) => [device, true] as const),
  ];
  const blocks = devices.flatMap(([device, low]): PlanBlock[] => {
    if (!device.place) return [];
    const size = sizeOf(device);
    const [x, y] = toScreen(device.place);
    const width = size.lengthM * scale;
    const tall = (view === 'top' ? size.widthM : size.heightM) * scale;
    return [
      {
        id: device.id,
        name: device.name,
        x: x - width / 2,
        y: y - tall / 2,
        width,
        height: tall,
        low,
        inside: device.insideId !== undefined,
        small: !isBlock(device),
      },
    ];
  });
  const drawn = new Set<string>();
  const low = new Set(lowVoltage(vehicle).lv.conductors);
  const routes = [...vehicle.conductors, ...low].flatMap((conductor): PlanRoute[] => {
    const route = conductor.conductor.routeId === null ? undefined : build.routes[conductor.conductor.routeId];
    if (!route) return [];
    const points = wayPoints(build, route, conductor.conductor.a, conductor.conductor.b) ?? route.waypoints;
    // A loom without a way yet is no line.
    if (points.length < 2) return [];
    const first = !drawn.has(route.id);
    drawn.add(route.id);
    return [
      {
        routeId: route.id,
        conductorId: conductor.id,
        name: conductor.conductor.name,
        points: points.map(toScreen),
        handles: first
          ? route.waypoints.map((point, index) => ({ index, x: toScreen(point)[0], y: toScreen(point)[1] }))
          : [],
        lengthM: conductor.lengthM,
        low: low.has(conductor),
      },
    ];
  });
  const blockOf = (extent: Extent): PlanZone['block'] => {
    const [x0, y0] = toScreen({ xM: extent.x0M, yM: extent.y0M, zM: extent.z1M });
    const [x1, y1] = toScreen({ xM: extent.x1M, yM: extent.y1M, zM: extent.z0M });
    return { x: x0, y: Math.min(y0, y1), width: x1 - x0, height: Math.abs(y1 - y0) };
  };
  const zones = Object.values(build.zones).flatMap((zone): PlanZone[] => {
    const extent = extentOf(build, zone.id);
    return extent
      ? [
          {
            id: zone.id,
            name: zone.name,
            ambientC: zone.ambientC,
            x0: MARGIN_X + (extent.x0M - outline.x0M) * scale,
            x1: MARGIN_X + (extent.x1M - outline.x0M) * scale,
            block: zone.extent ? blockOf(zone.extent) : null,
          },
        ]
      : [];
  });
  return {
    view,
    outline,
    scale,
    width: PLAN_WIDTH,
    height,
    // Big ones first, so that small ones can be pressed.
    blocks: blocks.sort((p, q) => q.width * q.height - p.width * p.height),
    routes,
    zones,
    passages: Object.values(build.passages ?? {}).map(({ id, name, kind, at }) => {
      const [x, y] = toScreen(at);
      return { id, name, kind, x, y };
    }),
    toScreen,
    moved,
  };
}

/** Cables without a route whose two ends have places: what can be laid. */
export const unrouted = (vehicle: Vehicle, build: Build): readonly { readonly id: string; readonly name: string }[] =>
  [...vehicle.conductors, ...lowVoltage(vehicle).lv.conductors].flatMap(({ id, conductor }) => {
    const at = (deviceId: string) => {
      const device = findDevice(build, deviceId);
      return device ? outletOf(device) : null;
    };
    return conductor.kind === 'cable' &&
      conductor.routeId === null &&
      at(conductor.a.deviceId) &&
      at(conductor.b.deviceId)
      ? [{ id, name: conductor.name }]
      : [];
  });

/** Things of the 12-volt side that stand somewhere, beside what is drawn to scale. */
const SMALL_LOW: ReadonlySet<DeviceKind> = new Set(['lv-load', 'lv-junction', 'earth', 'relay', 'lv-switch']);
export const canStand = (device: Device): boolean => isBlock(device) || SMALL_LOW.has(device.kind);

/** Looms of 12-volt wires that have no way yet, though wires of theirs have both ends placed. */
export const looseLooms = (
  vehicle: Vehicle,
  build: Build,
): readonly { readonly id: string; readonly name: string; readonly ends: readonly [string, string] }[] => {
  const placed = (deviceId: string) => findDevice(build, deviceId)?.place != null;
  return Object.values(build.routes).flatMap(({ id, name, waypoints, endsFollow }) => {
    if (endsFollow || waypoints.length >= 2) return [];
    const wire = lowVoltage(vehicle).lv.conductors.find(
      ({ conductor: { routeId, a, b } }) => routeId === id && placed(a.deviceId) && placed(b.deviceId),
    );
    return wire ? [{ id, name, ends: [wire.conductor.a.deviceId, wire.conductor.b.deviceId] as const }] : [];
  });
};
