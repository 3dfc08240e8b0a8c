/** A stretch of a file: from a byte up to, not including, another; both counted from 0. */
export interface Region {
  readonly from: number
  readonly to: number
}

/** A stretch in which two files differ, as each has it; one that is empty stands only in the other. */
export interface DifferentRegion {
  readonly left: Region
  readonly right: Region
  /** How many bytes of it differ: within a stretch some may be equal. */
  readonly bytes: number
}

/** Two files held against each other, byte by byte. */
export interface ByteComparison {
  readonly leftSize: number
  readonly rightSize: number
  readonly regions: readonly DifferentRegion[]
  /** How many bytes differ in all of them, also in those that are not listed. */
  readonly differing: number
  /** How many regions there are; more than `mostRegions` are counted and not listed. */
  readonly count: number
}

/** More regions are counted, not listed: nobody reads them, and a file that is scrambled has one at every byte. */
export const mostRegions = 2000

/** Differences with fewer equal bytes between them are one region. */
const joined = 8

/** How a comparison is to go. */
export interface CompareWishes {
  /** Stretches of the left file that count as equal, whatever stands there. */
  readonly leaveOut?: readonly Region[]
  /** Told now and then how much is done, from 0 to 1. */
  readonly onProgress?: (done: number) => void
}

/**
 * Holds two files against each other. Files of one size are held against each other place by place; in files of different
 * sizes the stretches that both have are looked for first, so that something put in between does not make all that follows
 * differ. Linear in the bytes.
 */
export function compareBytes(
  left: Uint8Array,
  right: Uint8Array,
  { leaveOut = [], onProgress }: CompareWishes = {},
): ByteComparison {
  const found = new Found()
  const skip = merged(leaveOut)
  for (const pair of left.length === right.length ? [whole(left, right)] : aligned(left, right, onProgress))
    if (pair.left.to - pair.left.from === pair.right.to - pair.right.from)
      inPlace(left, right, pair, skip, found, onProgress)
    else unmatched(pair, skip, found)
  onProgress?.(1)
  return { leftSize: left.length, rightSize: right.length, ...found.all() }
}

/** Stretches in order, those that touch or overlap made one; empty and reversed ones are left out. */
export function merged(regions: readonly Region[]): Region[] {
  const sorted = regions.filter(({ from, to }) => to > from).sort((a, b) => a.from - b.from)
  const all: { from: number; to: number }[] = []
  for (const { from, to } of sorted) {
    const last = all.at(-1)
    if (last && from <= last.to) last.to = Math.max(last.to, to)
    else all.push({ from, to })
  }
  return all
}

/**
 * What differs between saves of one body that nobody changed in between: counters, clocks, sums. The stretches in which any
 * of the saves differs from the first; nothing of fewer than two.
 */
export function noiseOf(saves: readonly Uint8Array[]): Region[] {
  const [first, ...others] = saves
  if (!first) return []
  return merged(others.flatMap((other) => compareBytes(first, other).regions.map(({ left }) => left)))
}

/** How far two files are from each other: the bytes that differ, those that only one has counted in. Linear in the bytes. */
export function distance(one: Uint8Array, other: Uint8Array): number {
  const { differing } = compareBytes(one, other)
  return differing
}

/** A strip of a file in equal parts, each with the share of its bytes that lies in some stretches, from 0 to 1. */
export function stripOf(size: number, regions: readonly Region[], parts: number): number[] {
  const strip = new Array<number>(parts).fill(0)
  if (size === 0) return strip
  const each = size / parts
  for (const { from, to } of merged(regions)) {
    const last = Math.min(parts, Math.ceil(to / each)) - 1
    for (let i = Math.floor(from / each); i <= last; i++) {
      const inside = Math.min(to, (i + 1) * each) - Math.max(from, i * each)
      strip[i] = Math.min(1, (strip[i] ?? 0) + Math.max(0, inside) / each)
    }
  }
  return strip
}

/** Two stretches that are held against each other. */
interface Pair {
  readonly left: Region
  readonly right: Region
}

