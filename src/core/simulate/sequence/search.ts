import { type OwnProperty, SIGNALS } from '../../build';
import { Apart, type Faults, firstOf, only, sizeOf } from './apart';
import { FAULT, FAULTS, type FaultName, WORLD } from './bits';
import { eventsOf, type SearchEvent, withInput } from './events';
import { Machine } from './machine';
import { controlOf, Met, modeIn, observedIn } from './met';
import { allAre, type Seen, seenOf, unknownSignals } from './properties';
import type { SequenceDesign } from './sequence-design';
import { type Broken, type Watch, watchesOf } from './watches';

export interface Verdict {
  readonly id: string;
  readonly name?: string;
  readonly proved: boolean;
  /** The shortest way to where it is broken; empty where it is proved. */
  readonly story: readonly SearchEvent[];
  /** Faults that break it, `none` among them. */
  readonly faults: readonly FaultName[];
}

export interface SearchResult {
  readonly states: number;
  readonly transitions: number;
  /** Every reachable state was seen; else nothing is proved. */
  readonly exhausted: boolean;
  readonly verdicts: readonly Verdict[];
}

/** Beyond this many it gives up, and says so. */
const MOST_STATES = 6_000_000;

/** Everything must be seen: a property of its own that needs to look back has a bit in the state. */
export function search(design: SequenceDesign, progress: (share: number) => void = () => {}): SearchResult {
  const all = new Search(design);
  const { met } = all;
  for (let at = 0; at < met.visits; ) {
    const end = met.nextLayer();
    for (; at < end && met.states <= MOST_STATES; at++) {
      if ((at & 0xfff) === 0) progress(at / met.visits);
      all.visit(at);
    }
    if (at < end) break;
  }
  const exhausted = met.states <= MOST_STATES;
  progress(1);
  return all.result(exhausted);
}

/**
 * A search under way, breadth first; a state is named by its visit and its fault. What is done is done for many faults at once: it goes as
 * without a fault under all but those that the machine names (see Apart), and under these it is done again, one by one.
 */
class Search {
  readonly met = new Met();
  private readonly machine: Machine;
  private readonly events: readonly SearchEvent[];
  // Inputs as plain numbers: the bit that turns, what turning it on takes off, and the events that these are.
  private readonly bits: Int32Array;
  private readonly clears: Int32Array;
  private readonly turnsOn: Int32Array;
  private readonly turnsOff: Int32Array;
  private readonly possible: Faults;
  private readonly failing: number;
  private readonly watches: readonly Watch[];
  private readonly lookingBack: readonly OwnProperty[];
  private readonly following: readonly OwnProperty[];
  private readonly ownBroken: ReadonlyMap<string, Broken>;
  private transitions = 0;
  // What is being tried: on which visit, and what.
  private from = -1;
  private event = 0;

  constructor(design: SequenceDesign) {
    this.machine = new Machine(design);
    this.events = eventsOf(design);
    const at = (is: boolean) =>
      this.events.flatMap((one, event) => (one.kind === 'input' && one.is === is ? [{ input: one.input, event }] : []));
    this.turnsOn = Int32Array.from(at(true), ({ event }) => event);
    this.turnsOff = Int32Array.from(at(false), ({ event }) => event);
    this.bits = Int32Array.from(at(true), ({ input }) => WORLD[input]);
    this.clears = Int32Array.from(at(true), ({ input }) => ~withInput(-1, input, true));
    const faults = this.events.flatMap((one) => (one.kind === 'fault' ? [FAULT[one.fault]] : []));
    this.possible = faults.reduce((all, fault) => all | only(fault), 0);
    // Which of them failed is seen by the state that it led to.
    this.failing = this.events.findIndex(({ kind }) => kind === 'fault');
    this.watches = watchesOf(design, this.possible | only(0));
    const own = (form: OwnProperty['form']) =>
      design.properties.filter((one) => one.form === form && unknownSignals(one, SIGNALS).length === 0);
    this.lookingBack = own('only-after');
    this.following = own('followed');
    this.ownBroken = new Map([...this.lookingBack, ...this.following].map(({ id }) => [id, new Map()]));
    this.stand(WORLD.linkDead, 0, 0);
    this.meet(only(0), 0);
  }

