import { type OwnProperty, SIGNALS } from '../../build';
import { FAULT, FAULTS, type FaultName, WORLD } from './bits';
import { eventsOf, mayFail, type SearchEvent, withInput } from './events';
import { Machine } from './machine';
import { controlOf, faultIn, Met, modeIn, observedIn } from './met';
import { allAre, type Seen, seenOf, unknownSignals } from './properties';
import type { SequenceDesign } from './sequence-design';
import { type Broken, counts, type Watch, watchesOf } from './watches';

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
  let exhausted = true;
  for (let at = 0; at < all.met.count; at++) {
    if (all.met.count > MOST_STATES) {
      exhausted = false;
      break;
    }
    if ((at & 0xffff) === 0) progress(at / Math.max(all.met.count, 1));
    all.visit(at);
  }
  progress(1);
  return all.result(exhausted);
}

/** A search under way. What is done for each state and each change is a function of its own: it becomes quick once it was asked often. */
class Search {
  readonly met = new Met();
  private readonly machine: Machine;
  private readonly events: readonly SearchEvent[];
  // Inputs and faults as plain numbers: the bit that turns, what turning it on takes off, and the events that these are.
  private readonly bits: Int32Array;
  private readonly clears: Int32Array;
  private readonly turnsOn: Int32Array;
  private readonly turnsOff: Int32Array;
  private readonly fails: Int32Array;
  private readonly failing: Int32Array;
  private readonly watches: readonly Watch[];
  /** Of each fault, what must not be and was not met yet. */
  private readonly looking: readonly Watch[][];
  private readonly stuck: readonly Watch[];
  private readonly lookingBack: readonly OwnProperty[];
  private readonly following: readonly OwnProperty[];
  private readonly ownBroken: ReadonlyMap<string, Broken>;
  private transitions = 0;

  constructor(design: SequenceDesign) {
    this.machine = new Machine(design);
    this.events = eventsOf(design);
    const at = (is: boolean) =>
      this.events.flatMap((one, event) => (one.kind === 'input' && one.is === is ? [{ input: one.input, event }] : []));
    this.turnsOn = Int32Array.from(at(true), ({ event }) => event);
    this.turnsOff = Int32Array.from(at(false), ({ event }) => event);
    this.bits = Int32Array.from(at(true), ({ input }) => WORLD[input]);
    this.clears = Int32Array.from(at(true), ({ input }) => ~withInput(-1, input, true));
    const faults = this.events.flatMap((one, event) => (one.kind === 'fault' ? [{ fault: one.fault, event }] : []));
    this.fails = Int32Array.from(faults, ({ fault }) => FAULT[fault]);
    this.failing = Int32Array.from(faults, ({ event }) => event);
    this.watches = watchesOf(design);
    this.looking = FAULTS.map((_, fault) =>
      this.watches.filter((one) => one.never && !one.stuck && counts(one, fault)),
    );
    this.stuck = this.watches.filter(({ stuck }) => stuck);
    const own = (form: OwnProperty['form']) =>
      design.properties.filter((one) => one.form === form && unknownSignals(one, SIGNALS).length === 0);
    this.lookingBack = own('only-after');
    this.following = own('followed');
    this.ownBroken = new Map([...this.lookingBack, ...this.following].map(({ id }) => [id, new Map()]));
    this.machine.word = WORLD.linkDead;
    this.meet(-1, 0, 0, 0);
  }

  /** Looks at a state that was met, and tries on it whatever may happen. */
  visit(at: number): void {
    const word = this.met.words[at]!;
    const control = this.met.controls[at]!;
    const mode = modeIn(control);
    const fault = faultIn(control);
    const observed = observedIn(control);
    const seen = seenOf(this.machine, word, mode, fault);
    this.lookAt(seen, at, observed);
    this.wait(seen, at);
    this.machine.stand(word, mode, fault);
    for (let k = 0; k < this.bits.length; k++) {
      const bit = this.bits[k]!;
      if (word & bit) this.turn(word & ~bit, fault, at, this.turnsOff[k]!, observed);
      else this.turn((word & ~this.clears[k]!) | bit, fault, at, this.turnsOn[k]!, observed);
    }
    if (fault !== 0) return;
    for (let k = 0; k < this.fails.length; k++)
      if (mayFail(this.fails[k]!, mode, seen.closed)) this.fail(seen, this.fails[k]!, at, this.failing[k]!, observed);
  }

