/** The control of a state as one number: where the sequence stands, the fault that is there, and bits of what has been. */
const MODE_BITS = 4;
const OBSERVED_AT = 9;
const FAULT_MASK = 31 << MODE_BITS;
export const controlOf = (mode: number, fault: number, observed: number): number =>
  mode | (fault << MODE_BITS) | (observed << OBSERVED_AT);
export const modeIn = (control: number): number => control & ((1 << MODE_BITS) - 1);
export const faultIn = (control: number): number => (control & FAULT_MASK) >> MODE_BITS;
export const observedIn = (control: number): number => control >> OBSERVED_AT;

/** All states that were met, each once, with the way that led there first. */
export class Met {
  words = new Int32Array(1 << 16);
  controls = new Int32Array(1 << 16);
  parents = new Int32Array(1 << 16);
  events = new Uint8Array(1 << 16);
  count = 0;
  /**
   * Where a state is looked up: word, control without its fault, and a bit for each fault under which it was met. States differ mostly by
   * their fault, so that the table is small enough to stay near the processor.
   */
  private table = new Int32Array(3 << 12);
  private mask = (1 << 12) - 1;
  private filled = 0;

  /** True when it is new. */
  add(word: number, control: number, parent: number, event: number): boolean {
    const faultless = control & ~FAULT_MASK;
    const bit = 1 << faultIn(control);
    const at = this.slotOf(word, faultless);
    const met = this.table[at + 2]!;
    if (met & bit) return false;
    if (met === 0) {
      this.table[at] = word;
      this.table[at + 1] = faultless;
      this.filled += 1;
    }
    this.table[at + 2] = met | bit;
    if (this.filled * 2 > this.mask) this.rehash();
    if (this.count === this.words.length) this.grow();
    this.words[this.count] = word;
    this.controls[this.count] = control;
    this.parents[this.count] = parent;
    this.events[this.count] = event;
    this.count += 1;
    return true;
  }

  /** Where it stands in the table, or the free place where it would. */
  private slotOf(word: number, faultless: number): number {
    const { table, mask } = this;
    let slot = Math.imul(word, 0x9e3779b1) ^ Math.imul(faultless, 0x85ebca6b);
    slot = (slot ^ (slot >>> 15)) & mask;
    for (;;) {
      const at = slot * 3;
      if (table[at + 2] === 0 || (table[at] === word && table[at + 1] === faultless)) return at;
      slot = (slot + 1) & mask;
    }
  }

  private grow(): void {
    const wider = <T extends Int32Array | Uint8Array>(from: T, to: T): T => {
      to.set(from as never);
      return to;
    };
    const size = this.words.length * 2;
    this.words = wider(this.words, new Int32Array(size));
    this.controls = wider(this.controls, new Int32Array(size));
    this.parents = wider(this.parents, new Int32Array(size));
    this.events = wider(this.events, new Uint8Array(size));
  }

  private rehash(): void {
    const old = this.table;
    this.mask = this.mask * 4 + 3;
    this.table = new Int32Array(3 * (this.mask + 1));
    for (let from = 0; from < old.length; from += 3) {
      if (old[from + 2] === 0) continue;
      const at = this.slotOf(old[from]!, old[from + 1]!);
      for (let k = 0; k < 3; k++) this.table[at + k] = old[from + k]!;
    }
  }
}
