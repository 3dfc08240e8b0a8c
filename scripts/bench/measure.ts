/** One figure of the bench: what was asked, what came out, and whether it holds. */
export interface Figure {
  readonly name: string
  readonly wanted: string
  readonly measured: string
  readonly holds: boolean
}

/**
 * How many times as long `slow` takes as `quick`. Both are warmed up for a second, then run in turns of some 20 ms,
 * so that whatever else the machine does falls on both; the least of each is compared.
 */
export function timesAsLong(slow: () => void, quick: () => void, turns = 40): number {
  const repeats = [warmed(slow), warmed(quick)] as const
  let least = [Infinity, Infinity]
  for (let turn = 0; turn < turns; turn++) {
    least = [
      Math.min(least[0] ?? 0, timed(slow, repeats[0])),
      Math.min(least[1] ?? 0, timed(quick, repeats[1])),
    ]
  }
  return (least[0] ?? 0) / (least[1] ?? 1)
}

/** Runs the work for a second; gives how often it fits into 20 ms. */
function warmed(work: () => void): number {
  const start = performance.now()
  let runs = 0
  while (performance.now() - start < 1000 || runs < 3) {
    work()
    runs += 1
  }
  return Math.max(1, Math.round((20 * runs) / (performance.now() - start)))
}

function timed(work: () => void, repeats: number): number {
  const start = performance.now()
  for (let i = 0; i < repeats; i++) work()
  return (performance.now() - start) / repeats
}
