import { deviceDefinition } from '../build';
import { coilCircuit, terminalNode, type Vehicle } from '../vehicle';

/** A place where a probe can be put. */
export interface BoardPoint {
  readonly id: string;
  readonly name: string;
  readonly side: 'hv' | 'lv' | 'signal';
  /** Node of the circuit that it belongs to; of a signal what it carries. */
  readonly node: string;
}

const TERMINAL: Readonly<Record<string, string>> = {
  plus: '+',
  minus: '−',
  a: 'in',
  b: 'out',
  coilPlus: 'coil +',
  coilMinus: 'coil −',
  auxA: 'contact in',
  auxB: 'contact out',
  n: '',
};
const SHOWN: ReadonlySet<string> = new Set([
  'box',
  'contactor',
  'fuse',
  'disconnect',
  'inverter',
  'precharge-resistor',
]);

/** Signals that are no wire of the build’s circuits yet: pedal, switches, plug, CAN bus. */
export const SIGNAL_POINTS: readonly BoardPoint[] = [
  { id: 'earth', name: 'Sensor ground', side: 'signal', node: 'ground' },
  { id: 'sensor-supply', name: 'Sensors’ 5 V', side: 'signal', node: 'supply' },
  { id: 'track-1', name: 'Pedal, track 1', side: 'signal', node: 'track-1' },
  { id: 'track-2', name: 'Pedal, track 2', side: 'signal', node: 'track-2' },
  { id: 'brake-1', name: 'Brake switch, contact 1', side: 'signal', node: 'brake-1' },
  { id: 'brake-2', name: 'Brake switch, contact 2', side: 'signal', node: 'brake-2' },
  { id: 'dir-f', name: 'Direction, forward', side: 'signal', node: 'dir-f' },
  { id: 'dir-r', name: 'Direction, reverse', side: 'signal', node: 'dir-r' },
  { id: 'proximity', name: 'Proximity line', side: 'signal', node: 'proximity' },
  { id: 'can-h', name: 'CAN bus, high', side: 'signal', node: 'can-h' },
  { id: 'can-l', name: 'CAN bus, low', side: 'signal', node: 'can-l' },
];

/** Every test point of a board, from the build: traction circuit, body, coils’ feed, signals. */
export function boardPoints(vehicle: Vehicle): readonly BoardPoint[] {
  const points: BoardPoint[] = [{ id: 'body', name: 'Body', side: 'hv', node: BODY }];
  for (const device of vehicle.devices) {
    const { kind, name } = device.device;
    if (!SHOWN.has(kind)) continue;
    for (const [terminal, circuit] of Object.entries(deviceDefinition(kind).terminals))
      if (circuit === 'hv')
        points.push({
          id: `${device.id}.${terminal}`,
          name: `${name} ${TERMINAL[terminal] ?? terminal}`.trim(),
          side: 'hv',
          node: terminalNode(device, terminal),
        });
  }
  const coils = coilCircuit(vehicle);
  if (coils) {
    points.push({ id: 'lv-minus', name: '12-volt battery −', side: 'lv', node: coils.ground });
    points.push({ id: 'lv-plus', name: '12-volt battery +', side: 'lv', node: coils.batteryPlus });
    for (const { id, device } of coils.stops) {
      const [a, b] = deviceDefinition(device.kind).opens ?? ['a', 'b'];
      for (const terminal of [a, b])
        points.push({
          id: `${id}.${terminal}`,
          name: `${device.name} ${TERMINAL[terminal] ?? terminal}`,
          side: 'lv',
          node: `${id}.${terminal}`,
        });
    }
    for (const { id, device } of coils.wired)
      for (const terminal of ['coilPlus', 'coilMinus'])
        points.push({
          id: `${id}.${terminal}`,
          name: `${device.name} ${TERMINAL[terminal]}`,
          side: 'lv',
          node: `${id}.${terminal}`,
        });
  }
  return [...points, ...SIGNAL_POINTS];
}

export const BODY = 'body';
