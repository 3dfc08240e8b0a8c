import type { Refusal } from '@/core/result'

/** What a command gives back: words for a person, data for a program. */
export type Outcome =
  | { readonly kind: 'done'; readonly words: string; readonly data: unknown }
  | {
      readonly kind: 'refused'
      readonly refusals: readonly Refusal[]
      /** What was done until then. */
      readonly words?: string
      readonly data?: object
    }
  | { readonly kind: 'usage'; readonly problem: string }

/** One command of the headless tool. */
export interface Command {
  /** Its words, such as `plan resolve`. */
  readonly name: string
  readonly usage: string
  readonly summary: string
  /** Options it takes, by name; `many` may stand more than once, `flag` stands alone. */
  readonly options: Readonly<Record<string, 'one' | 'many' | 'flag'>>
  /** How many file names or ids it takes; a list where it may be one of several counts, `any` where there is no telling. */
  readonly operands: number | readonly number[] | 'any'
  /** What is to be said besides the outcome is put into `notes`. */
  run(operands: readonly string[], options: Options, notes: string[]): Promise<Outcome>
}

/** The options given, each with every value it was given. */
export type Options = Readonly<Record<string, readonly string[]>>

/** A refusal as an outcome. */
export function refused(...refusals: readonly Refusal[]): Outcome {
  return { kind: 'refused', refusals: refusals.flatMap(({ also = [], ...one }) => [one, ...also]) }
}

/** Words and data as an outcome. */
export function done(words: string, data: unknown): Outcome {
  return { kind: 'done', words, data }
}
