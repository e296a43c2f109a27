/** A revision as it is stored, and in which table. */
export interface KeptRow {
  readonly table: 'part' | 'dialect';
  readonly key: string;
  readonly content: string;
}

/** What a shelf holds: where it is stored, what ships, and the shapes of a key and of a content. */
export interface ShelfOf<K extends string, T> {
  readonly table: KeptRow['table'];
  readonly shipped: ReadonlyMap<K, T>;
  readonly isKey: (text: string) => text is K;
  readonly isContent: (value: unknown) => value is T;
}

/** All revisions of one kind that this server knows: those that ship, and those that are stored. None ever changes. */
export class Shelf<K extends string, T extends object> {
  #all: ReadonlyMap<K, T>;
  readonly #stored = new Set<string>();

  constructor(private readonly of: ShelfOf<K, T>) {
    this.#all = of.shipped;
  }

  /** The same map as long as nothing is added. */
  get all(): ReadonlyMap<K, T> {
    return this.#all;
  }

  /** Adds revisions as they are stored; those that are known already are not read again. */
  addStored(rows: readonly Omit<KeptRow, 'table'>[]): void {
    const all = new Map(this.#all);
    for (const { key, content } of rows) {
      if (!this.of.isKey(key) || all.has(key)) continue;
      const value: unknown = JSON.parse(content);
      if (this.of.isContent(value)) all.set(key, value);
    }
    if (all.size > this.#all.size) this.#all = all;
    this.markKept(rows);
  }

  /** Adds revisions that are not stored yet. */
  add(more: ReadonlyMap<K, T>): void {
    const fresh = [...more].filter(([key]) => !this.#all.has(key));
    if (fresh.length > 0) this.#all = new Map([...this.#all, ...fresh]);
  }

  /** The revisions of some keys, as far as they are known. */
  named(keys: Iterable<K>): Map<K, T> {
    const found = new Map<K, T>();
    for (const key of keys) {
      const content = this.#all.get(key);
      if (content !== undefined) found.set(key, content);
    }
    return found;
  }

  /** Of some keys, the rows that are not stored yet. */
  notKept(keys: Iterable<K>): KeptRow[] {
    return [...this.named(keys)]
      .filter(([key]) => !this.#stored.has(key))
      .map(([key, content]) => ({ table: this.of.table, key, content: JSON.stringify(content) }));
  }

  /** Called when the transaction that stored these is committed. */
  markKept(rows: readonly { readonly key: string }[]): void {
    for (const { key } of rows) this.#stored.add(key);
  }
}
