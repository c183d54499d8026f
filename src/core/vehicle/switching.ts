import { type Build, type ContactorRole, type Device, hasTrait, type Id } from '../build';
import { type Edge, edgesOf, Loops } from './loops';
import { Memo, room } from './memory';
import { nodeOf } from './node';
import type { Resolved } from './resolve';
import { topologyKey } from './topology-key';

/** A precharge resistor with all that carries only its current, and what it stands across. */
export interface PrechargeBranch {
  readonly resistorIds: readonly Id[];
  /** Contactors that carry nothing but the resistor's current. */
  readonly relayIds: readonly Id[];
  /** Contactors that it bridges: they close after it. Empty: it bridges none. */
  readonly bridgedIds: readonly Id[];
  /** Both its ends are one piece of wire: what it should bridge is bridged already. */
  readonly shorted: boolean;
}

/** Who closes when, as the wiring has it. */
interface Switching {
  readonly branches: readonly PrechargeBranch[];
  readonly relays: ReadonlySet<Id>;
  readonly bridged: ReadonlySet<Id>;
  /** Contactors without which no cell reaches any inverter. */
  readonly mains: ReadonlySet<Id>;
  /** Contactors without which no cell reaches one of the chargers. */
  readonly chargeMains: ReadonlySet<Id>;
}

const found = room(() => new Memo<Switching>(12));

function switchingOf(resolved: Resolved): Switching {
  return resolved.memory.of(found).get(topologyKey(resolved), () => findSwitching(resolved));
}

const JOINED: ReadonlySet<string> = new Set(['fuse', 'sensor', 'disconnect']);

function findSwitching(resolved: Resolved): Switching {
  const edges = edgesOf(resolved).filter(({ id }) => resolved.deviceOf.get(id)?.device.kind !== 'capacitor');
  const loops = new Loops(edges);
  const numberOf = new Map(edges.map((edge, i) => [edge.id, i]));
  const kindOf = (id: Id) => resolved.deviceOf.get(id)?.device.kind;
  const fed = loops.fed();
  const goesWith = (id: Id): Set<Id> => {
    const still = loops.fed([numberOf.get(id)!]);
    return new Set(edges.flatMap((edge, i) => (fed[i] && !still[i] ? [edge.id] : [])));
  };
  const branches: PrechargeBranch[] = [];
  const taken = new Set<Id>();
  for (const { id, device } of resolved.devices) {
    if (device.kind !== 'precharge-resistor' || taken.has(id)) continue;
    // What loses its loop with the resistor carries only its current; what it loses besides, by accident, is a load of its own.
    const only = goesWith(id);
    only.add(id);
    const resistorIds = [...only].filter((one) => kindOf(one) === 'precharge-resistor');
    for (const one of resistorIds) taken.add(one);
    // Where no other way leads past it the whole circuit goes with it: then only its name tells.
    const alone = [...only].some((one) => kindOf(one) === 'box');
    const relayIds = [...only].filter(
      (one) => kindOf(one) === 'contactor' && (!alone || resolved.deviceOf.get(one)!.device.role === 'precharge'),
    );
    branches.push({ resistorIds, relayIds, ...bridgedBy(resolved, id, new Set([...resistorIds, ...relayIds])) });
  }
  /** Contactors without which nothing of these is fed, whatever else is out. */
  const fedOnlyBy = (fedIds: readonly Id[], out: readonly Id[] = []) =>
    new Set(
      resolved.devices
        .filter(({ id, device }) => device.kind === 'contactor' && !relays.has(id) && fedIds.length > 0)
        .filter(({ id }) => {
          const still = loops.fed([id, ...out].map((one) => numberOf.get(one)!));
          return fedIds.every((one) => !still[numberOf.get(one)!]);
        })
        .map(({ id }) => id),
    );
  const ids = (is: (device: Device) => boolean) =>
    resolved.devices.flatMap(({ id, device }) => (is(device) ? [id] : []));
  const relays = new Set(branches.flatMap(({ relayIds }) => relayIds));
  const mains = fedOnlyBy(ids(({ kind }) => kind === 'inverter'));
  // What any of them needs; nothing is charged through a precharge resistor.
  const resistors = branches.flatMap(({ resistorIds }) => resistorIds);
  const chargeMains = new Set(
    ids(({ kind }) => hasTrait(kind, 'charges')).flatMap((id) => [...fedOnlyBy([id], resistors)]),
  );
  return { branches, relays, mains, chargeMains, bridged: new Set(branches.flatMap(({ bridgedIds }) => bridgedIds)) };
}

