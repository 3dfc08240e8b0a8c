import { checkValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import { postures, type AssignSide, type BodyModel, type LensModel } from '../../model/types'
import type { Plan } from '../../plan/plan'
import { contextName, contextsOf, type Context } from '../../resolve/context'
import type { Value } from '../../vocabulary/values'

const assignSides: readonly AssignSide[] = ['stills', 'motion', 'playback']

/** A state of affairs, and the keys that are to go down in it, by address in their order. */
export interface Beginning {
  readonly context: Context
  readonly held: readonly string[]
}

/**
 * The beginning such a text describes: what it says of the state and the model has not is left out, and a text of another
 * kind says nothing. A state that findings are about is the one of that name, or the first where the plan has none.
 * Keys are looked for when they are pressed.
 */
export function readPlace(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  usual: Context,
  text: string,
): Beginning {
  const said = entriesOf(parsed(text))
  const about = assignSides.find((one) => one === said.finding)
  if (about) {
    const states = contextsOf(model, plan, lenses, about)
    const found = states.find((one) => contextName(one) === said.state) ?? states[0]
    return { context: found?.context ?? usual, held: listOf(said.held) }
  }
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
