import type { Device } from '@/core/build';
import { type Resolved, type ResolvedDevice, type Way, wayOf } from '@/core/vehicle';

/** Where everything of the circuit drawing stands. Pure: the drawing follows the model. */
export interface Placed {
  readonly id: string;
  readonly device: Device;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
  /** Size of boxes and consumers; symbols have none. */
  readonly width?: number;
  readonly height?: number;
}

export interface Wire {
  readonly id: string;
  readonly points: readonly (readonly [number, number])[];
  /** Where its chip stands; thin taps have none. */
  readonly chip: readonly [number, number] | null;
}

export interface CircuitLayout {
  readonly width: number;
  readonly height: number;
  readonly devices: readonly Placed[];
  readonly wires: readonly Wire[];
  /** Dots where wires meet. */
  readonly dots: readonly (readonly [number, number])[];
  /** Devices that no closed way joins to the pack. */
  readonly loose: readonly ResolvedDevice[];
}

const TOP = 76;
const PACK_X = 92;
const STEP = 118;
const SLOT = 128;
const CONSUMERS: readonly string[] = ['inverter', 'heater', 'converter', 'charger-converter', 'charger', 'compressor'];

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
    if (!CONSUMERS.includes(device.device.kind)) continue;
    const way = wayOf(vehicle, device);
    if (way) ways.set(device.id, way);
  }
  const consumer = vehicle.devices
    .filter((device) => ways.has(device.id))
    .sort((p, q) => CONSUMERS.indexOf(p.device.kind) - CONSUMERS.indexOf(q.device.kind))[0];
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
  const consumersOf = vehicle.devices.filter(({ device }) => CONSUMERS.includes(device.kind));
  if (!found)
    return {
      width: 900,
      height: 120,
      devices: [],
      wires: [],
      dots: [],
      loose: vehicle.devices.filter(({ device }) => device.kind !== 'junction'),
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
  const boxHeight = 96;
  const gap = 52;
  const heights = packItems.map((id) => (vehicle.deviceOf.get(id)!.device.kind === 'box' ? boxHeight : 44));
  const packHeight = heights.reduce((sum, height) => sum + height, 0) + gap * (packItems.length - 1) * 0.35;
  const bottom = Math.max(TOP + 210, TOP + packHeight + 34);
  let y = TOP + 20 + Math.max(0, (bottom - TOP - packHeight - 40) / 2);
  const packY: number[] = [];
  packItems.forEach((id, index) => {
    const isBox = vehicle.deviceOf.get(id)!.device.kind === 'box';
    packY.push(y + heights[index]! / 2);
    place(id, PACK_X, y + heights[index]! / 2, true, isBox ? { width: 130, height: boxHeight } : {});
    y += heights[index]! + gap * 0.35;
  });
  const conductorsBetween = (ids: readonly string[]) => ids.filter((id) => !isDevice(id));
  conductorsBetween(main.pack).forEach((id, index) => {
    const from = packY[index];
    const to = packY[index + 1];
    if (from !== undefined && to !== undefined)
      wires.push({
        id,
        points: [
          [PACK_X, from + half(packItems[index]!, vehicle)],
          [PACK_X, to - half(packItems[index + 1]!, vehicle)],
        ],
        chip: null,
      });
  });

  // Rails.
  const branches = consumersOf.filter((device) => device.id !== main.inverter.id && ways.has(device.id));
  const railDevices = (ids: readonly string[]) => ids.filter((id) => isDevice(id));
  const railEnd = PACK_X + 108 + STEP * Math.max(railDevices(main.plus).length, railDevices(main.minus).length);
  const inverterX = railEnd + SLOT * branches.length + 92;
  const width = inverterX + 70;
  const rail = (ids: readonly string[], railY: number, startY: number) => {
    let x = PACK_X;
    let pending: [number, number][] = [
      [PACK_X, startY],
      [PACK_X, railY],
    ];
    let slot = 0;
    const xs = new Map<string, number>();
    const hasDeviceAfter = ids.map((_, index) => ids.slice(index + 1).some(isDevice));
    ids.forEach((id, index) => {
      if (isDevice(id)) {
        x = PACK_X + 108 + STEP * slot++ + 18;
        place(id, x, railY, false);
        xs.set(id, x);
        pending = [[x + 24, railY]];
        return;
      }
      const nextX = hasDeviceAfter[index] ? PACK_X + 108 + STEP * slot + 18 - 24 : null;
      const remaining = conductorsBetween(ids.slice(index)).length;
      const endX = nextX ?? (remaining > 1 ? railEnd + 8 : inverterX - 52);
      const points: [number, number][] = [...pending, [endX, railY]];
      const from = points.at(-2)!;
      const long = endX - from[0] > 70;
      wires.push({
        id,
        points,
        chip: long
          ? [nextX === null && remaining === 1 && branches.length > 0 ? inverterX - 106 : (from[0] + endX) / 2, railY]
          : null,
      });
      pending = [[endX, railY]];
    });
    return xs;
  };
  const firstY = packY[0]! - half(packItems[0]!, vehicle);
  const lastY = packY.at(-1)! + half(packItems.at(-1)!, vehicle);
  const plusXs = rail(main.plus, TOP, firstY);
  const minusXs = rail(main.minus, bottom, lastY);
  place(main.inverter.id, inverterX, (TOP + bottom) / 2, true, { width: 104, height: bottom - TOP + 40 });

  // Branches hang between the rails, each with its own fuses.
  const mainIds = new Set([...main.plus, ...main.minus, ...main.pack]);
  branches.forEach((consumer, index) => {
    const x = railEnd + SLOT * index + SLOT / 2 + 4;
    const ids = ways.get(consumer.id)!.ids;
    const firstMain = ids.findIndex((id) => mainIds.has(id));
    const lastMain = ids.length - 1 - [...ids].reverse().findIndex((id) => mainIds.has(id));
    const middle = (TOP + bottom) / 2 + 22;
    const boxTop = middle - 26;
    const boxBottom = middle + 26;
    place(consumer.id, x, middle, true, { width: 104, height: 52 });
    column(ids.slice(0, firstMain).reverse(), x, TOP, boxTop, vehicle, place, wires);
    column([...ids.slice(lastMain + 1)].reverse(), x, bottom, boxBottom, vehicle, place, wires);
    dots.push([x, TOP], [x, bottom]);
  });

  // Precharge bridges its main contactor.
  precharge(vehicle, plusXs, minusXs, TOP, bottom, place, wires, dots);

  const drawn = new Set([...devices.map((placed) => placed.id)]);
  const loose = vehicle.devices.filter(({ id, device }) => !drawn.has(id) && device.kind !== 'junction');
  return { width, height: bottom + 56, devices, wires, dots, loose };
}

