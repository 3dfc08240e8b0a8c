import type { Refusal } from '@/core/result'

/** What a command gives back: words for a person, data for a program. */
export type Outcome =
  | { readonly kind: 'done'; readonly words: string; readonly data: unknown }
  | { readonly kind: 'refused'; readonly refusals: readonly Refusal[] }
  | { readonly kind: 'usage'; readonly problem: string }

/** One command of the headless tool. */
export interface Command {
  /** Its words, such as `plan resolve`. */
  readonly name: string
  readonly usage: string
  readonly summary: string
  /** Options it takes, by name; `many` may stand more than once. */
  readonly options: Readonly<Record<string, 'one' | 'many'>>
  /** How many file names or ids it takes. */
  readonly operands: number
  run(operands: readonly string[], options: Options): Promise<Outcome>
}

/** The options given, each with every value it was given. */
export type Options = Readonly<Record<string, readonly string[]>>

/** A refusal as an outcome. */
export function refused(...refusals: readonly Refusal[]): Outcome {
  return { kind: 'refused', refusals }
}

/** Words and data as an outcome. */
export function done(words: string, data: unknown): Outcome {
  return { kind: 'done', words, data }
}
