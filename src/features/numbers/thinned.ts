type Point = readonly [x: number, y: number]

/**
 * The points of a line without those that lie on the way between others, to a thousandth of its height: it looks the same,
 * and is drawn in a fraction of the time. `scale` is that of the axis upwards.
 */
export function thinned(points: readonly Point[], scale: (y: number) => number = (y) => y): Point[] {
  const ups = points.map(([, y]) => scale(y))
  const slack = (Math.max(...ups) - Math.min(...ups)) / 1000
  const kept: Point[] = []
  let from = 0
  points.forEach((point, i) => {
    const isEnd = i === 0 || i === points.length - 1
    if (!isEnd && runsStraight(points, ups, from, i + 1, slack)) return
    kept.push(point)
    from = i
  })
  return kept
}

/** Whether every point between two of them lies on the straight line from one to the other. */
function runsStraight(
  points: readonly Point[],
  ups: readonly number[],
  from: number,
  to: number,
  slack: number,
): boolean {
  const [x0, x1] = [points[from]?.[0] ?? 0, points[to]?.[0] ?? 0]
  const [y0, y1] = [ups[from] ?? 0, ups[to] ?? 0]
  const width = x1 - x0
  // The one before the last stands for those before it, which were straight until then, and so does the middle one.
  return [to - 1, (from + to) >> 1].every((i) => {
    const along = width === 0 ? 0 : ((points[i]?.[0] ?? 0) - x0) / width
    return Math.abs((ups[i] ?? 0) - (y0 + (y1 - y0) * along)) <= slack
  })
}
