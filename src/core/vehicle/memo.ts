/** A small memory of pure results by key; the oldest goes first. It changes speed, never answers. */
export class Memo<V> {
  private readonly entries = new Map<string, V>();
  constructor(private readonly most: number) {}

  get(key: string, make: () => V): V {
    const known = this.entries.get(key);
    if (known !== undefined) {
      this.entries.delete(key);
      this.entries.set(key, known);
      return known;
    }
    const made = make();
    this.entries.set(key, made);
    if (this.entries.size > this.most) this.entries.delete(this.entries.keys().next().value!);
    return made;
  }
}
