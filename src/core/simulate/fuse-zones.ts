import type { Id } from '../build';
import { Follows, protectingFuses, type Vehicle } from '../vehicle';
import type { Fault } from './fault';
import { fuseFaults } from './faults';
import { type ConductorShort, endedBy, type ShortJudgement, worstEndedBy } from './shorts';

/** One conductor whose shorts a fuse ends, with the hardest of these. */
export interface Ended {
  readonly judgement: ShortJudgement;
  readonly short: ConductorShort;
}

/** What a fuse has to look after: the conductors whose shorts it ends, and the currents that it meets. */
export interface FuseZone {
  readonly fuseId: Id;
  readonly ended: readonly Ended[];
  /** Bolted right at the fuse. Null: nothing drives a current through it. */
  readonly highest: Fault | null;
  readonly highestA: number;
  /** The least that it has to end: at the far ends of its conductors, out and back. */
  readonly lowest: Fault | null;
  readonly lowestA: number;
}

const zones = new Follows<Vehicle, readonly FuseZone[]>();

/** The zones of all fuses; worked out once for each solved vehicle. */
export const fuseZones = (vehicle: Vehicle): readonly FuseZone[] => zones.get(vehicle, () => findZones(vehicle));

function findZones(vehicle: Vehicle): readonly FuseZone[] {
  const series = protectingFuses(vehicle, 'fuse').of;
  return vehicle.devices
    .filter(({ device }) => device.kind === 'fuse')
    .map(({ id: fuseId }): FuseZone => {
      const ended = endedBy(vehicle, fuseId).map((judgement) => ({
        judgement,
        short: worstEndedBy(judgement, fuseId)!,
      }));
      // A fuse that never goes first still stands in the way of what its own conductors can draw.
      const own = vehicle.conductors.filter(({ id }) => (series.get(id) ?? []).includes(fuseId)).map(({ id }) => id);
      const faults = fuseFaults(vehicle, fuseId, own);
      const weakest = ended
        .flatMap(({ judgement }) => judgement.all)
        .filter(({ corner, openerId }) => corner === 'lowest' && openerId === fuseId)
        .map(({ story }) => ({ fault: story.fault, amps: story.fault.through(fuseId) }))
        .reduce<{ fault: Fault; amps: number } | null>((p, q) => (p === null || q.amps < p.amps ? q : p), null);
      return {
        fuseId,
        ended,
        highest: faults?.highest ?? null,
        highestA: faults?.highestA ?? 0,
        lowest: weakest?.fault ?? faults?.lowest ?? null,
        lowestA: weakest?.amps ?? faults?.lowestA ?? 0,
      };
    });
}
