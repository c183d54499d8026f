import { type Build, findDevice, type Id, own } from '../../build';
import { zoneNameOf } from '../way-finding';

/** What a wire ends at: a device of the circuits, or a fitting of the harness. */
export interface Host {
  readonly id: Id;
  readonly name: string;
  readonly is: 'device' | 'fitting';
  /** Kind of device or fitting. */
  readonly kind: string;
  readonly zoneId: Id | null;
  /** Joins wires and is no end of a line: splice, strip, inline plug, joint. */
  readonly passes: boolean;
}

const PASSING: ReadonlySet<string> = new Set(['splice', 'strip', 'plug', 'earth-point', 'junction', 'lv-junction']);

/** Null: nothing of this id is in the build any more. */
export function hostOf(build: Build, id: Id): Host | null {
  const device = findDevice(build, id);
  if (device)
    return {
      id,
      name: device.name,
      is: 'device',
      kind: device.kind,
      zoneId: device.place?.zoneId ?? (device.insideId ? (hostOf(build, device.insideId)?.zoneId ?? null) : null),
      passes: PASSING.has(device.kind),
    };
  const fitting = own(build.harness?.fittings ?? {}, id);
  return fitting
    ? {
        id,
        name: fitting.name,
        is: 'fitting',
        kind: fitting.kind,
        zoneId: fitting.zoneId,
        passes: PASSING.has(fitting.kind),
      }
    : null;
}

export const hostPlace = (build: Build, host: Host | null): string =>
  host?.zoneId ? zoneNameOf(build, host.zoneId) : 'place not entered';

/** Things that a signal wire can end at, in the order of their names. */
export const hostsOf = (build: Build): readonly Host[] =>
  [
    ...Object.keys(build.circuits.hv.devices),
    ...Object.keys(build.circuits.lv.devices),
    ...Object.keys(build.harness?.fittings ?? {}),
  ]
    .map((id) => hostOf(build, id)!)
    .sort((p, q) => p.name.localeCompare(q.name));
