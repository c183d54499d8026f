import { Follows } from './memory';
import type { Resolved } from './resolve';

const keys = new Follows<Resolved, string>();

/** What is joined to what, as text: equal for builds that differ only in lengths, parts, powers or names. */
export const topologyKey = (resolved: Resolved): string => keys.get(resolved, () => spellTopology(resolved));

function spellTopology(resolved: Resolved): string {
  let key = '';
  for (const { id, device } of resolved.devices) key += `${id}:${device.kind}:${device.role ?? ''}|`;
  for (const { id, conductor } of resolved.conductors)
    key += `${id}:${conductor.a.deviceId}.${conductor.a.terminal}>${conductor.b.deviceId}.${conductor.b.terminal}|`;
  return key;
}
