import { hasTrait, type Id } from '../build';
import { isPrechargeRelay, type ResolvedDevice, terminalNode, type Vehicle } from '../vehicle';
import { pathToCells } from './liveness';
import { type Closed, potentials } from './potentials';

/** What takes power from the high-voltage circuit or gives it: its terminals lie outside the pack. */
export const consumersOf = (vehicle: Vehicle): readonly ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'consumer'));

/** A consumer that cells feed, and what is closed on the way from its terminals to them. */
export interface StillFed {
  readonly device: ResolvedDevice;
  /** Between its terminals at full charge, V. */
  readonly voltageV: number;
  readonly path: readonly Id[];
}

/** Consumers with more than `aboveV` between their terminals while so much is open. */
export function stillFed(vehicle: Vehicle, closed: Closed, aboveV: number): readonly StillFed[] {
  const at = potentials(vehicle, closed);
  return consumersOf(vehicle).flatMap((device): StillFed[] => {
    const [plus, minus] = [terminalNode(device, 'plus'), terminalNode(device, 'minus')];
    const island = at.islandOf(plus);
    if (island !== at.islandOf(minus) || !at.withCells.has(island)) return [];
    const voltageV = Math.abs(at.voltageOf(plus) - at.voltageOf(minus));
    if (voltageV <= aboveV) return [];
    const ways = [plus, minus].flatMap((node) =>
      pathToCells(vehicle, closed.open, [node], closed.relaysClosed === true),
    );
    return [{ device, voltageV, path: [...new Set(ways)] }];
  });
}

/** Every contactor open, precharge relays and all. */
export const everyContactor = (vehicle: Vehicle): ReadonlySet<Id> =>
  new Set(vehicle.devices.filter(({ device }) => device.kind === 'contactor').map(({ id }) => id));

/** All open but these: how a welded contactor, or what stays in, leaves it. */
export function allBut(vehicle: Vehicle, closedIds: readonly Id[]): Closed {
  return {
    open: new Set([...everyContactor(vehicle)].filter((id) => !closedIds.includes(id))),
    relaysClosed: closedIds.some((id) => isPrechargeRelay(vehicle, id)),
  };
}

/** A terminal of a consumer that metal still joins to cells. */
export interface JoinedTerminal {
  readonly device: ResolvedDevice;
  readonly terminal: 'plus' | 'minus';
  /** Potential in the pack, V, against the island's reference. */
  readonly island: string;
  readonly voltageV: number;
}

/** Terminals of consumers that are joined to cells while so much is open: with every contactor open when nothing is said. */
export function joinedWhenOpen(
  vehicle: Vehicle,
  closed: Closed = { open: everyContactor(vehicle) },
): readonly JoinedTerminal[] {
  const at = potentials(vehicle, { ...closed, throughBleeds: false });
  return consumersOf(vehicle).flatMap((device) =>
    (['plus', 'minus'] as const).flatMap((terminal): JoinedTerminal[] => {
      const node = terminalNode(device, terminal);
      const island = at.islandOf(node);
      return at.withCells.has(island) ? [{ device, terminal, island, voltageV: at.voltageOf(node) }] : [];
    }),
  );
}