const half = (id: string, vehicle: Resolved): number => (vehicle.deviceOf.get(id)!.device.kind === 'box' ? 34 : 24);

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
      y = at + direction * 24;
      continue;
    }
    const next = met < inLeg.length ? fromY + spacing * (met + 1) - direction * 24 : toY;
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

function precharge(
  vehicle: Resolved,
  plusXs: ReadonlyMap<string, number>,
  minusXs: ReadonlyMap<string, number>,
  top: number,
  bottom: number,
  place: Place,
  wires: Wire[],
  dots: [number, number][],
): void {
  for (const [xs, railY, drop] of [
    [plusXs, top, 58],
    [minusXs, bottom, -58],
  ] as const) {
    for (const [mainId, x] of xs) {
      const branch = bridgeOver(vehicle, mainId);
      if (!branch) continue;
      const items = branch.filter((id) => vehicle.deviceOf.has(id));
      const conductors = branch.filter((id) => !vehicle.deviceOf.has(id));
      const y = railY + drop;
      const left = x - 40;
      const right = left + 66 * items.length + 14;
      const xsOf = items.map((_, k) => left + 40 + 66 * k);
      items.forEach((id, k) => {
        place(id, xsOf[k]!, y, false);
      });
      const stops: [number, number][][] = [
        [
          [left, railY],
          [left, y],
          [xsOf[0]! - 24, y],
        ],
        ...xsOf.slice(1).map((next, k): [number, number][] => [
          [xsOf[k]! + 24, y],
          [next - 24, y],
        ]),
        [
          [xsOf.at(-1)! + 24, y],
          [right, y],
          [right, railY],
        ],
      ];
      conductors.forEach((id, k) => {
        if (stops[k]) wires.push({ id, points: stops[k]!, chip: null });
      });
      dots.push([left, railY], [right, railY]);
    }
  }
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
