import type { Build, Circuit } from './types';

/** Bits of one word of marks: as many as a small integer holds. */
const BITS = 30;

/**
 * What was read while something was worked out, one bit a slot. Nobody lists it by hand: whoever reads a slice of a watched build, vehicle or
 * context leaves its mark, so that what is remembered names all that it rests on.
 */
export class Reads {
  a = 0;
  b = 0;
  c = 0;
}

const names: string[] = [];
/** Where marks are left just now. */
let asking = new Reads();

/** A slot of its own for one thing that can be read. */
export function slot(name: string): number {
  if (names.length >= 3 * BITS) throw new Error('more slots than marks');
  return names.push(name) - 1;
}

const words = ({ a, b, c }: Reads): readonly number[] => [a, b, c];
/** Names of the slots that were read: for tests and their messages. */
export const slotsRead = (reads: Reads): string[] =>
  names.filter((_, at) => (words(reads)[Math.floor(at / BITS)]! >> (at % BITS)) & 1);

function mark(at: number): void {
  const bit = 1 << (at % BITS);
  if (at < BITS) asking.a |= bit;
  else if (at < 2 * BITS) asking.b |= bit;
  else asking.c |= bit;
}

/** Whoever is told again what was worked out before has read all that it was made of. */
export function readAgain({ a, b, c }: Reads): void {
  asking.a |= a;
  asking.b |= b;
  asking.c |= c;
}

/** Works something out and tells what it read, the caller having read it too. */
export function reading<T>(make: () => T): { readonly value: T; readonly reads: Reads } {
  const before = asking;
  const reads = new Reads();
  asking = reads;
  try {
    return { value: make(), reads };
  } finally {
    asking = before;
    readAgain(reads);
  }
}

/** Works something out on nobody’s account: what is told of it stands for all that it read. */
export function apart<T>(make: () => T): T {
  const before = asking;
  asking = new Reads();
  try {
    return make();
  } finally {
    asking = before;
  }
}

/** What stands in each slot, by its number. */
export type Slots = readonly unknown[];

/** Slots in which something stands that is worked out of a thing when somebody asks. */
const workedOut = new Map<number, (thing: object) => unknown>();

/** A slot for what `make` works out of a thing; whoever asks leaves the mark of this slot, and of nothing that it was made of. */
export function slotFor<T extends object, V>(name: string, make: (thing: T) => V): (thing: T) => V {
  const at = slot(name);
  const of = (thing: T): V => apart(() => make(thing));
  workedOut.set(at, of as (thing: object) => unknown);
  return (thing) => {
    mark(at);
    return of(thing);
  };
}

function standing(at: number, slots: Slots): unknown {
  const of = workedOut.get(at);
  const thing = of && thingOf.get(slots);
  if (!thing) return slots[at];
  try {
    return of(thing);
  } catch {
    // What can’t be worked out is like nothing else: whoever rests on it asks for itself, and stumbles there.
    return Symbol('not worked out');
  }
}

/** Whether all that was read is the same in both, by identity. */
export function sameRead({ a, b, c }: Reads, then: Slots, now: Slots): boolean {
  return (
    then === now || (sameWord(a, 0, then, now) && sameWord(b, BITS, then, now) && sameWord(c, 2 * BITS, then, now))
  );
}

function sameWord(word: number, from: number, then: Slots, now: Slots): boolean {
  for (let bits = word; bits !== 0; bits &= bits - 1) {
    const at = from + 31 - Math.clz32(bits & -bits);
    if (!Object.is(standing(at, then), standing(at, now))) return false;
  }
  return true;
}

const slotsOf = new WeakMap<object, Slots>();
/** What stands in the slots that can be read of a watched thing; undefined: it is not watched. */
export const slotsBehind = (thing: object): Slots | undefined => slotsOf.get(thing);
export const standsIn = (thing: object, slots: Slots): void => {
  slotsOf.set(thing, slots);
};

const thingOf = new WeakMap<Slots, object>();
/** What the slots are of that are worked out when somebody asks. */
export const standsFor = (slots: Slots, thing: object): void => {
  thingOf.set(slots, thing);
};

const BEHIND = Symbol('what is watched');
/** Values by the place of their property: found at once, whichever property it is. */
interface Behind {
  readonly [BEHIND]: readonly unknown[];
}
/** Read by whoever spreads a watched thing: a copy also says what is absent. */
const ALL = Symbol('all of it');

