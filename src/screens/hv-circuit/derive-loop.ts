import type { Device } from '@/core/build';
import { coilFeed, coilReturn } from '@/core/simulate';
import { type CoilCircuit, coilCircuit, type Resolved } from '@/core/vehicle';

type XY = readonly [number, number];

export interface LoopThing {
  readonly id: string;
  readonly device: Device;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
  /** A coil, the battery, the earth; everything else is a contact or a fuse. */
  readonly as: 'series' | 'coil' | 'battery' | 'earth';
}

export interface LoopWire {
  readonly id: string;
  readonly points: readonly XY[];
}

/** The coil circuit as a ladder: feed along the top, one leg for each coil, the return along the bottom. */
export interface LoopLayout {
  readonly width: number;
  readonly height: number;
  readonly things: readonly LoopThing[];
  readonly wires: readonly LoopWire[];
  readonly dots: readonly XY[];
  /** Devices of the 12-volt circuit that stand on no coil's way. */
  readonly aside: readonly Device[];
}

const TOP = 64;
const BOTTOM = 306;
const LEFT = 56;
const STEP = 96;
const LEG = 122;
const HALF = 18;

/** Null while no coil is fed. */
export function layOutLoop(vehicle: Resolved): LoopLayout | null {
  const circuit = coilCircuit(vehicle);
  if (!circuit) return null;
  const coils = circuit.wired.flatMap((coil) => {
    const feed = coilFeed(circuit, coil.id);
    const back = coilReturn(circuit, coil.id);
    return feed && back ? [{ coil, feed, back }] : [];
  });
  if (coils.length === 0) return null;
  const shared = (ways: readonly (readonly string[])[]) =>
    ways[0]!.filter((id) => ways.every((way) => way.includes(id)));
  const trunk = coils.length > 1 ? shared(coils.map(({ feed }) => feed)) : coils[0]!.feed.slice(0, -1);
  const home = coils.length > 1 ? shared(coils.map(({ back }) => back)) : coils[0]!.back.slice(1);
  const deviceOf = (id: string) => circuit.stops.find((stop) => stop.id === id)?.device;
  const things: LoopThing[] = [];
  const wires: LoopWire[] = [];
  const dots: XY[] = [];

  const trunkDevices = trunk.filter((id) => deviceOf(id));
  const feedX = LEFT + STEP * (trunkDevices.length + 0.8);
  const lastX = feedX + LEG * (coils.length - 1) + 40;
  const battery = circuit.lv.deviceOf.get(circuit.batteryPlus.slice(0, circuit.batteryPlus.lastIndexOf('.')))!.device;
  things.push({ id: battery.id, device: battery, x: LEFT, y: (TOP + BOTTOM) / 2, turned: true, as: 'battery' });
  run(trunk, [LEFT, (TOP + BOTTOM) / 2 - 22], [LEFT, TOP], feedX, TOP, STEP, circuit, things, wires);

  coils.forEach(({ coil, feed, back }, index) => {
    const x = feedX + 40 + LEG * index;
    const down = feed.filter((id) => !trunk.includes(id));
    const inLeg = down.filter((id) => deviceOf(id));
    const coilY = BOTTOM - 74;
    const ys = inLeg.map((_, k) => TOP + ((coilY - 20 - TOP) * (k + 1)) / (inLeg.length + 1));
    let from: XY[] = [
      [feedX, TOP],
      [x, TOP],
    ];
    let met = 0;
    for (const id of down) {
      const device = deviceOf(id);
      if (device) {
        things.push({ id, device, x, y: ys[met]!, turned: true, as: 'series' });
        from = [[x, ys[met]! + HALF]];
        met++;
      } else {
        const to = met < inLeg.length ? ys[met]! - HALF : coilY - 18;
        wires.push({ id, points: [...from, [x, to]] });
        from = [[x, to]];
      }
    }
    things.push({ id: coil.id, device: coil.device, x, y: coilY, turned: true, as: 'coil' });
    const up = back.filter((id) => !home.includes(id));
    wires.push(
      ...up
        .filter((id) => !deviceOf(id))
        .map((id, k, all): LoopWire => {
          const y0 = coilY + 18 + ((BOTTOM - coilY - 18) * k) / all.length;
          const y1 = coilY + 18 + ((BOTTOM - coilY - 18) * (k + 1)) / all.length;
          return {
            id,
            points:
              k === all.length - 1
                ? [
                    [x, y0],
                    [x, BOTTOM],
                    [feedX, BOTTOM],
                  ]
                : [
                    [x, y0],
                    [x, y1],
                  ],
          };
        }),
    );
    if (coils.length > 1) dots.push([x, TOP], [x, BOTTOM]);
  });

  // The return, from the legs back to the battery's minus.
  const reversed = [...home].reverse();
  run(reversed, [LEFT, (TOP + BOTTOM) / 2 + 26], [LEFT, BOTTOM], feedX, BOTTOM, 2 * STEP, circuit, things, wires);
  const earth = circuit.lv.devices.find(({ device }) => device.kind === 'earth')?.device;
  if (earth) things.push({ id: earth.id, device: earth, x: LEFT + 44, y: BOTTOM, turned: true, as: 'earth' });
  const drawn = new Set(things.map(({ id }) => id));
  return {
    width: lastX + 96,
    height: BOTTOM + 52,
    things,
    wires,
    dots,
    aside: circuit.lv.devices
      .filter(({ id, device }) => !drawn.has(id) && device.kind !== 'lv-junction')
      .map(({ device }) => device),
  };
}

/** Devices and wires along one rail, from the battery outward. */
function run(
  ids: readonly string[],
  start: XY,
  corner: XY,
  endX: number,
  y: number,
  step: number,
  circuit: CoilCircuit,
  things: LoopThing[],
  wires: LoopWire[],
): void {
  const deviceOf = (id: string) => circuit.stops.find((stop) => stop.id === id)?.device;
  const stops = ids.filter((id) => deviceOf(id));
  const at = (index: number) => LEFT + step * (index + 0.8);
  let met = 0;
  let points: XY[] = [start, corner];
  ids.forEach((id, index) => {
    const device = deviceOf(id);
    if (device) {
      things.push({ id, device, x: at(met), y, turned: false, as: 'series' });
      points = [[at(met) + HALF, y]];
      met++;
      return;
    }
    // Wires that follow one another meet at a joint: they share what is left of the way.
    let more = 0;
    while (index + more + 1 < ids.length && !deviceOf(ids[index + more + 1]!)) more++;
    const goal = met < stops.length ? at(met) - HALF : endX;
    const here = points.at(-1)![0];
    const to: XY = [here + (goal - here) / (more + 1), y];
    wires.push({ id, points: [...points, to] });
    points = [to];
  });
}
