import { digestHex } from '../digest'

/**
 * What a log is known by at one of its numbers: a digest of the ids of all its steps up to there, each taken in after the
 * one before. Two logs with the same head there are the same up to there, whatever became of one of them; null stands for
 * a log without steps. Whoever keeps the log computes them; a page holds them against each other, and computes none.
 */
export type Head = string | null

/** The head after one more step. The same is computed by the database for steps that were kept before there were heads. */
export function headAfter(head: Head, id: string): string {
  return digestHex(`${head ?? ''}${id}`).slice(0, 32)
}

/** The head after each of more steps. */
export function headsAfter(head: Head, steps: readonly { readonly id: string }[]): readonly Head[] {
  let last = head
  return steps.map(({ id }) => (last = headAfter(last, id)))
}

/** The head after all of them. */
export function headAfterAll(head: Head, steps: readonly { readonly id: string }[]): Head {
  return steps.reduce<Head>((before, { id }) => headAfter(before, id), head)
}
