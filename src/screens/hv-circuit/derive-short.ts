import {
  type ConductorShort,
  cableWithstand,
  type FaultCorner,
  type FaultStory,
  faultBetween,
  faultStory,
  packPoles,
  shorts,
} from '@/core/simulate';

import { partOf, terminalNode, type Vehicle } from '@/core/vehicle';

export type Against = 'judged' | 'bus-minus' | 'bus-plus' | 'pack-minus' | 'pack-plus';

export const AGAINST: readonly (readonly [Against, string])[] = [
  ['judged', 'where it is hardest on this wire: as the ledger judges it'],
  ['bus-minus', 'minus at the inverter'],
  ['bus-plus', 'plus at the inverter'],
  ['pack-minus', 'the pack’s minus terminal (through the body)'],
  ['pack-plus', 'the pack’s plus terminal (through the body)'],
];

/** What a conductor or contactor takes until the fault is over, against what it stands. */
export interface Felt {
  readonly id: string;
  readonly name: string;
  readonly currentA: number;
  /** Null: there is no end to it. */
  readonly i2tA2s: number | null;
  /** Null: not known. */
  readonly limitA2s: number | null;
}

export interface Short {
  readonly against: Against;
  readonly story: FaultStory;
  readonly felt: readonly Felt[];
  /** The first of what does not stand it. */
  readonly burns: readonly Felt[];
}

function nodeOfAgainst(vehicle: Vehicle, against: Exclude<Against, 'judged'>): string | null {
  const poles = packPoles(vehicle);
  if (!poles) return null;
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  if (against === 'pack-minus') return poles.minus;
  if (against === 'pack-plus') return poles.plus;
  if (!inverter) return against === 'bus-minus' ? poles.minus : poles.plus;
  return terminalNode(inverter, against === 'bus-minus' ? 'minus' : 'plus');
}

/** A short from a conductor to another pole; null when nothing drives it there. */
export function shortAt(vehicle: Vehicle, conductorId: string, against: Against, corner: FaultCorner): Short | null {
  const conductor = vehicle.conductorOf.get(conductorId);
  if (!conductor) return null;
  if (against === 'judged') {
    const judged = hardest(vehicle, conductorId, corner);
    return judged && feltIn(vehicle, against, judged.story);
  }
  const target = nodeOfAgainst(vehicle, against);
  if (target === null) return null;
  // At the end where the conductor itself carries the most: it has to feel its own fault.
  const node = [conductor.nodeA, conductor.nodeB]
    .map((end) => {
      const fault = faultBetween(vehicle, end, target, corner);
      return { end, amps: fault?.prospectiveA ?? 0, own: Math.abs(fault?.currents.get(conductorId) ?? 0) };
    })
    .sort((p, q) => q.own - p.own || q.amps - p.amps)[0]!;
  const story = node.amps > 0 ? faultStory(vehicle, node.end, target, corner) : null;
  return story && feltIn(vehicle, against, story);
}

/** The short of this corner that the ledger holds against the conductor. */
function hardest(vehicle: Vehicle, conductorId: string, corner: FaultCorner): ConductorShort | null {
  const all =
    shorts(vehicle)
      .get(conductorId)
      ?.all.filter((one) => one.corner === corner) ?? [];
  const size = ({ i2tA2s }: ConductorShort) => i2tA2s ?? Number.POSITIVE_INFINITY;
  return all.reduce<ConductorShort | null>((p, q) => (p === null || size(q) > size(p) ? q : p), null);
}

function feltIn(vehicle: Vehicle, against: Against, story: FaultStory): Short {
  const felt = [...story.i2tA2s].flatMap(([id, i2tA2s]): Felt[] => {
    const currentA = Math.abs(story.fault.currents.get(id) ?? 0);
    const wire = vehicle.conductorOf.get(id);
    if (wire)
      return [
        { id, name: wire.conductor.name, currentA, i2tA2s, limitA2s: cableWithstand(vehicle, wire)?.limitA2s ?? null },
      ];
    const device = vehicle.deviceOf.get(id);
    const contactor = partOf(device, 'contactor');
    return contactor && device
      ? [{ id, name: device.device.name, currentA, i2tA2s, limitA2s: contactor.shortTimeI2tA2s ?? null }]
      : [];
  });
  const burns = felt.filter(({ i2tA2s, limitA2s }) => i2tA2s === null || (limitA2s !== null && i2tA2s > limitA2s));
  return { against, story, felt, burns };
}

/** The pole that a fault on this conductor most likely finds: the other one of the bus. */
export function likelyAgainst(vehicle: Vehicle, conductorId: string): Against {
  const amps = (against: Against) => shortAt(vehicle, conductorId, against, 'highest')?.story.fault.voltageV ?? 0;
  return amps('bus-minus') >= amps('bus-plus') ? 'bus-minus' : 'bus-plus';
}