  /** Looks at what was met, and tries on it whatever may happen. */
  visit(at: number): void {
    const { machine, met } = this;
    const word = met.words[at]!;
    const control = met.controls[at]!;
    const faults = met.faults[at]!;
    const mode = modeIn(control);
    const observed = observedIn(control);
    this.from = at;
    const seen = seenOf(machine, word, mode, 0);
    const looksApart = machine.looksApart(word, mode, seen.closed) & faults;
    this.lookAt(seen, faults & ~looksApart);
    for (let left = looksApart; left !== 0; left &= left - 1) {
      const fault = firstOf(left);
      this.lookAt(seenOf(machine, word, mode, fault), only(fault));
    }
    if (faults & 1) this.lookForOwn(seen, observed);
    this.wait(word, mode, faults, seen, looksApart);
    for (let k = 0; k < this.bits.length; k++) {
      const bit = this.bits[k]!;
      const off = (word & bit) !== 0;
      this.event = off ? this.turnsOff[k]! : this.turnsOn[k]!;
      this.turn(word, off ? word & ~bit : (word & ~this.clears[k]!) | bit, mode, faults, observed);
    }
    if (faults & 1) this.fail(word, mode, this.possible & Apart.mayFail(mode, seen.closed), observed);
  }

  private stand(word: number, mode: number, fault: number): void {
    this.machine.word = word;
    this.machine.mode = mode;
    this.machine.fault = fault;
  }

  /** An input turned. */
  private turn(word: number, after: number, mode: number, faults: Faults, observed: number): void {
    const { machine } = this;
    this.stand(after, mode, 0);
    machine.settle(word);
    const apart = machine.apart & faults;
    this.come(faults & ~apart, observed);
    for (let left = apart; left !== 0; left &= left - 1) {
      const fault = firstOf(left);
      this.stand(after, mode, fault);
      machine.settle(word);
      this.come(only(fault), observed);
    }
  }

  /** A thing fails. */
  private fail(word: number, mode: number, faults: Faults, observed: number): void {
    const { machine } = this;
    this.event = this.failing;
    this.stand(word, mode, 0);
    machine.settle(word);
    const apart = machine.apart & faults;
    this.come(faults & ~apart, observed);
    for (let left = apart; left !== 0; left &= left - 1) {
      const fault = firstOf(left);
      this.stand(word, mode, fault);
      machine.settle(word, 0);
      this.come(only(fault), observed);
    }
  }

  /** What the machine has just done, under these faults. */
  private come(faults: Faults, observed: number): void {
    if (faults === 0) return;
    this.transitions += sizeOf(faults);
    if (this.machine.seen !== 0) this.happened(this.machine.seen, faults);
    this.meet(faults, observed);
  }

  /** Nothing but time passes: what comes of it was met with the state itself. */
  private wait(word: number, mode: number, faults: Faults, seen: Seen, looksApart: Faults): void {
    const { machine } = this;
    this.event = 0;
    this.transitions += sizeOf(faults);
    this.stand(word, mode, 0);
    machine.tick();
    const apart = (machine.apart | looksApart) & faults;
    this.waited(word, mode, faults & ~apart, seen);
    for (let left = apart; left !== 0; left &= left - 1) {
      const fault = firstOf(left);
      this.stand(word, mode, fault);
      machine.tick();
      this.waited(word, mode, only(fault), seenOf(machine, word, mode, fault));
    }
  }

  private waited(word: number, mode: number, faults: Faults, seen: Seen): void {
    const { machine } = this;
    if (faults === 0) return;
    if (machine.seen !== 0) this.happened(machine.seen, faults);
    if (machine.word === word && machine.mode === mode)
      for (const watch of this.watches)
        if (watch.stuck && watch.open & faults && watch.never!(seen)) breaks(watch, faults, this.from, this.event);
  }

  private happened(what: number, faults: Faults): void {
    for (const watch of this.watches) if (watch.edge & what) breaks(watch, faults, this.from, this.event);
  }

  /** What must not be: is it here? */
  private lookAt(seen: Seen, faults: Faults): void {
    for (const watch of this.watches)
      if (watch.open & faults && watch.never !== null && !watch.stuck && watch.never(seen))
        breaks(watch, faults, this.from, -1);
  }

  /** Properties of one’s own that ask what was or what comes: without a fault. */
  private lookForOwn(seen: Seen, observed: number): void {
    if (this.ownBroken.size === 0) return;
    const told = (id: string) => {
      const broken = this.ownBroken.get(id)!;
      if (!broken.has(0)) broken.set(0, [this.from, -1]);
    };
    this.lookingBack.forEach(({ id, when }, k) => {
      if (!(observed & (1 << k)) && allAre(when, seen)) told(id);
    });
    for (const { id, when, brings } of this.following)
      if (!this.ownBroken.get(id)!.has(0) && allAre(when, seen) && !comes(this.machine, seen, brings ?? [])) told(id);
  }

