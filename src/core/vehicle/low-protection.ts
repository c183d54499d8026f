import { deviceDefinition, type Id } from '../build';
import { type Edge, Loops } from './loops';
import type { LowVoltage } from './low-types';
import { type LowWiring, lowVoltage, lowWiring } from './low-voltage';
import { Follows } from './memory';
import { partOf, type Resolved } from './resolve';

const ofWiring = new Follows<LowWiring, ReadonlyMap<Id, Id>>();

/**
 * For each conductor of the 12-volt side the smallest fuse whose opening takes it off every source: its feed, its return and the straps that
 * carry nothing but what that fuse lets through. Those that no single fuse takes off are not here.
 */
export const lowProtecting = (vehicle: Resolved): ReadonlyMap<Id, Id> =>
  ofWiring.get(lowWiring(vehicle), () => find(vehicle, lowVoltage(vehicle)));

function find(vehicle: Resolved, { lv, converters }: LowVoltage): Map<Id, Id> {
  const edges: Edge[] = [];
  for (const { id, device } of lv.devices) {
    const ends = deviceDefinition(device.kind).through;
    if (ends)
      edges.push({ id, a: `${id}.${ends[0]}`, b: `${id}.${ends[1]}`, source: device.kind === 'auxiliary-battery' });
    if (device.kind === 'relay')
      edges.push({ id: `${id}:coil`, a: `${id}.coilPlus`, b: `${id}.coilMinus`, source: false });
    if (device.kind === 'earth') edges.push({ id: `${id}:body`, a: `${id}.n`, b: 'body', source: false });
  }
  for (const { id } of converters) edges.push({ id, a: `${id}.lvPlus`, b: `${id}.lvMinus`, source: true });
  for (const { id, device } of vehicle.devices) {
    if (device.kind === 'contactor') edges.push({ id, a: `${id}.coilPlus`, b: `${id}.coilMinus`, source: false });
    if (device.kind === 'disconnect') edges.push({ id, a: `${id}.auxA`, b: `${id}.auxB`, source: false });
  }
  for (const { id, nodeA, nodeB } of lv.conductors) edges.push({ id, a: nodeA, b: nodeB, source: false });
  const loops = new Loops(edges);
  const numberOf = new Map(edges.map((edge, k) => [edge.id, k]));
  const fed = loops.fed();
  const rated = (id: Id) => partOf(lv.deviceOf.get(id), 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;
  const fuses = lv.devices
    .filter(({ device }) => device.kind === 'lv-fuse')
    .map(({ id }) => id)
    .sort((p, q) => rated(p) - rated(q));
  const protecting = new Map<Id, Id>();
  for (const fuse of fuses) {
    const still = loops.fed([numberOf.get(fuse)!]);
    for (const { id } of lv.conductors) {
      const edge = numberOf.get(id)!;
      if (fed[edge] && !still[edge] && !protecting.has(id)) protecting.set(id, fuse);
    }
  }
  return protecting;
}