/** The words by name, each getter its own: found at once, and nothing is looked up twice. */
function getter(at: number, place: number): (this: Behind) => unknown {
  const bit = 1 << (at % BITS);
  if (at < BITS)
    return function () {
      asking.a |= bit;
      return this[BEHIND][place];
    };
  if (at < 2 * BITS)
    return function () {
      asking.b |= bit;
      return this[BEHIND][place];
    };
  return function () {
    asking.c |= bit;
    return this[BEHIND][place];
  };
}

/**
 * Makes things that look like a T and mark each property when it is read; null: reading it says nothing by itself. Own properties, so that
 * spreading one gives a plain T, and marks all that could be there. What is absent is marked when it is asked for, and not listed: whoever
 * lists the properties of a build takes `wholeBuild`.
 */
export function watcher<T extends object>(
  slots: Readonly<Record<keyof T & string, number | null>>,
): (thing: T, into: unknown[]) => T {
  const properties = (Object.entries(slots) as [keyof T & string, number | null][]).map(([key, at], place) => {
    const get = getter(at ?? 0, place);
    const of = (enumerable: boolean): PropertyDescriptor => ({ get, enumerable, configurable: true });
    return { key, at, there: of(true), absent: of(false) };
  });
  const all: PropertyDescriptor = {
    get() {
      for (const { at } of properties) if (at !== null) mark(at);
    },
    enumerable: true,
  };
  return (thing, into) => {
    const watched = Object.defineProperty({}, BEHIND, { value: properties.map(({ key }) => thing[key]) });
    Object.defineProperty(watched, ALL, all);
    for (const { key, at, there, absent } of properties) {
      if (at === null) Object.defineProperty(watched, key, { value: thing[key], enumerable: true });
      else Object.defineProperty(watched, key, Object.hasOwn(thing, key) ? there : absent);
      if (at !== null) into[at] = thing[key];
    }
    return watched as T;
  };
}

const SLICES: Readonly<Record<keyof Build, true>> = {
  format: true,
  version: true,
  id: true,
  name: true,
  notes: true,
  units: true,
  ruleSet: true,
  schools: true,
  vehicle: true,
  duty: true,
  packLimits: true,
  precharge: true,
  states: true,
  losses: true,
  asFound: true,
  safeguards: true,
  oldParts: true,
  inHand: true,
  costs: true,
  customer: true,
  oldFaults: true,
  supply: true,
  bms: true,
  charging: true,
  brakes: true,
  steering: true,
  cabin: true,
  cooling: true,
  gauges: true,
  controls: true,
  settings: true,
  harness: true,
  plan: true,
  commission: true,
  logbook: true,
  drives: true,
  health: true,
  chassis: true,
  restraint: true,
  modules: true,
  stage: true,
  secondPack: true,
  presetSpeed: true,
  regeneration: true,
  ownLimits: true,
  parts: true,
  zones: true,
  passages: true,
  routes: true,
  circuits: true,
  readings: true,
  adoptions: true,
};
const sliceSlots = Object.fromEntries(
  Object.keys(SLICES).map((key) => [key, key === 'circuits' ? null : slot(key)]),
) as Record<keyof Build, number | null>;
const circuitSlots = {
  hv: { devices: slot('circuits.hv.devices'), conductors: slot('circuits.hv.conductors') },
  lv: { devices: slot('circuits.lv.devices'), conductors: slot('circuits.lv.conductors') },
};
const allSlots = [
  ...Object.values(sliceSlots),
  ...Object.values(circuitSlots).flatMap(({ devices, conductors }) => [devices, conductors]),
];
const watchHv = watcher<Circuit>(circuitSlots.hv);
const watchLv = watcher<Circuit>(circuitSlots.lv);
const watchSlices = watcher<Build>(sliceSlots);

const plain = new WeakMap<Build, Build>();

/** A build that marks what is read of it, slice by slice, of the circuits devices and conductors; `into` is told what stands in the slots. */
export function watchBuild(build: Build, into: unknown[]): Build {
  const { hv, lv } = build.circuits;
  const watched = watchSlices({ ...build, circuits: { hv: watchHv(hv, into), lv: watchLv(lv, into) } }, into);
  plain.set(watched, plainBuild(build));
  standsIn(watched, into);
  return watched;
}

/** The document behind a build for whoever reads all of it: what is there, and what is not. */
export function wholeBuild(build: Build): Build {
  for (const at of allSlots) if (at !== null) mark(at);
  return plainBuild(build);
}

/** The document behind a watched build; a plain one is itself. */
export const plainBuild = (build: Build): Build => plain.get(build) ?? build;
