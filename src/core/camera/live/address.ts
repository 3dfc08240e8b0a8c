import { checkValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import { postures, type BodyModel, type LensModel } from '../../model/types'
import type { Context } from '../../resolve/context'
import type { Value } from '../../vocabulary/values'

/** A state of affairs, and the keys that are to go down in it, by address in their order. */
export interface Beginning {
  readonly context: Context
  readonly held: readonly string[]
}

/** Where a body is to stand, as text for an address of the page; `readPlace` reads it. */
export function writePlace(context: Context, held: readonly string[]): string {
  const { side, lens, banks, position, posture, edits, latched } = context
  return JSON.stringify({ side, lens: lens.id, banks, position, posture, edits, latched, held })
}

/**
 * The beginning such a text describes: what it says of the state and the model has not is left out, and a text of another
 * kind says nothing. Keys are looked for when they are pressed.
 */
export function readPlace(
  model: BodyModel,
  lenses: readonly LensModel[],
  usual: Context,
  text: string,
): Beginning {
  const said = entriesOf(parsed(text))
  const { settings, functions } = lookup(model)
  const banks = entriesOf(said.banks)
  const edits = Object.entries(entriesOf(said.edits)).flatMap(([id, value]): [string, Value][] => {
    const setting = settings.get(id)
    const fits = setting && checkValue(setting.domain, value, id)
    return fits?.ok ? [[id, fits.value]] : []
  })
  const position = model.positions.find(({ id }) => id === said.position)?.id
  const posture = postures.find((one) => one === said.posture)
  const { position: usualPosition, ...rest } = usual
  const stands = said.side === undefined ? usualPosition : position
  return {
    context: {
      ...rest,
      side: model.sides.find((one) => one === said.side) ?? usual.side,
      lens: lenses.find(({ id }) => id === said.lens) ?? usual.lens,
      banks: Object.fromEntries(
        model.families.map(({ id, slots }) => [id, slots.find((one) => one.id === banks[id])?.id ?? null]),
      ),
      ...(stands === undefined ? {} : { position: stands }),
      ...(posture === undefined ? {} : { posture }),
      edits: Object.fromEntries(edits),
      latched: listOf(said.latched).filter((id) => functions.has(id)),
    },
    held: listOf(said.held),
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

function entriesOf(of: unknown): Readonly<Record<string, unknown>> {
  return typeof of === 'object' && of !== null && !Array.isArray(of) ? (of as Record<string, unknown>) : {}
}

function listOf(of: unknown): readonly string[] {
  return Array.isArray(of) ? of.filter((one): one is string => typeof one === 'string') : []
}
