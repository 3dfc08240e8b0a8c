import type { Context } from '../resolve/context'
import type { Value } from '../vocabulary/values'

/** A state that the assigned toggles and cycles reach. */
export interface Variant {
  /** In words, such as "Eye finding off"; "as set" for the one things start from. */
  readonly words: string
  readonly edits: Readonly<Record<string, Value>>
  /** Locks that stay, switched on. */
  readonly latched: readonly string[]
}

/** The context after the presses that lead to a variant. */
export function afterPresses(context: Context, { edits, latched }: Variant): Context {
  return {
    ...context,
    edits: { ...context.edits, ...edits },
    latched: [...(context.latched ?? []), ...latched],
  }
}
