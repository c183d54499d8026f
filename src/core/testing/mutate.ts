/** A small repeatable source of chance (mulberry32): a failing seed is a test of its own. */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

type Path = readonly (string | number)[];

/** Paths of all numbers in a value. */
export function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path];
  if (Array.isArray(value)) return value.flatMap((entry, k) => numbersIn(entry, [...path, k]));
  if (value !== null && typeof value === 'object')
    return Object.entries(value).flatMap(([key, entry]) => numbersIn(entry, [...path, key]));
  return [];
}

/** A deep copy with one value replaced; `undefined` takes it out. */
export function withAt<T>(value: T, path: Path, made: unknown): T {
  const copy = structuredClone(value);
  let at = copy as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  const last = path.at(-1)!;
  if (made === undefined) delete at[last];
  else at[last] = made;
  return copy;
}

export const valueAt = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], value);

/** Places in a value where a number is none, by path. */
export function notFinite(value: unknown, path: Path = []): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path.join('.')}: ${value}`];
  if (Array.isArray(value)) return value.flatMap((entry, k) => notFinite(entry, [...path, k]));
  if (value !== null && typeof value === 'object')
    return Object.entries(value).flatMap(([key, entry]) => notFinite(entry, [...path, key]));
  return [];
}
