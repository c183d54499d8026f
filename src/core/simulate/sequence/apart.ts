import { CHARGE, FAULT, FAULTS, MAIN, MINUS, MODE, PRECHARGE, WORLD } from './bits';
import type { SequenceDesign } from './sequence-design';

const W = WORLD;
/** A set of faults as one number, bit k for the k-th. */
export type Faults = number;

export const only = (fault: number): Faults => 1 << fault;
/** The first of a set that is not empty. */
export const firstOf = (faults: Faults): number => 31 - Math.clz32(faults & -faults);
export const without = (faults: Faults, fault: number): Faults => faults & ~(1 << fault);

/** How many are in a set. */
export function sizeOf(faults: Faults): number {
  let left = faults - ((faults >>> 1) & 0x55555555);
  left = (left & 0x33333333) + ((left >>> 2) & 0x33333333);
  return Math.imul((left + (left >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

export const WELD_OF: readonly (readonly [fault: number, sort: number])[] = [
  [FAULT['main-welded'], MAIN],
  [FAULT['minus-welded'], MINUS],
  [FAULT['relay-welded'], PRECHARGE],
  [FAULT['charge-welded'], CHARGE],
];
export const POLES_WELDED = only(FAULT['main-welded']) | only(FAULT['minus-welded']);
const WELDED = WELD_OF.reduce((all, [fault]) => all | only(fault), 0);
const LINK_FAULTS = only(FAULT['resistor-open']) | only(FAULT['link-loaded']);
const SETS = 16;

/**
 * Which faults make a difference where. Under all others it goes as it goes without one, so that they are followed together; a fault too
 * many here costs time, one too few is wrong.
 */
export class Apart {
  // Of each bit that is sensed: the faults under which it is read off though it is on, and the reverse.
  private readonly off: Int32Array;
  private readonly on: Int32Array;
  private readonly touched: number;
  /** Of the contactors that are closed without a fault: the welds with which others are, and with which other things are joined. */
  private readonly closes = new Int32Array(SETS);
  private readonly joins = new Int32Array(SETS);
  private readonly flows = new Int32Array(SETS);
  private readonly tested: Faults;

  constructor(
    design: SequenceDesign,
    [keep, put]: readonly [Int32Array, Int32Array],
    /** What is sensed of a plug that is in, or is not, under a fault. */
    plugSensed: (word: number, fault: number) => boolean,
    exclusive: boolean,
  ) {
    this.off = new Int32Array(32);
    this.on = new Int32Array(32);
    let touched: number = W.plug | W.bad;
    FAULTS.forEach((_, fault) => {
      for (let bit = 0; bit < 32; bit++) {
        const one = 1 << bit;
        if (one === W.plug) continue;
        if (!(((one & keep[fault]!) | put[fault]!) & one)) this.off[bit]! |= only(fault);
        if (put[fault]! & one) this.on[bit]! |= only(fault);
      }
      touched |= ~keep[fault]! | put[fault]!;
      const plug = firstOf(W.plug);
      if (plugSensed(W.plug, fault) !== plugSensed(W.plug, 0)) this.off[plug]! |= only(fault);
      if (plugSensed(0, fault) !== plugSensed(0, 0)) this.on[plug]! |= only(fault);
    });
    this.touched = touched;
    this.tested = design.flags.testsPoles === true ? POLES_WELDED | only(FAULT['relay-welded']) : 0;
    const singlePole = (design.fitted & MINUS) === 0;
    const whole = (closed: number, sort: number) => (closed & sort) !== 0 && (singlePole || (closed & MINUS) !== 0);
    for (let closed = 0; closed < SETS; closed++)
      for (const [fault, sort] of WELD_OF) {
        let welded = closed | (sort & design.fitted);
        if (exclusive && welded & MAIN) welded &= ~CHARGE;
        if (welded !== closed) this.closes[closed]! |= only(fault);
        if (whole(welded, MAIN) !== whole(closed, MAIN)) this.joins[closed]! |= only(fault);
        if (whole(welded, PRECHARGE) !== whole(closed, PRECHARGE)) this.flows[closed]! |= only(fault);
      }
  }

  /** By what is sensed of some bits. */
  sensing(word: number, mode: number, asked: number): Faults {
    let apart = asked & W.bad && (mode === MODE.awake || mode === MODE.precharge) ? this.tested : 0;
    for (let left = asked & this.touched; left !== 0; left &= left - 1) {
      const bit = firstOf(left);
      apart |= word & (1 << bit) ? this.off[bit]! : this.on[bit]!;
    }
    return apart;
  }

  /** By which contactors are closed. */
  closing(closed: number): Faults {
    return this.closes[closed]!;
  }

  /** By whether cells and link are joined. */
  joining(closed: number): Faults {
    return this.joins[closed]!;
  }

  /** By what flows through the resistor, and by what it does to the link. */
  flowing(closed: number, through: boolean): Faults {
    return this.flows[closed]! | (through ? LINK_FAULTS : 0);
  }

  /**
   * What may fail in a state: what is closed welds, or it has welded before the key was turned; a measurement that fails in the very second
   * of precharge is not looked at: nothing could tell it from the truth.
   */
  static mayFail(mode: number, closed: number): Faults {
    let may: Faults = ~only(0);
    if (mode !== MODE.off) {
      may &= ~WELDED;
      for (const [fault, sort] of WELD_OF) if (closed & sort) may |= only(fault);
    }
    return mode === MODE.precharge || mode === MODE['charge-precharge'] ? without(may, FAULT['link-reads-up']) : may;
  }
}
