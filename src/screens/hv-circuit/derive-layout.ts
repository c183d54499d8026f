import { DEVICE_KINDS, hasTrait, PHASES, TERMINALS } from '@/core/build';
import { type Resolved, type ResolvedDevice, type Way, wayOf } from '@/core/vehicle';
import { moreStrings } from './derive-strings';
import type { Placed, Wire } from './layout-types';

export type { Placed, Wire };

/** Where everything of the circuit drawing stands. Pure: the drawing follows the model. */
export interface CircuitLayout {
  /** Where the drawing begins: below zero with more strings than one. */
  readonly left: number;
  readonly width: number;
  readonly height: number;
  readonly devices: readonly Placed[];
  readonly wires: readonly Wire[];
  /** Dots where wires meet. */
  readonly dots: readonly (readonly [number, number])[];
  /** Devices that nothing joins to what is drawn. */
  readonly loose: readonly ResolvedDevice[];
  /** Joined to it, but in a place that the drawing does not know: a second string, a branch of a branch. */
  readonly undrawn: readonly ResolvedDevice[];
}

const TOP = 66;
const PACK_X = 104;
/** Room for a chip between two symbols of a rail. */
const CHIP_ROOM = 92;
const SLOT = 152;
const BOX = { width: 178, height: 66 };
/** Half the length of a series symbol. */
const HALF = 18;
/** Free wire between two things of the string. */
const STRING_GAP = 15;
/** From its left tap a precharge bridge reaches this far per item. */
const BRIDGE_ITEM = 64;
const BRIDGE_DROP = 54;

/** Nothing that hangs between the poles: joints are dots, a motor hangs on its inverter. */
const ASIDE: ReadonlySet<string> = new Set(['junction', 'motor']);

/** Between inverter and motor. */

interface Main {
  readonly inverter: ResolvedDevice;
  /** From the pack's plus to the consumer, in order; conductors and devices. */
  readonly plus: readonly string[];
  readonly pack: readonly string[];
  readonly minus: readonly string[];
}

function mainWay(vehicle: Resolved): { main: Main; ways: Map<string, Way> } | null {
  const ways = new Map<string, Way>();
  for (const device of vehicle.devices) {
    if (!hasTrait(device.device.kind, 'consumer')) continue;
    const way = wayOf(vehicle, device);
    if (way) ways.set(device.id, way);
  }
  const consumer = vehicle.devices
    .filter((device) => ways.has(device.id))
    .sort((p, q) => DEVICE_KINDS.indexOf(p.device.kind) - DEVICE_KINDS.indexOf(q.device.kind))[0];
  if (!consumer) return null;
  const { ids, boxIds } = ways.get(consumer.id)!;
  const first = ids.findIndex((id) => boxIds.includes(id));
  const last = ids.length - 1 - [...ids].reverse().findIndex((id) => boxIds.includes(id));
  return {
    main: {
      inverter: consumer,
      plus: ids.slice(0, first).reverse(),
      pack: ids.slice(first, last + 1),
      minus: ids.slice(last + 1),
    },
    ways,
  };
}

