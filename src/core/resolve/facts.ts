import type { BodyModel, LensModel } from '../model/types'
import { addressesWith } from '../plan/assign'
import type { Plan } from '../plan/plan'
import type { FactSource, Known } from '../rules/condition'
import type { Value } from '../vocabulary/values'
import { positionIn, slotIn, type Context } from './context'

/** The values a setting may have while rules are still running: one where it is certain. */
export type PossibleValues = ReadonlyMap<string, readonly Value[]>

/** The facts of a context; settings are read from `possible`, which changes as rules run. */
export function factsIn(
  model: BodyModel,
  plan: Plan,
  context: Context,
  possible: PossibleValues,
): FactSource {
  return { read: (fact) => readFact(model, plan, context, possible, fact) }
}

function readFact(
  model: BodyModel,
  plan: Plan,
  context: Context,
  possible: PossibleValues,
  fact: string,
): Known {
  const slash = fact.indexOf('/')
  const [kind, name] = slash < 0 ? [fact, ''] : [fact.slice(0, slash), fact.slice(slash + 1)]
  switch (kind) {
    case 'setting': {
      const values = possible.get(name)
      if (values === undefined) return { known: false }
      return values.length === 1 ? told(values[0]) : { known: false, candidates: values }
    }
    case 'side':
      return told(context.side)
    case 'run':
      return told(context.run)
    case 'bank':
      return told(slotIn(model, context, name) ?? 'plain')
    case 'position':
      return told(positionIn(model, context)?.id)
    case 'lens':
      return told(lensFact(context.lens, name))
    case 'attached':
      return attachedFact(context, name)
    case 'eye':
      return told(context.eye)
    case 'posture':
      return told(context.posture)
    case 'orientation':
      return told(context.orientation)
    case 'firmware':
      return told(context.firmware)
    case 'held':
      return told(context.held?.includes(name) ?? false)
    case 'latched':
      return told(context.latched?.includes(name) ?? false)
    case 'assigned':
      return told(addressesWith(model, plan, context.side, name).length > 0)
    default:
      return told(context.situation?.[name])
  }
}

/** Undefined where the definition of the lens does not say. */
function lensFact(lens: LensModel, name: string): Value | undefined {
  switch (name) {
    case 'contacts':
      return lens.contacts
    case 'stabiliser':
      return lens.stabiliser
    case 'ring':
      return lens.ring !== null
    case 'clicked':
      return lens.ring?.clicks
    case 'switch':
      return lens.focusSwitch
    case 'widest':
      return lens.widest
    case 'widest-long':
      return lens.widestLong ?? lens.widest
    case 'narrowest':
      return lens.narrowest
    case 'narrowest-long':
      return lens.narrowestLong ?? lens.narrowest
    default:
      return lens.focalMm[1]
  }
}

/** A grip or an adapter that nobody speaks of is not there; of what is plugged in, nobody then knows. */
function attachedFact({ attached, off, lens }: Context, name: string): Known {
  if (name === 'teleconverter' && lens.converter !== undefined) return told(true)
  if (attached?.some((one) => one === name)) return told(true)
  const isWhole = attached !== undefined && off === undefined
  const isUsuallyOff = name === 'grip' || name === 'adapter'
  return isWhole || isUsuallyOff || off?.some((one) => one === name) ? told(false) : { known: false }
}

function told(value: Value | undefined): Known {
  return value === undefined ? { known: false } : { known: true, value }
}
