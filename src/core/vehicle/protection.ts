import type { Id } from '../build';
import { type Edge, edgesOf, Loops } from './loops';
import { Memo, room } from './memory';
import { partOf, type Resolved, type ResolvedDevice } from './resolve';
import { topologyKey } from './topology-key';

export interface Protection {
  /** For each conductor the devices whose opening takes it off every source. */
  readonly of: ReadonlyMap<Id, readonly Id[]>;
  /** For a conductor that no single one takes off every source, as behind packs in parallel: a smallest set that does together. */
  readonly jointly: ReadonlyMap<Id, readonly Id[]>;
  /** Conductors that no source can feed. */
  readonly unfed: ReadonlySet<Id>;
}

/**
 * For each conductor the series devices of `kind` that take it off every source when they open: its fuses, or the resistors that limit
 * its current. Behind sources in parallel several may have to open together: `jointly`. A conductor that no source can feed has an empty list and is listed in `unfed`.
 */
export function protectingFuses(resolved: Resolved, kind: 'fuse' | 'precharge-resistor'): Protection {
  // The topology counts, and of several fuses that do as well the smallest: lengths, cables and powers may change without looking again.
  const ratings = resolved.devices.map((device) => (device.device.kind === 'fuse' ? ratedA(device) : '')).join();
  return resolved.memory
    .of(found[kind])
    .get(`${topologyKey(resolved)}${ratings}`, () => findProtection(resolved, edgesOf(resolved), kind));
}

const ratedA = (device: ResolvedDevice | undefined): number =>
  partOf(device, 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;

const found = {
  fuse: room(() => new Memo<Protection>(12)),
  'precharge-resistor': room(() => new Memo<Protection>(12)),
};

function findProtection(resolved: Resolved, edges: readonly Edge[], kind: 'fuse' | 'precharge-resistor'): Protection {
  const loops = new Loops(edges);
  const numberOf = new Map(edges.map((edge, i) => [edge.id, i]));
  const conductors = resolved.conductors.map(({ id }) => ({ id, edge: numberOf.get(id)! }));
  const normally = loops.fed();
  const of = new Map<Id, Id[]>(conductors.map(({ id }) => [id, []]));
  for (const { id, device } of resolved.devices) {
    if (device.kind !== kind) continue;
    const still = loops.fed([numberOf.get(id)!]);
    for (const conductor of conductors)
      if (normally[conductor.edge] && !still[conductor.edge]) of.get(conductor.id)!.push(id);
  }
  return {
    of,
    jointly: kind === 'fuse' ? findJoint(resolved, loops, numberOf, (edge) => normally[edge] === 1, of) : new Map(),
    unfed: new Set(conductors.filter(({ edge }) => !normally[edge]).map(({ id }) => id)),
  };
}

/** The sets of fuses that protect together: with the largest closed again one by one as long as the conductor stays off. */
function findJoint(
  resolved: Resolved,
  loops: Loops,
  numberOf: ReadonlyMap<Id, number>,
  normally: (edge: number) => boolean,
  singly: ReadonlyMap<Id, readonly Id[]>,
): Map<Id, readonly Id[]> {
  const rated = (id: Id): number => ratedA(resolved.deviceOf.get(id));
  const fuses = resolved.devices
    .filter(({ device }) => device.kind === 'fuse')
    .map(({ id }) => id)
    .sort((p, q) => (rated(q) === rated(p) ? (p < q ? -1 : 1) : rated(q) > rated(p) ? 1 : -1));
  const joint = new Map<Id, readonly Id[]>();
  const off = (open: readonly Id[]) => loops.fed(open.map((id) => numberOf.get(id)!));
  const allOpen = off(fuses);
  let waiting = resolved.conductors
    .map(({ id }) => ({ id, edge: numberOf.get(id)! }))
    .filter(({ id, edge }) => normally(edge) && !allOpen[edge] && (singly.get(id) ?? []).length === 0);
  while (waiting.length > 0) {
    const { edge } = waiting[0]!;
    let open = fuses;
    for (const fuse of fuses) {
      const fewer = open.filter((id) => id !== fuse);
      if (!off(fewer)[edge]) open = fewer;
    }
    const still = off(open);
    const covered = waiting.filter((one) => !still[one.edge]);
    for (const { id } of covered) joint.set(id, open);
    waiting = waiting.filter((one) => still[one.edge]);
  }
  return joint;
}
