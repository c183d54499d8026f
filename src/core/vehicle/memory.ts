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

/** What follows from a build alone, made at its first question and kept as long as the build is. */
export function fromBuild<B extends object, T>(make: (of: { readonly build: B; readonly memory: Memory }) => T) {
  const made = room(() => new WeakMap<B, T>());
  return (of: { readonly build: B; readonly memory: Memory }): T => {
    const known = of.memory.of(made);
    const found = known.get(of.build);
    if (found !== undefined) return found;
    const fresh = make(of);
    known.set(of.build, fresh);
    return fresh;
  };
}
