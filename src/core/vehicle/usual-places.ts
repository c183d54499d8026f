import type { Build, Device, Extent, Id, Point, Size } from '../build';
import { extentOf, isBlock, outlineOf, sizeOf } from './geometry';

/** Where a device would usually go. */
export interface UsualPlace extends Point {
  readonly deviceId: Id;
  readonly zoneId: Id;
}

const BAY = 'zone-bay';
const BOOT = 'zone-boot';
/** What sits at a box, in its string: its place follows the wires at it. */
const AT_THE_BOX: ReadonlySet<string> = new Set([
  'fuse',
  'contactor',
  'disconnect',
  'precharge-resistor',
  'discharge-resistor',
  'sensor',
  'junction',
  'capacitor',
]);
/** What has no place of its own: wires, contacts and loads of the 12-volt side, but for its battery. */
const standsInLow = ({ kind }: Device): boolean => kind === 'auxiliary-battery';
const STEP_M = 0.05;
/** Between neighbours, m: a hand’s breadth for lugs. */
const ROOM_M = 0.06;

interface Stands {
  readonly at: Point;
  readonly size: Size;
}

const meet = (p: Stands, q: Stands): boolean => {
  const near = (axis: 'xM' | 'yM' | 'zM', size: keyof Size) =>
    Math.abs(p.at[axis] - q.at[axis]) < (p.size[size] + q.size[size]) / 2 + ROOM_M - 1e-9;
  return near('xM', 'lengthM') && near('yM', 'widthM') && near('zM', 'heightM');
};

/** The first free spot of a zone for a thing: low before high, the middle before the sides, front to back. Null: it has no room there. */
function spotIn(extent: Extent, size: Size, taken: readonly Stands[]): Point | null {
  const span = (from: number, to: number, measure: number): number[] => {
    const [low, high] = [from + measure / 2, to - measure / 2];
    const steps = Math.floor((high - low) / STEP_M + 1e-9);
    return steps < 0 ? [] : Array.from({ length: steps + 1 }, (_, k) => low + k * STEP_M);
  };
  const ys = span(extent.y0M, extent.y1M, size.widthM).sort((p, q) => Math.abs(p) - Math.abs(q));
  const xs = span(extent.x0M, extent.x1M, size.lengthM);
  for (const zM of span(extent.z0M, extent.z1M, size.heightM))
    for (const yM of ys)
      for (const xM of xs) {
        const at = { xM, yM, zM };
        if (!taken.some((other) => meet({ at, size }, other))) return at;
      }
  return null;
}

/** The place in which most wires at a device lie. */
function zoneByWires(build: Build, deviceId: Id): Id | null {
  const counts = new Map<Id, number>();
  // Cables run where stones fly and water stands; what they join does not stand there.
  for (const { a, b, laid } of Object.values(build.circuits.hv.conductors))
    if (
      laid &&
      !build.zones[laid.zoneId]?.exposure?.some((one) => one === 'stones' || one === 'water') &&
      (a.deviceId === deviceId || b.deviceId === deviceId)
    )
      counts.set(laid.zoneId, (counts.get(laid.zoneId) ?? 0) + 1);
  return [...counts].sort((p, q) => q[1] - p[1])[0]?.[0] ?? null;
}

/** What could have a place on the plan and has none. */
export const withoutPlace = ({ circuits: { hv, lv } }: Build): readonly Device[] =>
  [
    ...Object.values(hv.devices).filter(({ kind }) => kind !== 'chassis'),
    ...Object.values(lv.devices).filter(standsInLow),
  ].filter(({ place }) => place === null);

/**
 * Places for everything that has none: boxes in the boot and the engine bay by turns, drive, charger and heater in the bay, what belongs to
 * the string where most of its wires lie; without meeting anything that stands already. A beginning to be dragged to the true places; what finds no
 * room is left out. Metres in the vehicle’s frame.
 */
export function usualPlaces(build: Build): readonly UsualPlace[] {
  const { hv, lv } = build.circuits;
  const all = [...Object.values(hv.devices), ...Object.values(lv.devices).filter(standsInLow)];
  const taken: Stands[] = all.flatMap((device) =>
    device.place && device.insideId === undefined ? [{ at: device.place, size: sizeOf(device) }] : [],
  );
  const { x0M, x1M, halfWidthM, heightM } = outlineOf(build);
  const whole: Extent = { x0M, x1M, y0M: -halfWidthM, y1M: halfWidthM, z0M: 0.3, z1M: heightM };
  const zones = Object.keys(build.zones);
  const volume = (device: Device) => {
    const { lengthM, widthM, heightM: high } = sizeOf(device);
    return lengthM * widthM * high;
  };
  // The largest first: small things find room between large ones, not the other way round.
  const waiting = [...withoutPlace(build)].sort(
    (p, q) => Number(isBlock(q)) - Number(isBlock(p)) || volume(q) - volume(p),
  );
  let boxes = 0;
  return waiting.flatMap((device): UsualPlace[] => {
    const wanted =
      device.kind === 'box'
        ? [BOOT, BAY][boxes++ % 2]!
        : AT_THE_BOX.has(device.kind)
          ? (zoneByWires(build, device.id) ?? BOOT)
          : BAY;
    const tried = [...new Set([wanted, BOOT, BAY, ...zones])].filter((id) => zones.includes(id));
    const size = sizeOf(device);
    for (const zoneId of tried) {
      const extent = extentOf(build, zoneId);
      const at = extent && spotIn(extent, size, taken);
      if (!at) continue;
      taken.push({ at, size });
      return [{ deviceId: device.id, zoneId, ...at }];
    }
    const at = zones[0] === undefined ? null : spotIn(whole, size, taken);
    if (!at) return [];
    taken.push({ at, size });
    return [{ deviceId: device.id, zoneId: zones[0]!, ...at }];
  });
}
