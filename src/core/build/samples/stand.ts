import type { Build, Device, Id } from '../types';

/** x behind the front axle, y left of the middle, z above the ground, m; and the zone. */
export type Stand = readonly [number, number, number, Id];

/** Puts things of the 12-volt side where they are in the vehicle; fuses and relays stand in the fuse box, drivers in what commands them. */
export function standLow(build: Build, stands: Readonly<Record<Id, Stand>>, fuseBox: Stand, control: Stand): Build {
  const placed = (device: Device): Device => {
    if (device.place) return device;
    const at =
      stands[device.id] ??
      (device.kind === 'lv-fuse' || device.kind === 'relay'
        ? fuseBox
        : device.id.startsWith('coil-driver')
          ? control
          : null);
    if (!at) return device;
    const [xM, yM, zM, zoneId] = at;
    return { ...device, place: { xM, yM, zM, zoneId } };
  };
  const { hv, lv } = build.circuits;
  return {
    ...build,
    circuits: {
      hv,
      lv: {
        ...lv,
        devices: Object.fromEntries(Object.entries(lv.devices).map(([id, device]) => [id, placed(device)])),
      },
    },
  };
}
