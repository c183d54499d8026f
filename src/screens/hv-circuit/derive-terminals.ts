import { consumersOf, joinedWhenOpen, linkDischarges, stillFed } from '@/core/simulate';
import type { Vehicle } from '@/core/vehicle';

/** A consumer with some switches open: fed by the cells, holding what its capacitors held, or without a voltage of its own. */
export interface LiveTerminals {
  readonly deviceId: string;
  readonly name: string;
  /** Between its terminals from the cells, V; null: no cells feed it. */
  readonly fedV: number | null;
  /** Devices and wires from its terminals to the cells. */
  readonly path: readonly string[];
  /** Poles that metal still joins to cells, fed or not: against another point of the pack they bite. */
  readonly joined: readonly ('plus' | 'minus')[];
  /**
   * Until the capacitors at its terminals fall under the safe voltage, s; null: nothing that is known bleeds them; 0: there are none.
   * Those of others on the same piece of bus count.
   */
  readonly safeAfterS: number | null;
}

/** Terminals of every consumer as the ledger judges them (live.parked, live.welded), with these switches open. */
export function liveTerminals(
  vehicle: Vehicle,
  open: ReadonlySet<string>,
  relaysClosed: boolean,
  fullV: number,
  safeV: number,
): readonly LiveTerminals[] {
  const closed = { open, relaysClosed };
  const fed = new Map(stillFed(vehicle, closed, 0).map((one) => [one.device.id, one]));
  const joined = joinedWhenOpen(vehicle, closed);
  const links = fullV > safeV ? linkDischarges(vehicle, fullV, safeV, closed) : [];
  return consumersOf(vehicle).map(({ id, device }) => {
    const one = fed.get(id);
    const link = links.find(({ consumers }) => consumers.some((on) => on.id === id));
    return {
      deviceId: id,
      name: device.name,
      fedV: one?.voltageV ?? null,
      path: one?.path ?? [],
      joined: joined.filter(({ device: { id: of } }) => of === id).map(({ terminal }) => terminal),
      safeAfterS: link ? link.timeS : 0,
    };
  });
}
