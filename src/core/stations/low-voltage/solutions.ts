import {
  Follows,
  type LowPoint,
  type LowSolved,
  type LowVoltage,
  loomHeat,
  loomsOf,
  lowVoltage,
  type Running,
  solveLow,
  type Vehicle,
} from '../../vehicle';
import { wiresOf } from './behind-fuses';
import { faultsBehind } from './short-rules';

/** Solutions of the 12-volt circuit that several rules read. */
const AWAKE = { converters: true, socBattery: 0.8, batteryC: 25, awake: true } as const;

const points = new Follows<LowVoltage, LowPoint>();

/** The circuit with one load alone, on or at its peak. */
export const alone = (vehicle: Vehicle, id: string, how: Running): LowPoint =>
  points.get(lowVoltage(vehicle), () => solveLow(vehicle, { ...AWAKE, running: new Map([[id, how]]) }), `${id}|${how}`);

/** One load at its peak with the converter dead, on a battery that is half empty. */
export const onBattery = (vehicle: Vehicle, id: string): LowPoint =>
  solveLow(vehicle, { ...AWAKE, converters: false, socBattery: 0.5, running: new Map([[id, 'peak']]) });

/** Everything on at once; its point is unsolvable where the feeds can't give that. */
export function everythingOn(vehicle: Vehicle): LowPoint {
  const low = lowVoltage(vehicle);
  const all = () => solveLow(vehicle, { ...AWAKE, running: new Map(low.loads.map(({ id }) => [id, 'on' as const])) });
  return points.get(low, all, 'all');
}

/** What has to last when the converter dies, on the battery alone: then its own way carries most. */
export function essentialOnBattery(vehicle: Vehicle): LowPoint {
  const low = lowVoltage(vehicle);
  const running = new Map(low.loads.flatMap(({ id, load }) => (load.essential ? [[id, 'on' as const]] : [])));
  return points.get(low, () => solveLow(vehicle, { ...AWAKE, converters: false, running }), 'essential');
}

/** Largest steady current through each fuse and wire; null while there is no solution: `lv.solves` says so, and nothing is judged by it. */
export function steadyPoint(vehicle: Vehicle): LowSolved | null {
  const one = everythingOn(vehicle);
  return one.solved ? one : null;
}

/** All that the rules read of it, piece by piece: with hundreds of loads one rule would hold up a page for as long as all of them. */
export function* piecesAhead(vehicle: Vehicle): Generator<unknown, void> {
  const { loads, lv } = lowVoltage(vehicle);
  if (loads.length === 0) return;
  for (const { id, load } of loads) {
    yield alone(vehicle, id, 'on');
    if (load.peakRating !== undefined) yield alone(vehicle, id, 'peak');
  }
  yield everythingOn(vehicle);
  for (const loom of loomsOf(vehicle)) yield loomHeat(vehicle, loom);
  yield wiresOf(vehicle);
  for (const { id, device } of lv.devices) if (device.kind === 'lv-fuse') yield faultsBehind(vehicle, id);
}
