import { type Faults, only, sizeOf } from './apart';

/** The control of a state as one number: where the sequence stands, and bits of what has been. */
const MODE_BITS = 4;
export const controlOf = (mode: number, observed: number): number => mode | (observed << MODE_BITS);
export const modeIn = (control: number): number => control & ((1 << MODE_BITS) - 1);
export const observedIn = (control: number): number => control >> MODE_BITS;

const WIDTH = 4;

/**
 * All states that were met, each once. A state is a word, a control and a fault. Those that differ by their fault alone and are met in one
 * layer (so many steps from the beginning) are one visit; how each of them was met is kept in arrivals.
 */
export class Met {
  words = new Int32Array(1 << 14);
  controls = new Int32Array(1 << 14);
  /** Of each visit, the faults under which this is its first time. */
  faults = new Int32Array(1 << 14);
  private latest = new Int32Array(1 << 14);
  visits = 0;
  states = 0;

  // Of each arrival: the faults, the visit that it came from, what happened there, and the arrival before it at the same visit.
  private arrived = new Int32Array(1 << 14);
  private parents = new Int32Array(1 << 14);
  private events = new Uint8Array(1 << 14);
  private earlier = new Int32Array(1 << 14);
  private arrivals = 0;

  /** Where word and control are looked up, with all faults under which they were met, and their latest visit. */
  private table = new Int32Array(WIDTH << 12);
  private mask = (1 << 12) - 1;
  private filled = 0;
  private layer = 0;

  /** What is met from here on is a step further away. Where the layer begins. */
  nextLayer(): number {
    this.layer = this.visits;
    return this.layer;
  }

  /** Those of the faults under which it is new. */
  add(word: number, control: number, faults: Faults, parent: number, event: number): Faults {
    const at = this.slotOf(word, control);
    const met = this.table[at + 2]!;
    const fresh = faults & ~met;
    if (fresh === 0) return 0;
    let visit = met === 0 ? -1 : this.table[at + 3]!;
    if (visit < this.layer) {
      if (this.visits === this.words.length) this.growVisits();
      visit = this.visits++;
      this.words[visit] = word;
      this.controls[visit] = control;
      this.latest[visit] = -1;
    }
    this.faults[visit] = this.faults[visit]! | fresh;
    this.states += sizeOf(fresh);
    if (this.arrivals === this.arrived.length) this.growArrivals();
    const arrival = this.arrivals++;
    this.arrived[arrival] = fresh;
    this.parents[arrival] = parent;
    this.events[arrival] = event;
    this.earlier[arrival] = this.latest[visit]!;
    this.latest[visit] = arrival;
    this.table[at] = word;
    this.table[at + 1] = control;
    this.table[at + 2] = met | fresh;
    this.table[at + 3] = visit;
    if (met === 0) this.filled += 1;
    if (this.filled * 2 > this.mask) this.rehash();
    return fresh;
  }

  /** The latest visit of what was met. */
  latestOf(word: number, control: number): number {
    return this.table[this.slotOf(word, control) + 3]!;
  }

  /** The visit from which a state of this one was met, with what happened there; -1: it is the beginning. */
  cameFrom(visit: number, fault: number): readonly [visit: number, event: number] {
    let at = this.latest[visit]!;
    while (!(this.arrived[at]! & only(fault))) at = this.earlier[at]!;
    return [this.parents[at]!, this.events[at]!];
  }

  /** Where it stands in the table, or the free place where it would. */
  private slotOf(word: number, control: number): number {
    const { table, mask } = this;
    let slot = Math.imul(word, 0x9e3779b1) ^ Math.imul(control, 0x85ebca6b);
    slot = (slot ^ (slot >>> 15)) & mask;
    for (;;) {
      const at = slot * WIDTH;
      if (table[at + 2] === 0 || (table[at] === word && table[at + 1] === control)) return at;
      slot = (slot + 1) & mask;
    }
  }

  private growVisits(): void {
    for (const list of ['words', 'controls', 'faults', 'latest'] as const) this[list] = longer(this[list]);
  }

  private growArrivals(): void {
    for (const list of ['arrived', 'parents', 'earlier'] as const) this[list] = longer(this[list]);
    const events = new Uint8Array(this.events.length * 2);
    events.set(this.events);
    this.events = events;
  }

  private rehash(): void {
    const old = this.table;
    this.mask = this.mask * 4 + 3;
    this.table = new Int32Array(WIDTH * (this.mask + 1));
    for (let from = 0; from < old.length; from += WIDTH)
      if (old[from + 2] !== 0)
        this.table.set(old.subarray(from, from + WIDTH), this.slotOf(old[from]!, old[from + 1]!));
  }
}

function longer(from: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const to = new Int32Array(from.length * 2);
  to.set(from);
  return to;
}
