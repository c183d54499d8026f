import type { Resolved } from './resolve';

const keys = new WeakMap<object, string>();

/** What is joined to what, as text: equal for builds that differ only in lengths, parts, powers or names. */
export function topologyKey(resolved: Resolved): string {
  const known = keys.get(resolved.conductors);
  if (known !== undefined) return known;
  let key = '';
  for (const { id, device } of resolved.devices) key += `${id}:${device.kind}:${device.role ?? ''}|`;
  for (const { id, conductor } of resolved.conductors)
    key += `${id}:${conductor.a.deviceId}.${conductor.a.terminal}>${conductor.b.deviceId}.${conductor.b.terminal}|`;
  keys.set(resolved.conductors, key);
  return key;
}
