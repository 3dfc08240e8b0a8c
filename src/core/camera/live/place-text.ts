import type { AssignSide } from '../../model/types'
import type { Context } from '../../resolve/context'

/** Where a body is to stand, as text for an address of the page; `readPlace` reads it. */
export function writePlace(context: Context, held: readonly string[]): string {
  const { side, lens, banks, position, posture, edits, latched } = context
  return JSON.stringify({ side, lens: lens.id, banks, position, posture, edits, latched, held })
}

/** The same for one of the states that findings are about, by its name. */
export function writeState(side: AssignSide, state: string, held: readonly string[]): string {
  return JSON.stringify({ finding: side, state, held })
}
