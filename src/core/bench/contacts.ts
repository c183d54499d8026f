import type { Id } from '../build';
import { type CoilPoint, coilLimits, type ResolvedDevice } from '../vehicle';
import type { BoardFault } from './board-faults';

/** A contact moves so long after its coil got or lost its voltage, s (generic). */
const CONTACT_S = 0.02;

/** The contactors of a board: each follows the volts at its own coil, unless it has welded. */
export class Contacts {
  readonly closed = new Set<Id>();
  /** When each contactor’s coil began to ask for the other place, s. */
  private readonly moving = new Map<Id, number>();

  constructor(
    private readonly contactors: readonly ResolvedDevice[],
    private readonly sorts: ReadonlyMap<Id, number>,
  ) {}

  /** Moves what its coil has asked for long enough; `timeS` is now, s. */
  move(timeS: number, coils: CoilPoint | null): void {
    for (const device of this.contactors) {
      const { id } = device;
      const volts = coils?.coilV.get(id) ?? 0;
      const { pickUpV, holdV } = coilLimits(device);
      const is = this.closed.has(id);
      const wants = is ? volts >= holdV : volts >= pickUpV;
      if (wants === is) {
        this.moving.delete(id);
        continue;
      }
      const since = this.moving.get(id) ?? timeS;
      this.moving.set(id, since);
      if (timeS - since < CONTACT_S) continue;
      this.moving.delete(id);
      if (wants) this.closed.add(id);
      else this.closed.delete(id);
    }
  }

  /** What conducts: closed, or welded. */
  conducting(fault: BoardFault | null): ReadonlySet<Id> {
    const closed = new Set(this.closed);
    for (const id of fault?.welded ?? []) closed.add(id);
    const sort = fault?.weldSort;
    if (sort !== undefined) for (const [id, one] of this.sorts) if (one === sort) closed.add(id);
    return closed;
  }

  /** Sorts of contactors that conduct, as bits. */
  bits(fault: BoardFault | null): number {
    const conducting = this.conducting(fault);
    return [...this.sorts].reduce((bits, [id, sort]) => (conducting.has(id) ? bits | sort : bits), 0);
  }

  /** Contactors of the sorts that are asked for. */
  ofSorts(asked: number): ReadonlySet<Id> {
    return new Set([...this.sorts].flatMap(([id, sort]) => ((asked & sort) !== 0 ? [id] : [])));
  }
}
