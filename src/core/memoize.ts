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

/**
 * The function with its answers to the texts it was asked about kept, up to so many letters of text together; the one
 * asked about longest ago goes first. Only for what follows from the text alone.
 */
export function memoizeByText<V>(make: (text: string) => V, most: number): (text: string) => V {
  const known = new Map<string, { readonly answer: V }>()
  let letters = 0
  return (text) => {
    const found = known.get(text)
    if (found) {
      known.delete(text)
      known.set(text, found)
      return found.answer
    }
    const answer = make(text)
    known.set(text, { answer })
    letters += text.length
    for (const oldest of known.keys()) {
      if (letters <= most) break
      known.delete(oldest)
      letters -= oldest.length
    }
    return answer
  }
}
