import type { Resolved } from '@/core/vehicle';
import type { Placed, Wire } from './layout-types';

type XY = readonly [number, number];

/** Room that one more string takes at the left. */
export const STRING_ROOM = 214;
const HALF = 18;
/** The ways to the rails run outside of labels and rails. */
const OVER = 56;
const UNDER = 26;

export interface MoreStrings {
  readonly devices: readonly Placed[];
  readonly wires: readonly Wire[];
  readonly dots: readonly XY[];
  /** How far left of zero the drawing now reaches, as a positive figure. */
  readonly leftBy: number;
}

/** Boxes beside the drawn string, each with what stands in its way on both sides until the way meets what is drawn. */
export function moreStrings(
  vehicle: Resolved,
  drawn: { readonly devices: readonly Placed[]; readonly wires: readonly Wire[] },
  frame: {
    readonly firstX: number;
    readonly top: number;
    readonly bottom: number;
    readonly box: { width: number; height: number };
  },
): MoreStrings {
  const out = { devices: [] as Placed[], wires: [] as Wire[], dots: [] as XY[] };
  const shown = new Set([...drawn.devices.map(({ id }) => id), ...drawn.wires.map(({ id }) => id)]);
  const wireAt = (node: string) => vehicle.conductors.filter(({ nodeA, nodeB }) => nodeA === node || nodeB === node);
  const isDrawn = (node: string) => wireAt(node).some(({ id }) => shown.has(id));

  /** From a terminal outward: wires and devices in turn, until a node of the drawing; null when it ends or forks. */
  const outward = (from: string): { readonly ids: readonly string[]; readonly meets: string } | null => {
    const ids: string[] = [];
    let node = from;
    for (let step = 0; step < 40; step++) {
      const next = wireAt(node).filter(({ id }) => !shown.has(id) && !ids.includes(id));
      if (next.length !== 1) return null;
      const [{ id, nodeA, nodeB }] = next as [(typeof next)[number]];
      ids.push(id);
      node = nodeA === node ? nodeB : nodeA;
      if (isDrawn(node)) return { ids, meets: node };
      const [deviceId, terminal] = [node.slice(0, node.lastIndexOf('.')), node.slice(node.lastIndexOf('.') + 1)];
      const device = vehicle.deviceOf.get(deviceId)?.device;
      const other = { a: 'b', b: 'a', plus: 'minus', minus: 'plus' }[terminal];
      if (!device || !other || shown.has(deviceId)) return null;
      ids.push(deviceId);
      node = `${deviceId}.${other}`;
    }
    return null;
  };

  let strings = 0;
  for (const box of vehicle.devices) {
    if (box.device.kind !== 'box' || shown.has(box.id)) continue;
    const up = outward(`${box.id}.plus`);
    const down = outward(`${box.id}.minus`);
    if (!up || !down) continue;
    const path = [...[...up.ids].reverse(), box.id, ...down.ids];
    const devices = path.filter((id) => vehicle.deviceOf.has(id));
    const x = frame.firstX - STRING_ROOM * ++strings;
    const isBox = (id: string) => vehicle.deviceOf.get(id)!.device.kind === 'box';
    const half = (id: string) => (isBox(id) ? frame.box.height / 2 : HALF);
    const room = frame.bottom - frame.top - devices.reduce((sum, id) => sum + 2 * half(id), 0);
    const gap = room / (devices.length + 1);
    let y = frame.top + gap;
    const ys = new Map<string, number>();
    for (const id of devices) {
      ys.set(id, y + half(id));
      out.devices.push({
        id,
        device: vehicle.deviceOf.get(id)!.device,
        x,
        y: y + half(id),
        turned: true,
        ...(isBox(id) ? frame.box : {}),
      });
      y += 2 * half(id) + gap;
    }
    const meets = { up: pointOf(up.meets, vehicle, drawn), down: pointOf(down.meets, vehicle, drawn) };
    if (meets.up) out.dots.push(meets.up);
    if (meets.down) out.dots.push(meets.down);
    path.forEach((id, index) => {
      if (vehicle.deviceOf.has(id)) return;
      const [before, after] = [path[index - 1], path[index + 1]];
      const points: XY[] = [];
      if (before === undefined && meets.up)
        points.push(meets.up, [meets.up[0], frame.top - OVER], [x, frame.top - OVER]);
      else if (before !== undefined) points.push([x, (ys.get(before) ?? frame.top) + half(before)]);
      if (after === undefined && meets.down)
        points.push([x, frame.bottom + UNDER], [meets.down[0], frame.bottom + UNDER], meets.down);
      else if (after !== undefined) points.push([x, (ys.get(after) ?? frame.bottom) - half(after)]);
      if (points.length > 1) out.wires.push({ id, points, chip: null });
    });
    for (const id of path) shown.add(id);
  }
  return { ...out, leftBy: STRING_ROOM * strings };
}

/** Where a node stands in the drawing: the end of its wires that is nearest to its device, or that two of them share. */
function pointOf(
  node: string,
  vehicle: Resolved,
  drawn: { readonly devices: readonly Placed[]; readonly wires: readonly Wire[] },
): XY | null {
  const touching = drawn.wires.filter(({ id }) => {
    const wire = vehicle.conductorOf.get(id);
    return wire?.nodeA === node || wire?.nodeB === node;
  });
  const ends = touching.flatMap(({ points }) => [points[0]!, points.at(-1)!]);
  const placed = drawn.devices.find(({ id }) => node.startsWith(`${id}.`));
  const nearest = (goal: XY) =>
    [...ends].sort(
      (p, q) => Math.hypot(p[0] - goal[0], p[1] - goal[1]) - Math.hypot(q[0] - goal[0], q[1] - goal[1]),
    )[0] ?? null;
  if (placed) return nearest([placed.x, placed.y]);
  const shared = ends.find((p, k) => ends.some((q, other) => other !== k && Math.hypot(p[0] - q[0], p[1] - q[1]) < 1));
  return shared ?? ends[0] ?? null;
}
