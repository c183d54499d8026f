import { findDevice, own } from '../build';
import type { Resolved } from './resolve';

/**
 * Everything that the 12-volt side and its coils read, by identity or as text: what moves or changes elsewhere in the vehicle leaves them as
 * they were.
 */
export function lowReads(vehicle: Resolved): unknown[] {
  const { devices, conductors } = vehicle.build.circuits.lv;
  return [devices, conductors, ...aroundReads(vehicle)];
}

/** All that its wires, fuses and sources read: a load counts with its place in the circuit and nothing of what it draws. */
export function lowWiringReads(vehicle: Resolved): unknown[] {
  const { lv } = vehicle.build.circuits;
  return [
    lv.conductors,
    ...Object.values(lv.devices).flatMap((device): unknown[] =>
      device.kind === 'lv-load' ? [device.id, device.place] : [device],
    ),
    ...aroundReads(vehicle),
  ];
}

function aroundReads({ build, devices }: Resolved): unknown[] {
  const { lv } = build.circuits;
  const reads: unknown[] = [build.routes, build.adoptions, build.readings, build.zones, build.vehicle.altitudeM];
  for (const { device } of devices)
    if (device.converter || device.kind === 'contactor' || device.kind === 'disconnect')
      reads.push(
        `${device.id}|${device.kind}|${device.name}|${device.role ?? ''}|${device.coilSuppression ?? ''}`,
        device.converter,
        own(build.parts, device.partId),
      );
  for (const { partId } of Object.values(lv.devices)) if (partId !== null) reads.push(own(build.parts, partId));
  for (const { partId, routeId, a, b } of Object.values(lv.conductors)) {
    if (partId !== null) reads.push(own(build.parts, partId));
    // A wire on a route is as long as its ends are apart.
    if (routeId !== null) reads.push(findDevice(build, a.deviceId)?.place, findDevice(build, b.deviceId)?.place);
  }
  return reads;
}
