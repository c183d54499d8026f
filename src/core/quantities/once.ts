/**
 * What follows from a thing that never changes: worked out at the first question, and gone with the thing. It changes speed, never answers;
 * for what an owner should be able to forget, and for things that change, there is the memory that is handed in.
 */
export function once<K extends object, V>(make: (thing: K) => V): (thing: K) => V {
  const known = new WeakMap<K, { readonly value: V }>();
  return (thing) => {
    const found = known.get(thing);
    if (found) return found.value;
    const value = make(thing);
    known.set(thing, { value });
    return value;
  };
}