function whole(left: Uint8Array, right: Uint8Array): Pair {
  return { left: { from: 0, to: left.length }, right: { from: 0, to: right.length } }
}

/** Gathers regions in order, joining those that lie near each other. */
class Found {
  private readonly regions: DifferentRegion[] = []
  private open: DifferentRegion | null = null
  private count = 0
  private differing = 0

  add(left: Region, right: Region, bytes: number): void {
    const last = this.open
    this.differing += bytes
    if (last && left.from - last.left.to < joined && right.from - last.right.to < joined)
      this.open = {
        left: { from: last.left.from, to: left.to },
        right: { from: last.right.from, to: right.to },
        bytes: last.bytes + bytes,
      }
    else {
      this.close()
      this.open = { left, right, bytes }
    }
  }

  private close(): void {
    if (!this.open) return
    this.count++
    if (this.regions.length < mostRegions) this.regions.push(this.open)
    this.open = null
  }

  all() {
    this.close()
    return { regions: this.regions, differing: this.differing, count: this.count }
  }
}

/** So many bytes are done between two words about progress. */
const lap = 1 << 20

function inPlace(
  left: Uint8Array,
  right: Uint8Array,
  { left: { from, to }, right: { from: shiftedFrom } }: Pair,
  skip: readonly Region[],
  found: Found,
  onProgress?: (done: number) => void,
): void {
  const shift = shiftedFrom - from
  const add = (start: number, end: number) =>
    found.add({ from: start, to: end }, { from: start + shift, to: end + shift }, end - start)
  let at = from
  for (const gap of [...within(skip, from, to), { from: to, to }]) {
    let start = -1
    for (; at < gap.from; at++) {
      if (left[at] !== right[at + shift]) {
        if (start < 0) start = at
      } else if (start >= 0) {
        add(start, at)
        start = -1
      }
      if (at % lap === 0) onProgress?.(at / left.length)
    }
    if (start >= 0) add(start, at)
    at = gap.to
  }
}

/** Stretches cut to what lies between two places. */
function within(regions: readonly Region[], from: number, to: number): Region[] {
  return regions.flatMap((one) => {
    const cut = { from: Math.max(from, one.from), to: Math.min(to, one.to) }
    return cut.to > cut.from ? [cut] : []
  })
}

/** What has no stretch of its length on the other side: it differs whole, but for what is left out. */
function unmatched({ left, right }: Pair, skip: readonly Region[], found: Found): void {
  const out = within(skip, left.from, left.to).reduce((sum, { from, to }) => sum + to - from, 0)
  const [mine, theirs] = [left.to - left.from, right.to - right.from]
  // A field of changing length that is left out counts as equal, whatever its length.
  if (mine > 0 && out === mine) return
  found.add(left, right, Math.max(mine - out, theirs))
}

/** So many bytes in a row have to be equal to be taken for the same stretch. */
const blockBytes = 32

/**
 * The stretches of two files of different sizes in order: equal ones, grown as far as they go, and what lies between them.
 * Blocks of the left file are looked for in the right one by a rolling sum, each proven byte by byte.
 */
function aligned(left: Uint8Array, right: Uint8Array, onProgress?: (done: number) => void): Pair[] {
  const pairs: Pair[] = []
  let [l, r] = [0, 0]
  const between = (toLeft: number, toRight: number) => {
    if (toLeft > l || toRight > r) pairs.push(...paired({ from: l, to: toLeft }, { from: r, to: toRight }))
  }
  const grown = (atLeft: number, atRight: number): Pair => {
    let [startLeft, startRight] = [atLeft, atRight]
    while (startLeft > l && startRight > r && left[startLeft - 1] === right[startRight - 1]) {
      startLeft--
      startRight--
    }
    let [endLeft, endRight] = [atLeft, atRight]
    while (endLeft < left.length && endRight < right.length && left[endLeft] === right[endRight]) {
      endLeft++
      endRight++
    }
    return { left: { from: startLeft, to: endLeft }, right: { from: startRight, to: endRight } }
  }
  const take = (pair: Pair) => {
    between(pair.left.from, pair.right.from)
    pairs.push(pair)
    l = pair.left.to
    r = pair.right.to
  }
  const head = grown(0, 0)
  if (head.left.to > 0) take(head)
  for (const found of anchors(left, right, r, onProgress)) {
    if (found.left < l || found.right < r) continue
    take(grown(found.left, found.right))
  }
  between(left.length, right.length)
  return pairs
}

