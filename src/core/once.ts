/** The function with every answer remembered for as long as the object it was asked about lives. */
export function once<K extends object, V>(make: (about: K) => V): (about: K) => V {
  const known = new WeakMap<K, { readonly answer: V }>()
  return (about) => {
    let found = known.get(about)
    if (!found) {
      found = { answer: make(about) }
      known.set(about, found)
    }
    return found.answer
  }
}
