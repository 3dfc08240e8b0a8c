import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

/** An element of an ordered list: its id, and its order key, null where none was given yet. */
export interface Ordered {
  readonly id: string
  readonly key: string | null
}

/** Elements in their order: those without a key first, by id; then by key; of two with the same key by id. */
export function inOrder<E extends Ordered>(elements: readonly E[]): E[] {
  return [...elements].sort((one, other) => {
    if (one.key !== other.key) {
      if (one.key === null) return -1
      if (other.key === null) return 1
      return one.key < other.key ? -1 : 1
    }
    return one.id < other.id ? -1 : 1
  })
}

/** A key after all of these elements. */
export function keyAtEnd(elements: readonly Ordered[]): string {
  const last = inOrder(elements).at(-1)
  return generateKeyBetween(last?.key ?? null, null)
}

/**
 * The keys that put one element at another place (counted from 0 in the list without it): one key, so that two people who
 * move different elements do not meet; keys for all where its new neighbours have none, or the same.
 */
export function keysToMove(
  elements: readonly Ordered[],
  id: string,
  to: number,
): ReadonlyMap<string, string> {
  const others = inOrder(elements).filter((one) => one.id !== id)
  const [before, after] = [others[to - 1], others[to]]
  const isOpen = (before?.key ?? '') !== (after?.key ?? '~')
  if (before?.key !== null && after?.key !== null && isOpen)
    return new Map([[id, generateKeyBetween(before?.key ?? null, after?.key ?? null)]])
  const wanted = [...others.slice(0, to).map((one) => one.id), id, ...others.slice(to).map((one) => one.id)]
  const keys = generateNKeysBetween(null, null, wanted.length)
  return new Map(wanted.map((one, i) => [one, keys[i] ?? '']))
}