/** Two stretches between anchors: what both have is held against each other from the front, the rest stands on one side only. */
function paired(left: Region, right: Region): Pair[] {
  const both = Math.min(left.to - left.from, right.to - right.from)
  const [l, r] = [left.from + both, right.from + both]
  const rest = { left: { from: l, to: left.to }, right: { from: r, to: right.to } }
  const front = { left: { from: left.from, to: l }, right: { from: right.from, to: r } }
  return [...(both > 0 ? [front] : []), ...(l < left.to || r < right.to ? [rest] : [])]
}

/** Places at which a block of the left file stands in the right one, in the order of the right. */
function* anchors(
  left: Uint8Array,
  right: Uint8Array,
  from: number,
  onProgress?: (done: number) => void,
): Generator<{ readonly left: number; readonly right: number }> {
  const blocks = new Blocks(left)
  let at = from
  let sum = at + blockBytes <= right.length ? sumOf(right, at) : 0
  let nextLeft = 0
  while (at + blockBytes <= right.length) {
    const found = blocks.placeOf(sum)
    if (found >= nextLeft && isSame(left, found, right, at)) {
      yield { left: found, right: at }
      let end = blockBytes
      while (found + end < left.length && at + end < right.length && left[found + end] === right[at + end])
        end++
      nextLeft = found + end
      at += end
      if (at + blockBytes <= right.length) sum = sumOf(right, at)
      continue
    }
    sum = rolled(sum, right[at] ?? 0, right[at + blockBytes] ?? 0)
    at++
    if (at % lap === 0) onProgress?.(at / right.length)
  }
}

/** The blocks of a file by their sums. One that stands in several places (zeros) is no landmark: it has no place. */
class Blocks {
  private readonly places = new Map<number, number>()
  /** A bit for each sum that may be there, by its upper bits: most sums are answered by it alone. */
  private readonly bits = new Uint8Array(1 << 21)

  constructor(bytes: Uint8Array) {
    for (let at = 0; at + blockBytes <= bytes.length; at += blockBytes) {
      const sum = sumOf(bytes, at)
      this.places.set(sum, this.places.has(sum) ? -1 : at)
      const slot = sum >>> 11
      this.bits[slot] = (this.bits[slot] ?? 0) | (1 << ((sum >>> 8) & 7))
    }
  }

  /** Where the block with a sum stands; -1 where there is none, or no single one. */
  placeOf(sum: number): number {
    const isThere = ((this.bits[sum >>> 11] ?? 0) >> ((sum >>> 8) & 7)) & 1
    return isThere === 1 ? (this.places.get(sum) ?? -1) : -1
  }
}

/** Sums are polynomials in this base, in whole numbers of 32 bits. */
const base = 0x0100_0193
const leading = (() => {
  let power = 1
  for (let i = 1; i < blockBytes; i++) power = Math.imul(power, base)
  return power
})()

function sumOf(bytes: Uint8Array, at: number): number {
  let sum = 0
  for (let i = 0; i < blockBytes; i++) sum = (Math.imul(sum, base) + (bytes[at + i] ?? 0)) | 0
  return sum
}

function rolled(sum: number, leaves: number, comes: number): number {
  return (Math.imul((sum - Math.imul(leaves, leading)) | 0, base) + comes) | 0
}

function isSame(left: Uint8Array, atLeft: number, right: Uint8Array, atRight: number): boolean {
  for (let i = 0; i < blockBytes; i++) if (left[atLeft + i] !== right[atRight + i]) return false
  return true
}
