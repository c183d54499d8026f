import type { StateId } from '../build';
import { closedIn, type ResolvedDevice, stateOf, terminalNode, type Vehicle, wayOf } from '../vehicle';
import { potentials } from './potentials';

/** Contactors that are open in a state, as the wiring and its sequence have it. */
function openIn(vehicle: Vehicle, state: StateId): ReadonlySet<string> {
  const closed = closedIn(vehicle, stateOf(state));
  return new Set(
    vehicle.devices.flatMap(({ id, device }) => (device.kind === 'contactor' && !closed.has(id) ? [id] : [])),
  );
}

/** What a full pack lays across a device in a state, disconnects in and fuses whole, V; 0 where either pole is cut off. */
export function spanIn(vehicle: Vehicle, state: StateId, device: ResolvedDevice): number {
  // In precharge its relays conduct, through their resistors.
  const at = potentials(vehicle, {
    open: openIn(vehicle, state),
    throughBleeds: false,
    relaysClosed: state === 'precharge',
  });
  const [plus, minus] = [terminalNode(device, 'plus'), terminalNode(device, 'minus')];
  const island = at.islandOf(plus);
  if (island !== at.islandOf(minus) || !at.withCells.has(island)) return 0;
  return Math.abs(at.voltageOf(plus) - at.voltageOf(minus));
}

/** Contactors on the way of a device that are closed in a state, by name. */
export function closedOnTheWay(vehicle: Vehicle, state: StateId, device: ResolvedDevice): readonly string[] {
  const closed = closedIn(vehicle, stateOf(state));
  return (wayOf(vehicle, device)?.seriesIds ?? []).flatMap((id) =>
    closed.has(id) ? [vehicle.deviceOf.get(id)?.device.name ?? id] : [],
  );
}
