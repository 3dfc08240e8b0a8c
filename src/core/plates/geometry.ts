/** A point in pixels of the plate. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** A box in pixels: left, top, width, height. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** Whether two straight lines cross at an inner point of both. */
export function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  const turn = (p: Point, q: Point, r: Point) =>
    Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
}

/** Whether two boxes share any area. */
export function overlap(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
}

/** Whether a straight line enters a box. */
export function enters([from, to]: readonly [Point, Point], { x, y, width, height }: Box): boolean {
  const inside = (point: Point) => point.x > x && point.x < x + width && point.y > y && point.y < y + height
  const corners = [
    { x, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
    { x: x + width, y },
  ] as const
  return (
    inside(from) ||
    inside(to) ||
    cross(from, to, corners[0], corners[1]) ||
    cross(from, to, corners[2], corners[3])
  )
}

/** The distance between two points in pixels. */
export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y)
}

/**
 * Places intervals along a line, in the order given, as near to the middles they want as they can be without
 * overlapping (blocks of touching intervals move as one). Gives the starts, or null when they do not fit.
 */
export function spread(
  items: readonly { middle: number; size: number }[],
  from: number,
  to: number,
  gap: number,
): number[] | null {
  const total = items.reduce((sum, item) => sum + item.size, 0) + gap * Math.max(0, items.length - 1)
  if (total > to - from) return null
  const blocks: { want: number; size: number; members: number; start: number }[] = []
  for (const item of items) {
    blocks.push({ want: item.middle - item.size / 2, size: item.size, members: 1, start: 0 })
    settleLast(blocks, from, to)
    let last = blocks.at(-1)
    let before = blocks.at(-2)
    while (last && before && before.start + before.size + gap > last.start) {
      const offset = before.size + gap
      const members = before.members + last.members
      const want = (before.want * before.members + (last.want - offset) * last.members) / members
      blocks.splice(-2, 2, { want, size: offset + last.size, members, start: 0 })
      settleLast(blocks, from, to)
      last = blocks.at(-1)
      before = blocks.at(-2)
    }
  }
  return startsIn(blocks, items, gap)
}

function settleLast(blocks: { want: number; size: number; start: number }[], from: number, to: number): void {
  const last = blocks.at(-1)
  if (last) last.start = Math.min(Math.max(last.want, from), to - last.size)
}

function startsIn(
  blocks: readonly { members: number; start: number }[],
  items: readonly { size: number }[],
  gap: number,
): number[] {
  const starts: number[] = []
  let next = 0
  for (const block of blocks) {
    let at = block.start
    for (let i = 0; i < block.members; i++) {
      starts.push(at)
      at += (items[next]?.size ?? 0) + gap
      next += 1
    }
  }
  return starts
}
