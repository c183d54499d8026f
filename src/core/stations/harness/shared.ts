import { findConductor, findDevice, type Id } from '../../build';
import type { Ref } from '../../checks';
import type { HarnessWire } from '../../vehicle';
import type { Context } from '../context';

export const WIRING_REF: Ref = { kind: 'build', id: 'wiring', name: 'Wiring' };

/** A wire of a circuit is its conductor; a signal wire is known to the harness alone. */
export const wireRef = (
  { vehicle }: Context,
  { id, label, name }: Pick<HarnessWire, 'id' | 'label' | 'name'>,
): Ref => ({
  kind: findConductor(vehicle.build, id) ? 'conductor' : 'build',
  id,
  name: `${label} ${name}`,
});
export const hostRef = ({ vehicle }: Context, id: Id, name: string): Ref => ({
  kind: findDevice(vehicle.build, id) ? 'device' : 'build',
  id,
  name,
});

/** Something was told about wires beyond the circuits: signals, ticks, CAN bus. */
export const hasHarness = ({ vehicle }: Pick<Context, 'vehicle'>): boolean =>
  Object.values(vehicle.build.harness ?? {}).some((list) => Object.keys(list ?? {}).length > 0);

export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
/** A few by name, the rest by number. */
export const some = (names: readonly string[], most = 4): string =>
  names.length <= most ? names.join('; ') : `${names.slice(0, most).join('; ')}; and ${names.length - most} more`;

/** In groups by a key, in the order of their first. */
export function grouped<T>(list: readonly T[], key: (one: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const known = groups.get(key(one));
    if (known) known.push(one);
    else groups.set(key(one), [one]);
  }
  return groups;
}
