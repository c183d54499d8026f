import { type OwnProperty, SIGNALS } from '../../build';
import { CHARGE, FAULT, FAULTS, type FaultName, INPUTS, type Input, MAIN, MINUS, MODE, PRECHARGE, WORLD } from './bits';
import { Machine } from './machine';
import { allAre, PROPERTIES, type Property, type Seen, seenOf, unknownSignals } from './properties';
import { askedFlags, type SequenceDesign } from './sequence-design';
import { fittedInputs } from './steps';

/** What may happen next: an input turned, the lever or the motion put somewhere, time passing, a thing failing. */
export type SearchEvent =
  | { readonly kind: 'input'; readonly input: Input; readonly is: boolean }
  | { readonly kind: 'time' }
  | { readonly kind: 'fault'; readonly fault: FaultName };

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

/** Faults that a design can have. */
export function possibleFaults(design: SequenceDesign): readonly FaultName[] {
  const { flags, seen, fitted } = design;
  const inputs = fittedInputs(design);
  const measured = design.command !== 'hand-switches' && (flags.measuresLink === true || design.provesDead === true);
  const has: Readonly<Record<FaultName, boolean>> = {
    none: false,
    'proximity-open': seen === 'proximity' || seen === 'own-contact',
    'pilot-open': flags.pilotBlocks === true,
    'block-welded': design.torqueBlocked === true,
    'brake-on': flags.brakeFirst === true || flags.brakeCuts === true,
    'brake-off': flags.brakeFirst === true || flags.brakeCuts === true,
    'pedal-high': true,
    'pedal-open': true,
    'forward-on': true,
    'reverse-on': true,
    'forward-off': true,
    'reverse-off': true,
    'dead-man-on': inputs.has('deadMan'),
    'seat-on': inputs.has('seatEmpty'),
    'stand-up': inputs.has('standDown'),
    'speed-moving': flags.turnStill === true || flags.regenEnds === true,
    'speed-still': flags.turnStill === true || flags.regenEnds === true,
    'main-welded': true,
    'minus-welded': (fitted & 1) !== 0,
    'relay-welded': (fitted & 2) !== 0,
    'charge-welded': (fitted & 8) !== 0,
    'resistor-open': (fitted & 2) !== 0,
    'link-loaded': (fitted & 2) !== 0,
    'link-reads-up': measured,
    'link-reads-dead': measured,
    'messages-lost': askedFlags(design).includes('messages') && flags.messages !== false,
  };
  return FAULTS.filter((fault) => has[fault]);
}

/** Beyond this many it gives up, and says so. */
const MOST_STATES = 6_000_000;
const MODE_BITS = 4;
const OBSERVED_AT = 9;

/** All states that were met, each once, with the way that led there first. */
class Store {
  words = new Int32Array(1 << 16);
  controls = new Int32Array(1 << 16);
  parents = new Int32Array(1 << 16);
  events = new Uint8Array(1 << 16);
  count = 0;
  private table = new Int32Array(1 << 18).fill(-1);

  /** True when it is new. */
  add(word: number, control: number, parent: number, event: number): boolean {
    const mask = this.table.length - 1;
    let slot = (Math.imul(word, 0x9e3779b1) ^ Math.imul(control, 0x85ebca6b)) >>> 0;
    slot = (slot ^ (slot >>> 15)) & mask;
    for (;;) {
      const at = this.table[slot]!;
      if (at < 0) break;
      if (this.words[at] === word && this.controls[at] === control) return false;
      slot = (slot + 1) & mask;
    }
    if (this.count === this.words.length) this.grow();
    this.words[this.count] = word;
    this.controls[this.count] = control;
    this.parents[this.count] = parent;
    this.events[this.count] = event;
    this.table[slot] = this.count;
    this.count += 1;
    if (this.count * 2 > this.table.length) this.rehash();
    return true;
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
    this.table = new Int32Array(this.table.length * 4).fill(-1);
    const mask = this.table.length - 1;
    for (let at = 0; at < this.count; at++) {
      let slot = (Math.imul(this.words[at]!, 0x9e3779b1) ^ Math.imul(this.controls[at]!, 0x85ebca6b)) >>> 0;
      slot = (slot ^ (slot >>> 15)) & mask;
      while (this.table[slot]! >= 0) slot = (slot + 1) & mask;
      this.table[slot] = at;
    }
  }
}

/** Everything that may happen at all in a design, in a fixed order. */
export function eventsOf(design: SequenceDesign): readonly SearchEvent[] {
  const inputs = fittedInputs(design);
  const events: SearchEvent[] = [{ kind: 'time' }];
  for (const input of INPUTS)
    if (inputs.has(input)) events.push({ kind: 'input', input, is: true }, { kind: 'input', input, is: false });
  for (const fault of possibleFaults(design)) events.push({ kind: 'fault', fault });
  return events;
}

