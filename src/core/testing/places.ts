/** Data as JSON has it. */
export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/** Every place in a document that holds no further places, as a way of keys. */
export function leavesOf(value: unknown, way: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [way];
  return Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, [...way, key]));
}

export function valueAt(document: unknown, way: readonly string[]): unknown {
  return way.reduce<unknown>((at, key) => (at as Readonly<Record<string, unknown>>)[key], document);
}

/** The document with another value at one place; the rest is shared with it. */
export function withValue<T>(document: T, [key, ...rest]: readonly string[], value: unknown): T {
  if (key === undefined) return value as T;
  const inner = (document as Readonly<Record<string, unknown>>)[key];
  const next = withValue(inner, rest, value);
  return (Array.isArray(document)
    ? document.map((one, k) => (String(k) === key ? next : one))
    : { ...(document as object), [key]: next }) as unknown as T;
}
