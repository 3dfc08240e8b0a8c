import type { BodyModel, Side } from '../model/types'
import { plannedSlots, type Plan } from '../plan/plan'
import { isProcedure, type ProcedureId } from './catalogue'

/** A procedure as it is asked for: on which body, and about what; empty where neither is said. */
export interface ProcedureAsked {
  readonly procedure: ProcedureId
  readonly body: string
  readonly place: string
}

/** A procedure to be played act by act, as text for an address of the page. */
export function writeProcedurePlace({ procedure, body, place }: ProcedureAsked): string {
  return JSON.stringify({ procedure, body, place })
}

/** The procedure that such a text asks for; null for a text of another kind. */
export function readProcedurePlace(text: string): ProcedureAsked | null {
  try {
    const { procedure, body, place } = (JSON.parse(text) ?? {}) as Readonly<Record<string, unknown>>
    if (typeof procedure !== 'string' || !isProcedure(procedure)) return null
    const said = (one: unknown) => (typeof one === 'string' ? one : '')
    return { procedure, body: said(body), place: said(place) }
  } catch {
    return null
  }
}

/** Where focus fails: a side, and the bank in force. */
export interface RescueAt {
  readonly side: Side
  readonly slot: { readonly family: string; readonly slot: string } | null
}

/** Where focus fails, as a text says it: a side, or `family/slot` of a planned bank; null for neither. */
export function readRescuePlace(model: BodyModel, plan: Plan, place: string): RescueAt | null {
  const side = model.sides.find((one) => one === place)
  if (side) return { side, slot: null }
  const slot = plannedSlots(model, plan).find((one) => writeRescuePlace(one) === place)
  return slot ? { side: slot.side, slot } : null
}

/** A bank as such a text. */
export function writeRescuePlace({
  family,
  slot,
}: {
  readonly family: string
  readonly slot: string
}): string {
  return `${family}/${slot}`
}

/** The bodies something is carried to, as the place of a procedure says them. */
export function writeTargets(tags: readonly string[]): string {
  return tags.join('+')
}

/** Reads `writeTargets`; null for what is no list of tags. */
export function readTargets(place: string): readonly string[] | null {
  const tags = place.split('+')
  const isTag = (tag: string) => /^[a-z0-9][a-z0-9-]{0,40}$/.test(tag)
  return tags.every(isTag) && new Set(tags).size === tags.length ? tags : null
}