/** Lays the circuit out: the string at the left, plus rail above, minus rail below, consumers between, the main one at the right. */
export function layOutCircuit(vehicle: Resolved): CircuitLayout {
  const found = mainWay(vehicle);
  const consumersOf = vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'consumer'));
  if (!found)
    return {
      left: 0,
      width: 900,
      height: 120,
      devices: [],
      wires: [],
      dots: [],
      loose: vehicle.devices.filter(({ device }) => !ASIDE.has(device.kind)),
      undrawn: [],
    };
  const { main, ways } = found;
  const devices: Placed[] = [];
  const wires: Wire[] = [];
  const dots: [number, number][] = [];
  const isDevice = (id: string) => vehicle.deviceOf.has(id);
  const place = (id: string, x: number, y: number, turned: boolean, size: { width?: number; height?: number } = {}) => {
    const device = vehicle.deviceOf.get(id)!.device;
    devices.push({ id, device, x, y, turned, ...size });
  };

  // The string, downwards from plus.
  const packItems = main.pack.filter(isDevice);
  const halfOf = (id: string) => (vehicle.deviceOf.get(id)!.device.kind === 'box' ? BOX.height / 2 : HALF);
  const packHeight = packItems.reduce((sum, id) => sum + 2 * halfOf(id), 0) + STRING_GAP * (packItems.length - 1);
  const bottom = Math.max(TOP + 232, TOP + packHeight + 56);
  let y = TOP + (bottom - TOP - packHeight) / 2;
  const firstY = y;
  const packY = packItems.map((id) => {
    const centre = y + halfOf(id);
    place(id, PACK_X, centre, true, vehicle.deviceOf.get(id)!.device.kind === 'box' ? BOX : {});
    y += 2 * halfOf(id) + STRING_GAP;
    return centre;
  });
  const lastY = y - STRING_GAP;
  const conductorsOf = (ids: readonly string[]) => ids.filter((id) => !isDevice(id));
  conductorsOf(main.pack).forEach((id, index) => {
    const from = packItems[index];
    const to = packItems[index + 1];
    if (from && to)
      wires.push({
        id,
        points: [
          [PACK_X, packY[index]! + halfOf(from)],
          [PACK_X, packY[index + 1]! - halfOf(to)],
        ],
        chip: null,
      });
  });

  // Rails: symbols with room for a chip between them; a contactor with a precharge bridge takes more.
  const branches = consumersOf.filter((device) => device.id !== main.inverter.id && ways.has(device.id));
  const plan = (ids: readonly string[]) => {
    let cursor = PACK_X + CHIP_ROOM + 22;
    const slots = new Map<string, { x: number; left: number; right: number; bridge: readonly string[] | null }>();
    for (const id of ids.filter(isDevice)) {
      const bridge = bridgeOver(vehicle, id);
      const items = bridge?.filter(isDevice).length ?? 0;
      const left = cursor;
      const x = left + (bridge ? 42 : HALF);
      const right = bridge ? left + Math.max(BRIDGE_ITEM * items + 16, 84) : x + HALF;
      slots.set(id, { x, left, right, bridge });
      cursor = right + CHIP_ROOM;
    }
    return { slots, end: cursor };
  };
  const plans = { plus: plan(main.plus), minus: plan(main.minus) };
  const railEnd = Math.max(plans.plus.end, plans.minus.end) - 10;
  const inverterX = railEnd + SLOT * branches.length + CHIP_ROOM + 46;
  const width = inverterX + 66;
  const rail = (ids: readonly string[], { slots }: ReturnType<typeof plan>, railY: number, startY: number) => {
    let points: [number, number][] = [
      [PACK_X, startY],
      [PACK_X, railY],
    ];
    let clear = PACK_X;
    ids.forEach((id, index) => {
      const slot = slots.get(id);
      if (slot) {
        place(id, slot.x, railY, false);
        points = [[slot.x + HALF, railY]];
        clear = slot.right;
        return;
      }
      const after = ids.slice(index + 1);
      const next = after.find(isDevice);
      const last = conductorsOf(after).length === 0;
      const endX = next ? slots.get(next)!.x - HALF : last ? inverterX - 52 : railEnd;
      const chipEnd = next ? slots.get(next)!.left : last && branches.length > 0 ? inverterX - 52 : endX;
      const chipStart = next || !last || branches.length === 0 ? clear : inverterX - 52 - CHIP_ROOM;
      wires.push({
        id,
        points: [...points, [endX, railY]],
        chip: chipEnd - chipStart >= 70 ? [(chipStart + chipEnd) / 2, railY] : null,
      });
      points = [[endX, railY]];
      clear = endX;
    });
  };
  rail(main.plus, plans.plus, TOP, firstY);
  rail(main.minus, plans.minus, bottom, lastY);
  place(main.inverter.id, inverterX, (TOP + bottom) / 2, true, { width: 104, height: bottom - TOP + 36 });

  // Branches hang between the rails, each with its own fuses.
  const mainIds = new Set([...main.plus, ...main.minus, ...main.pack]);
  branches.forEach((consumer, index) => {
    const x = railEnd + SLOT * index + SLOT / 2;
    const ids = ways.get(consumer.id)!.ids;
    const firstMain = ids.findIndex((id) => mainIds.has(id));
    const lastMain = ids.length - 1 - [...ids].reverse().findIndex((id) => mainIds.has(id));
    const middle = (TOP + bottom) / 2 + 26;
    const boxTop = middle - 26;
    const boxBottom = middle + 26;
    place(consumer.id, x, middle, true, { width: 136, height: 52 });
    column(ids.slice(0, firstMain).reverse(), x, TOP, boxTop, vehicle, place, wires);
    column([...ids.slice(lastMain + 1)].reverse(), x, bottom, boxBottom, vehicle, place, wires);
    dots.push([x, TOP], [x, bottom]);
  });

  // Precharge bridges its main contactor.
  for (const [{ slots }, railY, drop] of [
    [plans.plus, TOP, BRIDGE_DROP],
    [plans.minus, bottom, -BRIDGE_DROP],
  ] as const) {
    for (const { left, right, bridge } of slots.values())
      if (bridge) drawBridge(bridge, left, right, railY, railY + drop, vehicle, place, wires, dots);
  }

  // Other strings stand at the left, each with its own way to the rails.
  const more = moreStrings(vehicle, { devices, wires }, { firstX: PACK_X, top: TOP, bottom, box: BOX });
  devices.push(...more.devices);
  wires.push(...more.wires);
  dots.push(...more.dots.map(([x, y]): [number, number] => [x, y]));

  const drawn = new Set([...devices.map((placed) => placed.id)]);
  const rest = vehicle.devices.filter(({ id, device }) => !drawn.has(id) && !ASIDE.has(device.kind));
  const joined = joinedTo(vehicle, drawn);
  // With an open end it carries nothing, however well the other end is joined.
  const wired = new Set(vehicle.conductors.flatMap(({ nodeA, nodeB }) => [nodeA, nodeB]));
  const whole = ({ id, device }: ResolvedDevice) =>
    joined.has(id) &&
    Object.entries(TERMINALS[device.kind]).every(
      ([terminal, circuit]) => circuit !== 'hv' || PHASES.has(terminal) || wired.has(`${id}.${terminal}`),
    );
  const loose = rest.filter((device) => !whole(device));
  const undrawn = rest.filter(whole);
  return { left: -more.leftBy, width: width + more.leftBy, height: bottom + 36, devices, wires, dots, loose, undrawn };
}

