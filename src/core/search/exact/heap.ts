/** A binary heap: the entry that stands before all others by `order` comes first. */
export class Heap<T> {
  private readonly entries: T[] = [];

  constructor(private order: (a: T, b: T) => number) {}

  get size(): number {
    return this.entries.length;
  }

  peek(): T | undefined {
    return this.entries[0];
  }

  push(entry: T): void {
    const { entries, order } = this;
    let at = entries.push(entry) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      const parent = entries[up] as T;
      if (order(entry, parent) >= 0) break;
      entries[at] = parent;
      at = up;
    }
    entries[at] = entry;
  }

  pop(): T | undefined {
    const { entries } = this;
    const first = entries[0];
    const last = entries.pop();
    if (entries.length > 0 && last !== undefined) this.sink(0, last);
    return first;
  }

  /** Orders all entries anew. */
  reorder(order: (a: T, b: T) => number): void {
    this.order = order;
    for (let at = (this.entries.length >> 1) - 1; at >= 0; at--) this.sink(at, this.entries[at] as T);
  }

  private sink(from: number, entry: T): void {
    const { entries, order } = this;
    let at = from;
    for (;;) {
      let down = 2 * at + 1;
      if (down >= entries.length) break;
      if (down + 1 < entries.length && order(entries[down + 1] as T, entries[down] as T) < 0) down++;
      const child = entries[down] as T;
      if (order(child, entry) >= 0) break;
      entries[at] = child;
      at = down;
    }
    entries[at] = entry;
  }
}
