/** The one way to remember: an answer is kept for as long as the object it is about lives, and never beyond. */
export interface Kept<K extends object, V> {
  get(about: K): V | undefined
  set(about: K, value: V): void
}

/** A place to keep what belongs to objects without being part of them. */
export function keptByObject<K extends object, V>(): Kept<K, V> {
  return new WeakMap<K, V>()
}

/** The function with its answer to every object kept: asked again about the same object, it is not called again. */
export function memoize<K extends object, V>(make: (about: K) => V): (about: K) => V {
  const known = keptByObject<K, { readonly answer: V }>()
  return (about) => {
    let found = known.get(about)
    if (!found) {
      found = { answer: make(about) }
      known.set(about, found)
    }
    return found.answer
  }
}
