import type { Id } from '../build';
import { apart } from '../build/reads';
import { Follows, Memo, room } from './memory';
import { nodeOf } from './node';
import type { Resolved, ResolvedConductor, ResolvedDevice } from './resolve';
import { isPrechargeRelay } from './switching';
import { topologyKey } from './topology-key';

const SERIES: ReadonlySet<string> = new Set(['contactor', 'fuse', 'disconnect', 'sensor']);

export interface Way {
  /** Everything in series between the pack and the device, out and back, boxes left out. */
  readonly seriesIds: readonly Id[];
  readonly boxIds: readonly Id[];
  /** All of it in order, from the device's plus through the pack to its minus. */
  readonly ids: readonly Id[];
}

type Links = Map<string, { readonly to: string; readonly id: Id }[]>;

const graphs = new Follows<Resolved, Links>();

/** What conducts between terminals with everything closed; consumers and precharge branches left out. Built once per resolved vehicle. */
const linksOf = (vehicle: Resolved): Links => graphs.get(vehicle, () => findLinks(vehicle));

function findLinks(vehicle: Resolved): Links {
  const links: Links = new Map();
  const put = (from: string, to: string, id: Id) => {
    const list = links.get(from);
    if (list) list.push({ to, id });
    else links.set(from, [{ to, id }]);
  };
  const link = (id: Id, a: string, b: string) => {
    put(a, b, id);
    put(b, a, id);
  };
  for (const { id, device } of vehicle.devices) {
    if (device.kind === 'box') link(id, `${id}.plus`, `${id}.minus`);
    if (SERIES.has(device.kind) && !isPrechargeRelay(vehicle, id)) link(id, `${id}.a`, `${id}.b`);
  }
  for (const conductor of vehicle.conductors)
    link(conductor.id, nodeOf(conductor.conductor.a), nodeOf(conductor.conductor.b));
  return links;
}

/** The way from a device's plus through the pack to its minus, by fewest steps; null when there is none. Precharge branches don't count. */
export function wayOf(vehicle: Resolved, device: ResolvedDevice): Way | null {
  const known = vehicle.memory.of(ways).get(topologyKey(vehicle), () => new Map());
  // Whoever asks rests on what is joined to what, and on nothing else of it.
  if (!known.has(device.id))
    known.set(
      device.id,
      apart(() => wayAlong(vehicle, findIds(vehicle, device))),
    );
  return known.get(device.id) ?? null;
}

/** The conductors of a way, with all that was looked up for them. */
export const conductorsOf = (vehicle: Resolved, way: Way | null): readonly ResolvedConductor[] =>
  way?.ids.flatMap((id) => vehicle.conductorOf.get(id) ?? []) ?? [];

const ways = room(() => new Memo<Map<Id, Way | null>>(12));

function wayAlong(vehicle: Resolved, ids: readonly Id[] | null): Way | null {
  if (!ids) return null;
  const isBox = (id: Id) => vehicle.deviceOf.get(id)?.device.kind === 'box';
  const boxIds = ids.filter(isBox);
  return boxIds.length === 0 ? null : { ids, seriesIds: ids.filter((id) => !isBox(id)), boxIds };
}

function findIds(vehicle: Resolved, device: ResolvedDevice): Id[] | null {
  const links = linksOf(vehicle);
  const start = `${device.id}.plus`;
  const goal = `${device.id}.minus`;
  const by = new Map<string, { from: string; id: Id } | null>([[start, null]]);
  const queue = [start];
  for (let head = 0; head < queue.length && !by.has(goal); head++) {
    for (const { to, id } of links.get(queue[head]!) ?? []) {
      if (by.has(to)) continue;
      by.set(to, { from: queue[head]!, id });
      queue.push(to);
    }
  }
  if (!by.has(goal)) return null;
  const ids: Id[] = [];
  for (let step = by.get(goal); step; step = by.get(step.from)) ids.unshift(step.id);
  return ids;
}
