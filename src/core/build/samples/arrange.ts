import type { Build, Device, Id, Point, RouteFacts, Size } from '../types';

interface Spot {
  /** x behind the front axle, y left of the middle, z above the ground, m. */
  readonly at: readonly [number, number, number];
  readonly inside?: Id;
  /** Along, across, up, m. */
  readonly size?: readonly [number, number, number];
  /** Where wires come out, from the middle, m. */
  readonly outlet?: readonly [number, number, number];
}

const point = ([xM, yM, zM]: readonly [number, number, number]): Point => ({ xM, yM, zM });
const size = ([lengthM, widthM, heightM]: readonly [number, number, number]): Size => ({ lengthM, widthM, heightM });

/** Puts the devices of a sample where they are in the vehicle, and tells what its routes meet. */
export function arrange(
  build: Build,
  spots: Readonly<Record<Id, Spot>>,
  routes: Readonly<Record<Id, RouteFacts>>,
): Build {
  const put = (device: Device): Device => {
    const spot = spots[device.id];
    if (!spot) return device;
    return {
      ...device,
      place: { ...point(spot.at), zoneId: device.place?.zoneId ?? 'zone-bay' },
      ...(spot.inside ? { insideId: spot.inside } : {}),
      ...(spot.size ? { sizeM: size(spot.size) } : {}),
      ...(spot.outlet ? { outlet: point(spot.outlet) } : {}),
    };
  };
  const all = (devices: Readonly<Record<Id, Device>>) =>
    Object.fromEntries(Object.entries(devices).map(([id, device]) => [id, put(device)]));
  return {
    ...build,
    routes: Object.fromEntries(
      Object.entries(build.routes).map(([id, route]) => [
        id,
        routes[id] ? { ...route, endsFollow: true, facts: routes[id] } : route,
      ]),
    ),
    circuits: {
      hv: { ...build.circuits.hv, devices: all(build.circuits.hv.devices) },
      lv: { ...build.circuits.lv, devices: all(build.circuits.lv.devices) },
    },
  };
}
