import type { Id } from '../build';
import type { Resolved, ResolvedConductor, ResolvedDevice } from './resolve';
import { nodeOf } from './stamp';

const SERIES: ReadonlySet<string> = new Set(['contactor', 'fuse', 'disconnect', 'sensor']);

export interface Way {
  /** Everything in series between the pack and the device, out and back, boxes left out. */
  readonly seriesIds: readonly Id[];
  readonly boxIds: readonly Id[];
  readonly conductors: readonly ResolvedConductor[];
  /** All of it in order, from the device's plus through the pack to its minus. */
  readonly ids: readonly Id[];
}

/** The way from a device's plus through the pack to its minus, by fewest steps; null when there is none. Precharge branches don't count. */
export function wayOf(vehicle: Resolved, device: ResolvedDevice): Way | null {
  const links = new Map<string, { to: string; id: Id }[]>();
  const link = (id: Id, a: string, b: string) => {
    links.set(a, [...(links.get(a) ?? []), { to: b, id }]);
    links.set(b, [...(links.get(b) ?? []), { to: a, id }]);
  };
  for (const { id, device: candidate } of vehicle.devices) {
    if (candidate.kind === 'box') link(id, `${id}.plus`, `${id}.minus`);
    if (SERIES.has(candidate.kind) && candidate.role !== 'precharge') link(id, `${id}.a`, `${id}.b`);
  }
  for (const conductor of vehicle.conductors)
    link(conductor.id, nodeOf(conductor.conductor.a), nodeOf(conductor.conductor.b));
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
  const boxIds = ids.filter((id) => vehicle.deviceOf.get(id)?.device.kind === 'box');
  if (boxIds.length === 0) return null;
  return {
    ids,
    seriesIds: ids.filter((id) => !boxIds.includes(id)),
    boxIds,
    conductors: ids.flatMap((id) => vehicle.conductorOf.get(id) ?? []),
  };
}