  /** An input turned. */
  private turn(after: number, fault: number, at: number, event: number, observed: number): void {
    this.machine.turn(after);
    this.transitions += 1;
    if (this.machine.seen !== 0) this.happened(this.machine.seen, fault, at, event);
    this.meet(at, event, fault, observed);
  }

  /** A thing fails. */
  private fail({ word, mode }: Seen, fault: number, at: number, event: number, observed: number): void {
    const { machine } = this;
    machine.word = word;
    machine.mode = mode;
    machine.fault = fault;
    machine.settle(word, 0);
    this.transitions += 1;
    if (machine.seen !== 0) this.happened(machine.seen, fault, at, event);
    this.meet(at, event, fault, observed);
  }

  /** Nothing but time passes: what comes of it was met with the state itself. */
  private wait(seen: Seen, at: number): void {
    const { machine } = this;
    const { word, mode, fault } = seen;
    machine.word = word;
    machine.mode = mode;
    machine.fault = fault;
    machine.tick();
    this.transitions += 1;
    if (machine.seen !== 0) this.happened(machine.seen, fault, at, 0);
    if (machine.word === word && machine.mode === mode)
      for (const watch of this.stuck)
        if (!watch.broken.has(fault) && counts(watch, fault) && watch.never!(seen)) watch.broken.set(fault, [at, 0]);
  }

  private happened(what: number, fault: number, at: number, event: number): void {
    for (const watch of this.watches)
      if (watch.edge & what && !watch.broken.has(fault) && counts(watch, fault)) watch.broken.set(fault, [at, event]);
  }

  /** What must not be: is it here? */
  private lookAt(seen: Seen, at: number, observed: number): void {
    const { fault } = seen;
    const open = this.looking[fault]!;
    for (let k = 0; k < open.length; k++)
      if (open[k]!.never!(seen)) {
        open[k]!.broken.set(fault, [at, -1]);
        open.splice(k--, 1);
      }
    if (fault !== 0 || this.ownBroken.size === 0) return;
    const breaks = (id: string) => {
      const broken = this.ownBroken.get(id)!;
      if (!broken.has(0)) broken.set(0, [at, -1]);
    };
    this.lookingBack.forEach(({ id, when }, k) => {
      if (!(observed & (1 << k)) && allAre(when, seen)) breaks(id);
    });
    for (const { id, when, brings } of this.following)
      if (!this.ownBroken.get(id)!.has(0) && allAre(when, seen) && !comes(this.machine, seen, brings ?? [])) breaks(id);
  }

  /**
   * A new state, and at once all that time alone makes of it: waiting is no step of a story, so that what comes after the same inputs stands
   * before what takes one more.
   */
  private meet(parent: number, event: number, fault: number, before: number): void {
    const { machine, met } = this;
    let observed = this.observe(fault, before);
    if (!met.add(machine.word, controlOf(machine.mode, fault, observed), parent, event)) return;
    for (;;) {
      const from = met.count - 1;
      machine.tick();
      observed = this.observe(fault, observed);
      if (!met.add(machine.word, controlOf(machine.mode, fault, observed), from, 0)) return;
    }
  }

  /** Bits of what has been since the key was turned. */
  private observe(fault: number, bits: number): number {
    if (this.lookingBack.length === 0) return 0;
    const { word, mode } = this.machine;
    if (!(word & WORLD.key)) return 0;
    const seen = seenOf(this.machine, word, mode, fault);
    return this.lookingBack.reduce((now, { brings }, k) => (allAre(brings ?? [], seen) ? now | (1 << k) : now), bits);
  }

  result(exhausted: boolean): SearchResult {
    const told = (id: string, broken: Broken, name?: string): Verdict => {
      // The earliest met is the shortest; without a fault before with one.
      const first = broken.get(0) ?? [...broken.values()].sort((p, q) => p[0] - q[0])[0];
      return {
        id,
        ...(name === undefined ? {} : { name }),
        proved: exhausted && broken.size === 0,
        story: first ? storyTo(this.met, this.events, first) : [],
        faults: [...broken.keys()].sort((p, q) => p - q).map((fault) => FAULTS[fault]!),
      };
    };
    return {
      states: this.met.count,
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

function storyTo(met: Met, events: readonly SearchEvent[], [state, last]: readonly [number, number]): SearchEvent[] {
  const story: SearchEvent[] = last < 0 ? [] : [events[last]!];
  for (let at = state; met.parents[at]! >= 0; at = met.parents[at]!) story.unshift(events[met.events[at]!]!);
  return story;
}
