import { compareBytes, merged, type ByteComparison, type Region } from './regions'

/** A stretch of the files of a model that has a name: noise, or what is one body's own. */
export interface NamedRegion extends Region {
  readonly kind: 'noise' | 'own'
  /** Size of the files it was found in: those of another size have other places. */
  readonly size: number
  readonly words: string
}

/** Two files of one model held against each other, with what counts as nothing kept apart. */
export interface Judged {
  /** What differs beyond what is named. */
  readonly wanted: ByteComparison
  /** Everything that differs. */
  readonly all: ByteComparison
  /** The named stretches that were left out, of files of this size. */
  readonly leftOut: readonly NamedRegion[]
}

/** Holds two files against each other, leaving out what is named for files of their size. Linear in the bytes. */
export function judgeBytes(
  left: Uint8Array,
  right: Uint8Array,
  named: readonly NamedRegion[],
  onProgress?: (done: number) => void,
): Judged {
  const leftOut = named.filter(({ size }) => size === left.length)
  const half = (from: number) => (done: number) => onProgress?.(from + done / 2)
  const all = compareBytes(left, right, { onProgress: half(0) })
  const wanted =
    all.count === 0 || leftOut.length === 0
      ? all
      : compareBytes(left, right, { leaveOut: merged(leftOut), onProgress: half(0.5) })
  onProgress?.(1)
  return { wanted, all, leftOut }
}

/**
 * What a body holds by the file it saved after a load: what was sent; what it held before, where its file differs from that one
 * in nothing that counts and from the sent one in something; or something else. With what differs from the sent one.
 */
export function judgeLoad(
  sent: Uint8Array,
  found: Uint8Array,
  before: Uint8Array | null,
  named: readonly NamedRegion[],
): { readonly verdict: 'equal' | 'before' | 'differs'; readonly judged: Judged } {
  const judged = judgeBytes(sent, found, named)
  if (judged.wanted.count === 0) return { verdict: 'equal', judged }
  const isAsBefore = before !== null && judgeBytes(before, found, named).wanted.count === 0
  return { verdict: isAsBefore ? 'before' : 'differs', judged }
}
