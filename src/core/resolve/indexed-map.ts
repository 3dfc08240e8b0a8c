/**
 * Values by id where the ids are known beforehand: a map that is copied in one go. `places` gives each id its cell. Made
 * with `set`, and read-only to everybody else.
 */
export class IndexedMap<T> implements ReadonlyMap<string, T> {
  constructor(
    private readonly places: ReadonlyMap<string, number>,
    private readonly cells: T[] = [],
  ) {}

  get size(): number {
    return this.cells.length
  }

  has(id: string): boolean {
    return this.get(id) !== undefined
  }

  get(id: string): T | undefined {
    const at = this.places.get(id)
    return at === undefined ? undefined : this.cells[at]
  }

  set(id: string, value: T): this {
    const at = this.places.get(id)
    if (at === undefined) throw new Error(`no cell ${id}`)
    this.cells[at] = value
    return this
  }

  copy(): IndexedMap<T> {
    return new IndexedMap(this.places, this.cells.slice())
  }

  keys(): MapIterator<string> {
    return this.places.keys()
  }

  values(): ArrayIterator<T> {
    return this.cells.values()
  }

  *entries(): Generator<[string, T], undefined> {
    for (const [id, at] of this.places) yield [id, this.cells[at] as T]
  }

  [Symbol.iterator](): Generator<[string, T], undefined> {
    return this.entries()
  }

  forEach(each: (value: T, id: string, map: ReadonlyMap<string, T>) => void): void {
    for (const [id, value] of this) each(value, id, this)
  }
}
