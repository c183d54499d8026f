import { slotsBehind } from '../build/reads';
import { Follows, settles } from './memory';
import type { Resolved } from './resolve';

const keys = new Follows<Resolved, string>();

const ofVehicle = settles('topology', (vehicle: Resolved): string => spellTopology(vehicle));

/**
 * What is joined to what, as text: equal for builds that differ only in lengths, parts, powers or names. Whoever asks it of a vehicle rests on
 * this text alone, not on the conductors and devices that it was made of.
 */
export const topologyKey = (resolved: Resolved): string =>
  slotsBehind(resolved) ? ofVehicle(resolved) : keys.get(resolved, () => spellTopology(resolved));

function spellTopology(resolved: Resolved): string {
  let key = '';
  for (const { id, device } of resolved.devices) key += `${id}:${device.kind}:${device.role ?? ''}|`;
  for (const { id, conductor } of resolved.conductors)
    key += `${id}:${conductor.a.deviceId}.${conductor.a.terminal}>${conductor.b.deviceId}.${conductor.b.terminal}|`;
  return key;
}