/** The world after an input: lever and motion have one place at a time, and a contact can’t be pressed twice. */
export function withInput(word: number, input: Input, is: boolean): number {
  const bit = WORLD[input];
  if (!is) return word & ~bit;
  const pair =
    input === 'forward' || input === 'reverse'
      ? WORLD.forward | WORLD.reverse
      : input === 'movingForward' || input === 'movingBackward'
        ? WORLD.movingForward | WORLD.movingBackward
        : 0;
  return (word & ~pair) | bit;
}

interface Watch {
  readonly id: string;
  readonly name?: string;
  readonly bears: Property['bears'];
  readonly except: ReadonlySet<number>;
  readonly never: ((seen: Seen) => boolean) | null;
  readonly edge: number;
  readonly stuck: boolean;
  /** Where each fault broke it first: a state, with the event that broke it or none. */
  readonly broken: Map<number, readonly [state: number, event: number]>;
}

/** Everything must be seen: a property of its own that needs to look back has a bit in the state. */
export function search(design: SequenceDesign, progress: (share: number) => void = () => {}): SearchResult {
  const machine = new Machine(design);
  const events = eventsOf(design);
  const watches = watchesOf(design);
  const looking = FAULTS.map((_, fault) => watches.filter((one) => one.never && !one.stuck && counts(one, fault)));
  // Events as plain numbers: bits put on and taken off, or the fault; the first is time.
  const sets = Int32Array.from(events, (one) => (one.kind === 'input' ? withInput(0, one.input, one.is) : 0));
  const clears = Int32Array.from(events, (one) => (one.kind === 'input' ? ~withInput(-1, one.input, one.is) : 0));
  const fails = Int32Array.from(events, (one) => (one.kind === 'fault' ? FAULT[one.fault] : 0));
  const lookingBack = design.properties.filter(
    (own) => own.form === 'only-after' && unknownSignals(own, SIGNALS).length === 0,
  );
  const following = design.properties.filter(
    (own) => own.form === 'followed' && unknownSignals(own, SIGNALS).length === 0,
  );
  const ownBroken = new Map<string, Map<number, readonly [number, number]>>(
    [...lookingBack, ...following].map(({ id }) => [id, new Map()]),
  );
  const store = new Store();
  const breaks = (broken: Watch['broken'], fault: number, state: number, event: number) => {
    if (!broken.has(fault)) broken.set(fault, [state, event]);
  };
  /** Bits of what has been since the key was turned. */
  const observe = (word: number, mode: number, fault: number, bits: number): number => {
    if (lookingBack.length === 0) return 0;
    if (!(word & WORLD.key)) return 0;
    const seen = seenOf(machine, word, mode, fault);
    let now = bits;
    lookingBack.forEach(({ brings }, k) => {
      if (allAre(brings ?? [], seen)) now |= 1 << k;
    });
    return now;
  };
  /**
   * A new state, and at once all that time alone makes of it: waiting is no step of a story, so that what comes after the same inputs stands
   * before what takes one more.
   */
  const meet = (parent: number, event: number, fault: number, before: number) => {
    let observed = observe(machine.word, machine.mode, fault, before);
    if (!store.add(machine.word, machine.mode | (fault << MODE_BITS) | (observed << OBSERVED_AT), parent, event))
      return;
    for (;;) {
      const from = store.count - 1;
      machine.tick();
      observed = observe(machine.word, machine.mode, fault, observed);
      if (!store.add(machine.word, machine.mode | (fault << MODE_BITS) | (observed << OBSERVED_AT), from, 0)) return;
    }
  };
  machine.word = WORLD.linkDead;
  meet(-1, 0, 0, 0);
  let transitions = 0;
  let exhausted = true;
  for (let at = 0; at < store.count; at++) {
    if (store.count > MOST_STATES) {
      exhausted = false;
      break;
    }
    if ((at & 0xffff) === 0) progress(at / Math.max(store.count, 1));
    const word = store.words[at]!;
    const control = store.controls[at]!;
    const mode = control & ((1 << MODE_BITS) - 1);
    const fault = (control >> MODE_BITS) & 31;
    const observed = control >> OBSERVED_AT;
    const seen = seenOf(machine, word, mode, fault);
    const open = looking[fault]!;
    for (let k = 0; k < open.length; k++)
      if (open[k]!.never!(seen)) {
        open[k]!.broken.set(fault, [at, -1]);
        open.splice(k--, 1);
      }
    if (lookingBack.length > 0)
      lookingBack.forEach(({ id, when }, k) => {
        if (!(observed & (1 << k)) && fault === 0 && allAre(when, seen)) breaks(ownBroken.get(id)!, fault, at, -1);
      });
    for (const { id, when, brings } of following)
      if (fault === 0 && !ownBroken.get(id)!.has(0) && allAre(when, seen) && !comes(machine, word, mode, brings ?? []))
        ownBroken.get(id)!.set(0, [at, -1]);
    for (let e = 0; e < events.length; e++) {
      const failing = fails[e]!;
      let nextFault = fault;
      machine.mode = mode;
      if (failing > 0) {
        if (fault !== 0 || !mayFail(failing, mode, seen.closed)) continue;
        nextFault = failing;
        machine.fault = nextFault;
        machine.word = word;
        machine.settle(word, 0);
      } else {
        machine.fault = fault;
        if (e === 0) {
          machine.word = word;
          machine.tick();
        } else {
          const after = (word & ~clears[e]!) | sets[e]!;
          if (after === word) continue;
          machine.word = after;
          machine.settle(word);
        }
      }
      transitions += 1;
      if (machine.seen !== 0)
        for (const watch of watches)
          if (watch.edge & machine.seen && !watch.broken.has(nextFault) && counts(watch, nextFault))
            watch.broken.set(nextFault, [at, e]);
      if (e === 0 && machine.word === word && machine.mode === mode)
        for (const watch of watches)
          if (watch.stuck && !watch.broken.has(fault) && counts(watch, fault) && watch.never!(seen))
            watch.broken.set(fault, [at, e]);
      if (e === 0) continue;
      meet(at, e, nextFault, observed);
    }
  }
  progress(1);
  const told = (id: string, broken: Watch['broken'], name?: string): Verdict => {
    // The earliest met is the shortest; without a fault before with one.
    const first = broken.get(0) ?? [...broken.values()].sort((p, q) => p[0] - q[0])[0];
    return {
      id,
      ...(name === undefined ? {} : { name }),
      proved: exhausted && broken.size === 0,
      story: first ? storyTo(store, events, first) : [],
      faults: [...broken.keys()].sort((p, q) => p - q).map((fault) => FAULTS[fault]!),
    };
  };
  return {
    states: store.count,
    transitions,
    exhausted,
    verdicts: [
      ...watches.map(({ id, broken, name }) => told(id, broken, name)),
      ...[...lookingBack, ...following].map(({ id, name }) => told(`own:${id}`, ownBroken.get(id)!, name)),
    ],
  };
}