  /** Where the machine stands is met under these faults; what has been is kept where there is none. */
  private meet(faults: Faults, observed: number): void {
    const { word, mode } = this.machine;
    // What has been is asked of the sound control alone.
    const looking = this.lookingBack.length > 0 ? faults & only(0) : 0;
    if (looking) this.arrive(word, mode, this.observe(word, mode, observed), looking, this.from, this.event);
    if (faults !== looking) this.arrive(word, mode, 0, faults & ~looking, this.from, this.event);
  }

  /**
   * A new state, and at once all that time alone makes of it: waiting is no step of a story, so that what comes after the same inputs stands
   * before what takes one more.
   */
  private arrive(word: number, mode: number, observed: number, faults: Faults, parent: number, event: number): void {
    const { machine } = this;
    const fresh = this.met.add(word, controlOf(mode, observed), faults, parent, event);
    if (fresh === 0) return;
    const at = this.met.latestOf(word, controlOf(mode, observed));
    this.stand(word, mode, 0);
    machine.tick();
    const apart = machine.apart & fresh;
    const later = (left: Faults) =>
      this.arrive(
        machine.word,
        machine.mode,
        left & 1 && this.lookingBack.length > 0 ? this.observe(machine.word, machine.mode, observed) : 0,
        left,
        at,
        0,
      );
    if (fresh !== apart) later(fresh & ~apart);
    for (let left = apart; left !== 0; left &= left - 1) {
      const fault = firstOf(left);
      this.stand(word, mode, fault);
      machine.tick();
      later(only(fault));
    }
  }

  /** Bits of what has been since the key was turned, without a fault. */
  private observe(word: number, mode: number, bits: number): number {
    if (!(word & WORLD.key)) return 0;
    const seen = seenOf(this.machine, word, mode, 0);
    return this.lookingBack.reduce((now, { brings }, k) => (allAre(brings ?? [], seen) ? now | (1 << k) : now), bits);
  }

  result(exhausted: boolean): SearchResult {
    const told = (id: string, broken: Broken, name?: string): Verdict => {
      // The earliest found is the shortest; without a fault before with one.
      const fault = broken.has(0) ? 0 : [...broken.keys()][0];
      return {
        id,
        ...(name === undefined ? {} : { name }),
        proved: exhausted && broken.size === 0,
        story: fault === undefined ? [] : this.storyTo(fault, broken.get(fault)!),
        faults: [...broken.keys()].sort((p, q) => p - q).map((one) => FAULTS[one]!),
      };
    };
    return {
      states: this.met.states,
      transitions: this.transitions,
      exhausted,
      verdicts: [
        ...this.watches.map(({ id, broken, name }) => told(id, broken, name)),
        ...[...this.lookingBack, ...this.following].map(({ id, name }) =>
          told(`own:${id}`, this.ownBroken.get(id)!, name),
        ),
      ],
    };
  }

  private storyTo(fault: number, [state, last]: readonly [number, number]): SearchEvent[] {
    const { met, events, failing } = this;
    const told = (event: number): SearchEvent =>
      event === failing ? { kind: 'fault', fault: FAULTS[fault]! } : events[event]!;
    const story: SearchEvent[] = last < 0 ? [] : [told(last)];
    let before = last === failing ? 0 : fault;
    for (let at = state; ; ) {
      const [parent, event] = met.cameFrom(at, before);
      if (parent < 0) return story;
      story.unshift(told(event));
      if (event === failing) before = 0;
      at = parent;
    }
  }
}

function breaks(watch: Watch, faults: Faults, state: number, event: number): void {
  for (let left = watch.open & faults; left !== 0; left &= left - 1) watch.broken.set(firstOf(left), [state, event]);
  watch.open &= ~faults;
}

/** Whether time alone brings it, with nothing else touched. */
function comes(machine: Machine, from: Seen, brings: OwnProperty['when']): boolean {
  machine.word = from.word;
  machine.mode = from.mode;
  machine.fault = 0;
  for (let k = 0; k < 24; k++) {
    if (allAre(brings, seenOf(machine, machine.word, machine.mode, 0))) return true;
    const [w, m] = [machine.word, machine.mode];
    machine.tick();
    if (machine.word === w && machine.mode === m) return false;
  }
  return false;
}
