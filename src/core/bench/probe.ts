import { hasTrait } from '../build';
import { type Element, operatingPoint } from '../circuit';
import { coilCircuit, terminalNode } from '../vehicle';
import type { Board } from './board';
import { BODY, type BoardPoint } from './points';

/** What a meter is set to. */
export type MeterRange = 'volts' | 'ohms' | 'insulation' | 'amps';

export type Reading =
  | { readonly ok: true; readonly value: number; readonly unit: 'V' | 'Ω' | 'A'; readonly note?: string }
  /** Nothing to be read, or nothing that should be tried: said in words. */
  | { readonly ok: false; readonly says: string; readonly hurts?: true };

/** Input resistance of a usual digital meter, Ω. */
export const METER_OHM = 10e6;
/** Leakage of a device of which nobody measured it, to each pole, Ω (generic: dry and clean). */
const LEAK_OHM = 50e6;
/** What an insulation tester puts on, V. */
export const TEST_V = 500;

/** Everything of the traction circuit that leads to the body, and what a fault adds. */
function leaks(board: Board): Element[] {
  const out: Element[] = [];
  for (const device of board.vehicle.devices) {
    if (!hasTrait(device.device.kind, 'leaks')) continue;
    const ohm = 2 * (device.device.insulationOhm ?? LEAK_OHM);
    for (const terminal of ['plus', 'minus'])
      if (device.nodes[terminal] !== undefined)
        out.push({
          id: `leak:${device.id}.${terminal}`,
          kind: 'resistor',
          a: terminalNode(device, terminal),
          b: BODY,
          resistanceOhm: ohm,
        });
  }
  const leak = board.fault?.leak;
  const boxes = board.vehicle.devices.filter(({ device }) => device.kind === 'box');
  const at =
    leak?.pole === 'plus'
      ? board.vehicle.devices.find(({ device }) => device.kind === 'inverter')
      : leak?.pole === 'minus'
        ? board.vehicle.devices.find(({ device }) => device.kind === 'inverter')
        : boxes[Math.floor(boxes.length / 2)];
  if (leak && at)
    out.push({
      id: 'leak:fault',
      kind: 'resistor',
      a: terminalNode(at, leak.pole === 'plus' ? 'plus' : 'minus'),
      b: BODY,
      resistanceOhm: leak.ohm,
    });
  return out;
}

/** Volts between two points of the traction circuit or the body, the meter’s own resistance included. */
function tractionVolts(board: Board, a: string, b: string): Reading {
  const meter: Element = { id: 'meter', kind: 'resistor', a, b, resistanceOhm: METER_OHM };
  const elements = [...board.elements(), ...leaks(board), meter];
  const point = operatingPoint({ elements, ground: elements.find(({ kind }) => kind === 'source')!.b });
  if (!point.solvable) return { ok: false, says: 'the circuit gives no steady reading' };
  return { ok: true, value: (point.elementCurrentsA.get('meter') ?? 0) * METER_OHM, unit: 'V' };
}

const sameSide = (a: BoardPoint, b: BoardPoint): boolean => a.side === b.side;

/** What the meter shows between two points. */
export function probe(board: Board, a: BoardPoint, b: BoardPoint, range: MeterRange): Reading {
  if (a.id === b.id) return range === 'ohms' ? { ok: true, value: 0.1, unit: 'Ω' } : { ok: true, value: 0, unit: 'V' };
  if (range === 'amps') return { ok: false, says: 'a clamp goes around a wire: choose a wire' };
  if (!sameSide(a, b))
    return { ok: false, says: 'nothing joins these two: the traction circuit stands apart from 12 V' };
  if (range === 'volts') {
    if (a.side === 'hv') return tractionVolts(board, a.node, b.node);
    if (a.side === 'lv') {
      const point = board.coilPoint;
      return { ok: true, value: point ? point.nodeV(a.node) - point.nodeV(b.node) : 0, unit: 'V' };
    }
    return { ok: true, value: signalV(board, a.node) - signalV(board, b.node), unit: 'V' };
  }
  // What is live is not measured in ohms.
  if (a.side === 'hv') {
    const live = tractionVolts(board, a.node, b.node);
    if (live.ok && Math.abs(live.value) > 2)
      return {
        ok: false,
        says: `${Math.abs(live.value).toFixed(0)} V stand there: prove it dead before anything but volts`,
        hurts: true,
      };
    return tractionOhms(board, a.node, b.node, range);
  }
  if (range === 'insulation')
    return { ok: false, says: 'an insulation tester stays off 12 V and electronics', hurts: true };
  if (a.side === 'lv') return lowOhms(board, a.node, b.node);
  return signalOhms(board, a.node, b.node);
}

