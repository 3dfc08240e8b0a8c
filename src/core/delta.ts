/**
 * What turns one piece of plain data into another: sent in the place of the whole, so that what did not change stays
 * the same object at the other end. Plain data here is what JSON has; anything else, a Map or a Set, is one value.
 */
export type Delta =
  /** Another value altogether. */
  | { readonly whole: unknown }
  /** An object: what changes in it, by key, and the keys that go. */
  | { readonly keys: readonly (readonly [key: string, delta: Delta])[]; readonly gone: readonly string[] }
  /** A list of the same length, or its middle: so many stay in front and behind, and what comes between. */
  | { readonly front: number; readonly behind: number; readonly middle: readonly unknown[] }
  /** A list of the same length: what changes in it, by place. */
  | { readonly places: readonly (readonly [at: number, delta: Delta])[] }

/** What turns `before` into `after`; null where they are equal. */
export function deltaBetween(before: unknown, after: unknown): Delta | null {
  if (Object.is(before, after)) return null
  if (Array.isArray(before) && Array.isArray(after)) return listDelta(before, after)
  if (isObject(before) && isObject(after)) return objectDelta(before, after)
  if (before instanceof Map && after instanceof Map && !deltaBetween([...before], [...after])) return null
  return { whole: after }
}

/** `before` with a delta made to it; whatever the delta does not touch is the same object as in `before`. */
export function withDelta(before: unknown, delta: Delta): unknown {
  if ('whole' in delta) return delta.whole
  if ('keys' in delta) {
    const made = new Map(Object.entries(before as object))
    for (const key of delta.gone) made.delete(key)
    for (const [key, change] of delta.keys) made.set(key, withDelta(made.get(key), change))
    return Object.fromEntries(made)
  }
  const list = before as readonly unknown[]
  if ('places' in delta) {
    const made = [...list]
    for (const [at, change] of delta.places) made[at] = withDelta(made[at], change)
    return made
  }
  return [...list.slice(0, delta.front), ...delta.middle, ...list.slice(list.length - delta.behind)]
}

/** `after`, with whatever is equal in `before` in its place: for who compares parts of the two by identity. */
export function sharing<T>(before: T, after: T): T {
  const delta = deltaBetween(before, after)
  return delta ? (withDelta(before, delta) as T) : before
}

function objectDelta(before: Readonly<Record<string, unknown>>, after: Readonly<Record<string, unknown>>) {
  const keys = Object.keys(after).flatMap((key) => {
    const delta = Object.hasOwn(before, key) ? deltaBetween(before[key], after[key]) : { whole: after[key] }
    return delta ? [[key, delta] as const] : []
  })
  const gone = Object.keys(before).filter((key) => !Object.hasOwn(after, key))
  return keys.length + gone.length === 0 ? null : { keys, gone }
}

function listDelta(before: readonly unknown[], after: readonly unknown[]): Delta | null {
  if (before.length === after.length) {
    const places = after.flatMap((one, at) => {
      const delta = deltaBetween(before[at], one)
      return delta ? [[at, delta] as const] : []
    })
    return places.length === 0 ? null : { places }
  }
  const most = Math.min(before.length, after.length)
  let front = 0
  while (front < most && !deltaBetween(before[front], after[front])) front += 1
  let behind = 0
  while (
    behind < most - front &&
    !deltaBetween(before[before.length - 1 - behind], after[after.length - 1 - behind])
  )
    behind += 1
  return { front, behind, middle: after.slice(front, after.length - behind) }
}

function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null) return false
  const kind: unknown = Object.getPrototypeOf(value)
  return kind === Object.prototype || kind === null
}
