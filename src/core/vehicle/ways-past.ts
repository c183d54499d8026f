import { deviceDefinition, type Id } from '../build';
import { Sets } from '../circuit';
import type { Resolved, ResolvedDevice } from './resolve';

interface Link {
  readonly to: string;
  readonly id: Id;
}

const BODY = 'body';

/** Terminals between which a fuse, a switch or a relay’s contact stands; null: it is none. */
function guards({ device }: ResolvedDevice): readonly [string, string] | null {
  if (device.kind === 'lv-fuse') return ['a', 'b'];
  return deviceDefinition(device.kind).opens ?? null;
}

/** What carries current on whatever is switched off: wires, fuses, earth points. */
function linksOf({ devices, conductors }: Resolved): ReadonlyMap<string, readonly Link[]> {
  const links = new Map<string, Link[]>();
  const join = (a: string, b: string, id: Id) => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const list = links.get(from);
      if (list) list.push({ to, id });
      else links.set(from, [{ to, id }]);
    }
  };
  for (const { id, nodeA, nodeB } of conductors) join(nodeA, nodeB, id);
  for (const { id, device } of devices) {
    if (device.kind === 'lv-fuse') join(`${id}.a`, `${id}.b`, id);
    if (device.kind === 'earth') join(`${id}.n`, BODY, id);
  }
  return links;
}

interface FuseBetween {
  readonly id: Id;
  readonly from: string;
  readonly to: string;
}

/** Fuses that may have another way around them: those that are left once whatever ends nowhere has been taken off again and again. */
function fusesInLoops(fuses: readonly FuseBetween[]): ReadonlySet<Id> {
  let left = fuses;
  for (;;) {
    const touched = new Map<string, number>();
    for (const { from, to } of left) for (const node of [from, to]) touched.set(node, (touched.get(node) ?? 0) + 1);
    const still = left.filter(({ from, to }) => from === to || (touched.get(from)! > 1 && touched.get(to)! > 1));
    if (still.length === left.length) return new Set(still.map(({ id }) => id));
    left = still;
  }
}

/** Wires and fuses from one end of a guard to the other without the guard itself, the shortest way; null: there is none. */
function pastGuard(links: ReadonlyMap<string, readonly Link[]>, id: Id, from: string, to: string): Id[] | null {
  const by = new Map<string, { readonly from: string; readonly id: Id } | null>([[from, null]]);
  for (const [node] of by) {
    if (node === to) break;
    for (const link of links.get(node) ?? [])
      if (link.id !== id && !by.has(link.to)) by.set(link.to, { from: node, id: link.id });
  }
  if (!by.has(to)) return null;
  const path: Id[] = [];
  for (let step = by.get(to); step; step = by.get(step.from)) path.unshift(step.id);
  return path;
}

/** A fuse or a contact of the 12-volt side that is wired on both sides. */
export interface Guarded {
  readonly at: ResolvedDevice;
  /** Wires, fuses and earth points that lead around it, in order; null: nothing does. */
  readonly past: readonly Id[] | null;
}

/** Each fuse and contact of the 12-volt side, auxiliary contacts of the traction circuit too, with what leads around it. */
export function waysPast(lv: Resolved, traction: readonly ResolvedDevice[]): Guarded[] {
  const links = linksOf(lv);
  const wired = new Sets();
  for (const { nodeA, nodeB } of lv.conductors) wired.join(nodeA, nodeB);
  for (const { id, device } of lv.devices) if (device.kind === 'earth') wired.join(`${id}.n`, BODY);
  const fuses = lv.devices
    .filter(({ device }) => device.kind === 'lv-fuse')
    .map(({ id }) => ({ id, from: wired.find(`${id}.a`), to: wired.find(`${id}.b`) }));
  const inLoops = fusesInLoops(fuses);
  const fed = new Sets();
  for (const [from, to] of links) for (const link of to) fed.join(from, link.to);
  return [...lv.devices, ...traction].flatMap((at): Guarded[] => {
    const ends = guards(at);
    if (!ends) return [];
    const [a, b] = ends.map((terminal) => `${at.id}.${terminal}`) as [string, string];
    if (![a, b].every((node) => links.get(node)?.some(({ id }) => id !== at.id))) return [];
    const maybe = at.device.kind === 'lv-fuse' ? inLoops.has(at.id) : fed.find(a) === fed.find(b);
    return [{ at, past: maybe ? pastGuard(links, at.id, a, b) : null }];
  });
}