/** Cells are sources: they are left out, and what joins the two points is read. */
function tractionOhms(board: Board, a: string, b: string, range: MeterRange): Reading {
  const testV = range === 'insulation' ? TEST_V : 1;
  const elements = [...board.elements(), ...leaks(board)].filter(
    ({ kind, id }) => kind !== 'source' && kind !== 'power' && id !== 'meter',
  );
  const touched = new Set(elements.flatMap((one) => [one.a, one.b]));
  if (!touched.has(a) || !touched.has(b)) return { ok: false, says: 'open' };
  const source: Element = { id: 'meter', kind: 'source', a, b, voltageV: testV, resistanceOhm: 1000 };
  const point = operatingPoint({ elements: [...elements, source], ground: b });
  const amps = point.solvable ? -(point.elementCurrentsA.get('meter') ?? 0) : 0;
  const ohm = amps > 1e-12 ? testV / amps - 1000 : Number.POSITIVE_INFINITY;
  return ohm > 1e9 ? { ok: false, says: 'open' } : { ok: true, value: Math.max(0, ohm), unit: 'Ω' };
}

function lowOhms(board: Board, a: string, b: string): Reading {
  if (board.is('key')) return { ok: false, says: 'the supply is on: key off first', hurts: true };
  const coils = coilCircuit(board.vehicle)!;
  const open = new Set(board.fault?.openLv ?? []);
  const wires = coils.lv.conductors
    .filter(({ id }) => !open.has(id))
    .map(
      ({ id, nodeA, nodeB, jointOhm }): Element => ({
        id,
        kind: 'resistor',
        a: nodeA,
        b: nodeB,
        resistanceOhm: jointOhm + 0.01,
      }),
    );
  for (const { id, device } of coils.stops)
    if (device.kind !== 'lv-switch' && device.kind !== 'relay') {
      const pressed = device.kind === 'emergency-stop' && board.is('handle');
      const [p, q] = device.kind === 'disconnect' ? ['auxA', 'auxB'] : ['a', 'b'];
      if (!pressed)
        wires.push({ id: `${id}:contact`, kind: 'resistor', a: `${id}.${p}`, b: `${id}.${q}`, resistanceOhm: 0.02 });
    }
  const touched = new Set(wires.flatMap((one) => [one.a, one.b]));
  if (!touched.has(a) || !touched.has(b)) return { ok: false, says: 'open' };
  const source: Element = { id: 'meter', kind: 'source', a, b, voltageV: 1, resistanceOhm: 100 };
  const point = operatingPoint({ elements: [...wires, source], ground: b });
  const amps = point.solvable ? -(point.elementCurrentsA.get('meter') ?? 0) : 0;
  return amps > 1e-9 ? { ok: true, value: Math.max(0, 1 / amps - 100), unit: 'Ω' } : { ok: false, says: 'open' };
}

/** A pair of resistors of the inlet: 330 Ω up to 5 V in the car, 2,700 Ω to ground at the inlet, 150 Ω in a latched plug (SAE J1772). */
function proximityV(board: Board): number {
  if (board.fault?.sequence === 'proximity-open') return 5;
  const down = board.is('plug') ? 1 / (1 / 2700 + 1 / 150) : 2700;
  return (5 * down) / (330 + down);
}

/** A signal against the sensors’ ground, V. */
export function signalV(board: Board, node: string): number {
  const { controls } = board.vehicle.build;
  const awake = board.is('key') && !board.is('lowSupply');
  const supply = awake ? (board.fault?.sensorV ?? 5) : 0;
  const [rest, full] = [controls?.pedalRestV ?? 0.8, controls?.pedalFullV ?? 4.1];
  const at = (rest + (full - rest) * board.pedal) * (supply / 5);
  const sequence = board.fault?.sequence;
  const feed = awake ? board.supplyV : 0;
  switch (node) {
    case 'supply':
      return supply;
    case 'track-1':
      return sequence === 'pedal-open' ? 0 : sequence === 'pedal-high' ? full * (supply / 5) : at;
    case 'track-2':
      // The second track stands at half of the first.
      return at / 2;
    case 'brake-1':
      return sequence === 'brake-on' || (board.is('brake') && sequence !== 'brake-off') ? feed : 0;
    case 'brake-2':
      return board.is('brake') ? 0 : feed;
    case 'dir-f':
      return sequence === 'forward-on' || (board.is('forward') && sequence !== 'forward-off') ? feed : 0;
    case 'dir-r':
      return sequence === 'reverse-on' || (board.is('reverse') && sequence !== 'reverse-off') ? feed : 0;
    case 'proximity':
      return awake ? proximityV(board) : 0;
    case 'can-h':
    case 'can-l':
      return awake ? (board.fault?.canShort ? 2.5 : node === 'can-h' ? 2.6 : 2.4) : 0;
    default:
      return 0;
  }
}

function signalOhms(board: Board, a: string, b: string): Reading {
  if (board.is('key')) return { ok: false, says: 'the line is powered: key off first', hurts: true };
  const pair = [a, b].sort().join(' ');
  if (pair === 'can-h can-l') {
    if (board.fault?.canShort) return { ok: true, value: 0.5, unit: 'Ω' };
    const terminators = board.fault?.terminators ?? 2;
    return terminators > 0 ? { ok: true, value: 120 / terminators, unit: 'Ω' } : { ok: false, says: 'open' };
  }
  return { ok: false, says: 'open' };
}