/** Devices that wires join to any of these, however far. */
function joinedTo(vehicle: Resolved, start: ReadonlySet<string>): ReadonlySet<string> {
  const beside = new Map<string, string[]>();
  for (const { conductor } of vehicle.conductors)
    for (const [from, to] of [
      [conductor.a.deviceId, conductor.b.deviceId],
      [conductor.b.deviceId, conductor.a.deviceId],
    ] as const)
      beside.set(from, [...(beside.get(from) ?? []), to]);
  const seen = new Set(start);
  const queue = [...start];
  for (let id = queue.pop(); id !== undefined; id = queue.pop())
    for (const next of beside.get(id) ?? []) {
      if (seen.has(next)) continue;
      seen.add(next);
      queue.push(next);
    }
  return seen;
}

type Place = (id: string, x: number, y: number, turned: boolean) => void;

/** Devices and conductors of one leg from the rail to the consumer, in that order. */
function column(
  ids: readonly string[],
  x: number,
  fromY: number,
  toY: number,
  vehicle: Resolved,
  place: Place,
  wires: Wire[],
): void {
  const inLeg = ids.filter((id) => vehicle.deviceOf.has(id));
  const direction = Math.sign(toY - fromY);
  const spacing = (toY - fromY) / (inLeg.length + 1);
  let y = fromY;
  let met = 0;
  for (const id of ids) {
    if (vehicle.deviceOf.has(id)) {
      met++;
      const at = fromY + spacing * met;
      place(id, x, at, true);
      y = at + direction * HALF;
      continue;
    }
    const next = met < inLeg.length ? fromY + spacing * (met + 1) - direction * HALF : toY;
    wires.push({
      id,
      points: [
        [x, y],
        [x, next],
      ],
      chip: null,
    });
    y = next;
  }
}

/** Symbols of a precharge branch under (or over) the contactor that they bridge. */
function drawBridge(
  bridge: readonly string[],
  left: number,
  right: number,
  railY: number,
  y: number,
  vehicle: Resolved,
  place: Place,
  wires: Wire[],
  dots: [number, number][],
): void {
  const items = bridge.filter((id) => vehicle.deviceOf.has(id));
  const xs = items.map((_, k) => left + 40 + BRIDGE_ITEM * k);
  items.forEach((id, k) => {
    place(id, xs[k]!, y, false);
  });
  const stops: [number, number][][] = [
    [
      [left, railY],
      [left, y],
      [xs[0]! - HALF, y],
    ],
    ...xs.slice(1).map((next, k): [number, number][] => [
      [xs[k]! + HALF, y],
      [next - HALF, y],
    ]),
    [
      [xs.at(-1)! + HALF, y],
      [right, y],
      [right, railY],
    ],
  ];
  bridge
    .filter((id) => !vehicle.deviceOf.has(id))
    .forEach((id, k) => {
      if (stops[k]) wires.push({ id, points: stops[k]!, chip: null });
    });
  dots.push([left, railY], [right, railY]);
}

/** The way around a contactor from its a to its b through a precharge resistor, in order; null when there is none. */
function bridgeOver(vehicle: Resolved, contactorId: string): string[] | null {
  const next = (deviceId: string, terminal: string, seen: ReadonlySet<string>) =>
    vehicle.conductors.flatMap(({ id, conductor }) => {
      if (seen.has(id)) return [];
      if (conductor.a.deviceId === deviceId && conductor.a.terminal === terminal) return [{ id, end: conductor.b }];
      return conductor.b.deviceId === deviceId && conductor.b.terminal === terminal ? [{ id, end: conductor.a }] : [];
    });
  const walk = (deviceId: string, terminal: string, path: readonly string[]): string[] | null => {
    for (const { id, end } of next(deviceId, terminal, new Set(path))) {
      if (end.deviceId === contactorId) {
        if (
          end.terminal === 'b' &&
          path.some((step) => vehicle.deviceOf.get(step)?.device.kind === 'precharge-resistor')
        )
          return [...path, id];
        continue;
      }
      const device = vehicle.deviceOf.get(end.deviceId)?.device;
      if (!device || path.includes(device.id)) continue;
      if (
        device.kind !== 'precharge-resistor' &&
        !(device.kind === 'contactor' && device.role === 'precharge') &&
        device.kind !== 'fuse'
      )
        continue;
      const through = walk(device.id, end.terminal === 'a' ? 'b' : 'a', [...path, id, device.id]);
      if (through) return through;
    }
    return null;
  };
  return walk(contactorId, 'a', []);
}