const WELDS = FAULTS.map(
  (fault) =>
    ({ 'main-welded': MAIN, 'minus-welded': MINUS, 'relay-welded': PRECHARGE, 'charge-welded': CHARGE })[
      fault as string
    ] ?? 0,
);

/**
 * What is closed welds, or it has welded before the key was turned; a measurement that fails in the very second of precharge is not looked
 * at: nothing could tell it from the truth.
 */
function mayFail(fault: number, mode: number, closed: number): boolean {
  const weld = WELDS[fault]!;
  if (weld !== 0) return mode === MODE.off || (closed & weld) !== 0;
  return fault !== FAULT['link-reads-up'] || (mode !== MODE.precharge && mode !== MODE['charge-precharge']);
}

const counts = ({ bears, except }: Watch, fault: number): boolean =>
  fault === 0 || (bears === 'every-fault' && !except.has(fault));

function watchesOf(design: SequenceDesign): readonly Watch[] {
  const built = PROPERTIES.filter(({ applies }) => applies(design)).map(
    ({ id, bears, except, never, edge }): Watch => ({
      id,
      bears,
      except: new Set((except ?? []).map((fault) => FAULT[fault])),
      never: never ? (seen) => never(seen, design) : null,
      edge: edge ?? 0,
      stuck: id === 'switches-off',
      broken: new Map(),
    }),
  );
  const own = design.properties
    .filter((one) => one.form === 'never' && unknownSignals(one, SIGNALS).length === 0)
    .map(
      ({ id, name, when }: OwnProperty): Watch => ({
        id: `own:${id}`,
        name,
        bears: 'every-fault',
        except: new Set(),
        never: (seen) => allAre(when, seen),
        edge: 0,
        stuck: false,
        broken: new Map(),
      }),
    );
  return [...built, ...own];
}

/** Whether time alone brings it, with nothing else touched. */
function comes(machine: Machine, word: number, mode: number, brings: OwnProperty['when']): boolean {
  machine.word = word;
  machine.mode = mode;
  machine.fault = 0;
  for (let k = 0; k < 24; k++) {
    if (allAre(brings, seenOf(machine, machine.word, machine.mode, 0))) return true;
    const [w, m] = [machine.word, machine.mode];
    machine.tick();
    if (machine.word === w && machine.mode === m) return false;
  }
  return false;
}

function storyTo(
  store: Store,
  events: readonly SearchEvent[],
  [state, last]: readonly [number, number],
): SearchEvent[] {
  const story: SearchEvent[] = last < 0 ? [] : [events[last]!];
  for (let at = state; store.parents[at]! >= 0; at = store.parents[at]!) story.unshift(events[store.events[at]!]!);
  return story;
}
