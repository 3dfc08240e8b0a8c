import { isProcedure, type ProcedureId } from './catalogue'

/** A procedure to be played act by act, as text for an address of the page. */
export function writeProcedurePlace(procedure: ProcedureId): string {
  return JSON.stringify({ procedure })
}

/** The procedure that such a text names; null for a text of another kind. */
export function readProcedurePlace(text: string): ProcedureId | null {
  try {
    const { procedure } = (JSON.parse(text) ?? {}) as { procedure?: unknown }
    return typeof procedure === 'string' && isProcedure(procedure) ? procedure : null
  } catch {
    return null
  }
}
