/** What an attack came to: how often it was tried, and every try that ended as it must not. */
export interface Outcome {
  readonly name: string
  readonly tries: number
  readonly failures: readonly string[]
  /** What was counted on the way. */
  readonly seen: string
}

/** Chance from a seed: the same seed gives the same attack. */
export interface Chance {
  /** A whole number from 0 up to, not including, `below`. */
  below(below: number): number
  /** True this often. */
  often(share: number): boolean
  pick<T>(list: readonly T[]): T
}

/** The generator known as mulberry32. */
export function chanceFrom(seed: number): Chance {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
  const below = (most: number) => Math.floor(next() * most)
  return {
    below,
    often: (share) => next() < share,
    pick: (list) => {
      const found = list[below(list.length)]
      if (found === undefined) throw new Error('nothing to pick from')
      return found
    },
  }
}

export function sleep(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds))
}

/** Waits until something is so; false where it is not within the time. */
export async function comesTrue(within: number, ask: () => boolean | Promise<boolean>): Promise<boolean> {
  const until = Date.now() + within
  for (;;) {
    if (await ask()) return true
    if (Date.now() > until) return false
    await sleep(10)
  }
}
