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