/** The contactors between the two ends of a precharge branch, by fewest; fuses, shunts and disconnects count as joined. */
function bridgedBy(
  resolved: Resolved,
  resistorId: Id,
  own: ReadonlySet<Id>,
): Pick<PrechargeBranch, 'bridgedIds' | 'shorted'> {
  const parent = new Map<string, string>();
  const find = (node: string): string => {
    let root = node;
    for (let up = parent.get(root); up !== undefined && up !== root; up = parent.get(root)) root = up;
    return root;
  };
  const join = (a: string, b: string) => void parent.set(find(a), find(b));
  const ends = (edge: Pick<Edge, 'a' | 'b'>) => [find(edge.a), find(edge.b)] as const;
  for (const { conductor } of resolved.conductors) join(nodeOf(conductor.a), nodeOf(conductor.b));
  const contactors: Edge[] = [];
  for (const { id, device } of resolved.devices) {
    const edge = { id, a: `${id}.a`, b: `${id}.b`, source: false };
    if (JOINED.has(device.kind) || (own.has(id) && device.kind === 'contactor')) join(edge.a, edge.b);
    else if (device.kind === 'precharge-resistor' && own.has(id) && id !== resistorId) join(edge.a, edge.b);
    else if (device.kind === 'contactor') contactors.push(edge);
  }
  const [start, goal] = ends({ a: `${resistorId}.a`, b: `${resistorId}.b` });
  if (start === goal) return { bridgedIds: [], shorted: true };
  const by = new Map<string, { from: string; id: Id } | null>([[start, null]]);
  const queue = [start];
  for (let head = 0; head < queue.length && !by.has(goal); head++)
    for (const edge of contactors) {
      const [p, q] = ends(edge);
      const to = p === queue[head] ? q : q === queue[head] ? p : null;
      if (to === null || by.has(to)) continue;
      by.set(to, { from: queue[head]!, id: edge.id });
      queue.push(to);
    }
  const bridgedIds: Id[] = [];
  for (let step = by.get(goal); step; step = by.get(step.from)) bridgedIds.push(step.id);
  return { bridgedIds, shorted: false };
}

/** Every precharge resistor with its relay and the contactors that it bridges, by the wiring. */
export const prechargeBranches = (resolved: Resolved): readonly PrechargeBranch[] => switchingOf(resolved).branches;

/** Contactors that carry nothing but a precharge resistor's current, whatever they are called. */
export const isPrechargeRelay = (resolved: Resolved, id: Id): boolean => switchingOf(resolved).relays.has(id);

/** What a state asks of the contactors, by their role. */
interface Asked {
  readonly id: string;
  readonly closed: readonly ContactorRole[];
}

const MAIN_ROLES: ReadonlySet<string> = new Set(['main-plus', 'main-minus']);

/** Charging and driving close contactors of their own, as it is told. */
export const chargesApart = ({ charging }: Build): boolean =>
  charging?.apart === 'own-contactors' || charging?.apart === 'changeover';

/**
 * Contactors that are closed in a state. Their roles tell which the sequence commands; the wiring tells which of them is a precharge
 * relay, closed in precharge only, and which is bridged by the resistor and so stays open until the link is charged.
 */
export function closedIn(resolved: Resolved, state: Asked): ReadonlySet<Id> {
  const { branches, relays, bridged, mains, chargeMains } = switchingOf(resolved);
  const closed = new Set<Id>();
  // Charging by contactors of its own leaves those open that only driving asks for.
  const ownCharge = state.id === 'charging' && chargesApart(resolved.build);
  for (const { id, device } of resolved.devices) {
    if (device.kind !== 'contactor') continue;
    const role = device.role ?? 'branch';
    const asked = ownCharge
      ? !relays.has(id) && (role === 'charge' || chargeMains.has(id))
      : state.id !== 'precharge'
        ? state.closed.includes(role) && !relays.has(id)
        : relays.has(id)
          ? true
          : branches.length > 0
            ? (MAIN_ROLES.has(role) || mains.has(id)) && !bridged.has(id)
            : state.closed.includes(role);
    if (asked) closed.add(id);
  }
  return closed;
}
