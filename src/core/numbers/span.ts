/** An amount that may be known as a range only: from least to most; the same twice where it is known. The most of a result may be Infinity, which is never shown as a number. */
export type Span = readonly [least: number, most: number]

/** An amount that is known. */
export function exactly(amount: number): Span {
  return [amount, amount]
}

/** Whether an amount is known as a range only. */
export function isRange([least, most]: Span): boolean {
  return least !== most
}

/**
 * Every way of taking each amount at its least or its most. A formula that only rises or only falls in each of its amounts
 * has its own least and most among these: so ranges come through it whole.
 */
export function corners<K extends string>(spans: Readonly<Record<K, Span>>): Record<K, number>[] {
  let found: Record<string, number>[] = [{}]
  for (const [name, span] of Object.entries<Span>(spans)) {
    const ends = isRange(span) ? [...span] : [span[0]]
    found = found.flatMap((one) => ends.map((end) => ({ ...one, [name]: end })))
  }
  return found
}

/** The least and the most of several spans. */
export function around(spans: readonly Span[]): Span {
  return [Math.min(...spans.map(([least]) => least)), Math.max(...spans.map(([, most]) => most))]
}
