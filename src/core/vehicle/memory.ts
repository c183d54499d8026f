import { type Reads, readAgain, reading, type Slots, sameRead, slotFor, slotsBehind } from '../build/reads';

/**
 * What one owner remembers: the bench, a worker, a test, the command line. It is handed in, and what is solved carries it on; nothing is
 * remembered in a module. Memory changes speed, never answers: a fresh one gives the same.
 */
export class Memory {
  private readonly rooms = new Map<Room<unknown>, unknown>();
  private aside: Memory | null = null;

  /** What is kept in a room here; made empty at the first question. */
  of<T>(room: Room<T>): T {
    if (!this.rooms.has(room)) this.rooms.set(room, room.make());
    return this.rooms.get(room) as T;
  }

  /** For what is only tried (remedies, drags, stages): it never pushes out what this one holds. */
  get trial(): Memory {
    this.aside ??= new Memory();
    return this.aside;
  }
}

/** A place in every memory for one sort of results. */
export interface Room<T> {
  readonly make: () => T;
}
export const room = <T>(make: () => T): Room<T> => ({ make });

/** A small memory of pure results by key; when full it starts anew. It changes speed, never answers. */
export class Memo<V, K = string> {
  private entries = new Map<K, V>();
  constructor(private readonly most: number) {}

  get(key: K, make: () => V): V {
    const known = this.entries.get(key);
    if (known !== undefined) return known;
    const made = make();
    if (this.entries.size >= this.most) this.entries = new Map();
    this.entries.set(key, made);
    return made;
  }
}

/** All that plain data say, in a row: keys, values and lengths, so that two of equal rows say the same. */
export function spelled(...values: readonly unknown[]): unknown[] {
  const out: unknown[] = [];
  const spell = (value: unknown): void => {
    if (Array.isArray(value)) {
      out.push(value.length);
      for (const one of value) spell(one);
    } else if (value instanceof Set || value instanceof Map) spell([...value]);
    else if (typeof value === 'object' && value !== null)
      for (const key in value) {
        out.push(key);
        spell((value as Readonly<Record<string, unknown>>)[key]);
      }
    else out.push(value);
  };
  for (const value of values) spell(value);
  return out;
}

/** The last few results with all that they read: one that read the same serves again. Parts count by identity, figures by value. */
export class Recent<V> {
  private readonly kept: { readonly reads: readonly unknown[]; readonly value: V }[] = [];
  constructor(private readonly most: number) {}

  get(reads: readonly unknown[], make: () => V): V {
    const at = this.kept.findIndex((one) => sameRow(one.reads, reads));
    const found = at < 0 ? { reads, value: make() } : this.kept.splice(at, 1)[0]!;
    this.kept.unshift(found);
    this.kept.length = Math.min(this.kept.length, this.most);
    return found.value;
  }
}

function sameRow(p: readonly unknown[], q: readonly unknown[]): boolean {
  if (p.length !== q.length) return false;
  for (let k = 0; k < p.length; k++) if (!Object.is(p[k], q[k])) return false;
  return true;
}

/**
 * What follows from a thing, by a name where several do, worked out once and gone with the thing. Whoever is told it again counts as having
 * read all that it was made of.
 */
export class Follows<K extends object, V> {
  private readonly one = new WeakMap<K, Made<V>>();
  private readonly named = new WeakMap<K, Map<string, Made<V>>>();

  get(thing: K, make: () => V, name?: string): V {
    const known = name === undefined ? this.one.get(thing) : this.named.get(thing)?.get(name);
    if (known) {
      readAgain(known.reads);
      return known.value;
    }
    const made = reading(make);
    if (name === undefined) this.one.set(thing, made);
    else {
      const own = this.named.get(thing) ?? new Map<string, Made<V>>();
      this.named.set(thing, own.set(name, made));
    }
    return made.value;
  }
}

interface Made<V> {
  readonly value: V;
  readonly reads: Reads;
}

/**
 * What follows from a vehicle and mostly comes out as it was: it stays the object that it was where `same` finds it alike, and whoever reads
 * it rests on it alone, not on what it was made of. Its value must hold nothing that is read of the vehicle later.
 */
export function settles<T extends { readonly memory: Memory }, V>(
  name: string,
  make: (thing: T) => V,
  same: (p: V, q: V) => boolean = Object.is,
): (thing: T) => V {
  const last = room((): { value?: V } => ({}));
  const of = new Follows<T, V>();
  return slotFor(name, (thing: T) =>
    of.get(thing, () => {
      const made = make(thing);
      const held = thing.memory.of(last);
      if (!('value' in held) || !same(held.value as V, made)) held.value = made;
      return held.value as V;
    }),
  );
}

/** Worked out at the first look; every look counts as having read what it is made of. */
export function later<T>(make: () => T): () => T {
  let made: Made<T> | null = null;
  return () => {
    if (made) readAgain(made.reads);
    else made = reading(make);
    return made.value;
  };
}

/** The last answer to a question, with all that it read; and answers about things that nobody watches. */
class Lately<T extends object, V> {
  private last: (Made<V> & { slots: Slots }) | null = null;
  private readonly unwatched = new Follows<T, V>();

  get(thing: T, make: () => V): V {
    const slots = slotsBehind(thing);
    if (!slots) return this.unwatched.get(thing, make);
    if (this.last && sameRead(this.last.reads, this.last.slots, slots)) readAgain(this.last.reads);
    else this.last = { ...reading(make), slots };
    // The slots of now: those of then would keep alive all that stood there.
    this.last.slots = slots;
    return this.last.value;
  }
}

/**
 * What follows from what is read of a watched thing, worked out anew only where some of that has changed. What `make` gives must hold nothing
 * of the thing itself and work nothing out of it later: it may serve for one that differs in what was not read.
 */
export function remembers<T extends object, V>(memoryOf: (thing: T) => Memory, make: (thing: T) => V) {
  const lately = room(() => new Lately<T, V>());
  return (thing: T): V =>
    memoryOf(thing)
      .of(lately)
      .get(thing, () => make(thing));
}

interface OfBuild<B> {
  readonly build: B;
  readonly memory: Memory;
}
/** The same for what follows from a build alone: it is handed nothing else. */
export function fromBuild<B extends object, V>(make: (of: OfBuild<B>) => V) {
  const lately = room(() => new Lately<B, V>());
  return ({ build, memory }: OfBuild<B>): V => memory.of(lately).get(build, () => make({ build, memory }));
}
