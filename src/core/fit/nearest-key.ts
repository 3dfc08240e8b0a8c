import type { Address } from '../model/addresses'
import { acceptedFunctions } from '../model/controls'
import { lookup } from '../model/lookup'
import { postures, type BodyModel, type ModelFunction } from '../model/types'
import { sameValue } from '../vocabulary/values'

/** The function of another model that means the same, said with the same words (area, set) and worked the same way where there is a choice; undefined where it has none. */
export function sameFunction(other: BodyModel, fn: ModelFunction): ModelFunction | undefined {
  if (fn.manner === 'none') return other.functions.find((one) => one.manner === 'none')
  if (fn.means === null) return undefined
  const said = Object.entries(fn.parameters ?? {})
  const unlike = (one: ModelFunction) =>
    said.filter(([name, value]) => !sameValue(one.parameters?.[name], value)).length * 4 +
    (one.manner === fn.manner ? 0 : 2) +
    (one.holdSet === fn.holdSet ? 0 : 1)
  return other.functions.filter((one) => one.means === fn.means).sort((a, b) => unlike(a) - unlike(b))[0]
}

/** An address of another model for a key, and what is other about it; `alike` where nothing is. */
export interface KeyFit {
  readonly address: Address
  readonly alike: boolean
  readonly because: string
}

/**
 * The free address nearest to one of another model that accepts the function: same side and gesture count first, then
 * kind of control, face, digit at the finder, and place on the face. Null where none accepts it.
 */
export function nearestKey(
  other: BodyModel,
  from: Address,
  fn: ModelFunction,
  taken: ReadonlySet<string>,
): KeyFit | null {
  const offers = [...lookup(other).addresses.values()].filter(
    (address) =>
      address.side === from.side &&
      !taken.has(address.key) &&
      acceptedFunctions(other, address).some((one) => one.id === fn.id),
  )
  const [best] = offers
    .map((address) => ({ address, far: distance(from, address) }))
    .sort((a, b) => a.far - b.far)
  if (!best) return null
  const changes = changesOf(from, best.address)
  return {
    address: best.address,
    alike: changes.length === 0,
    because: changes.length === 0 ? 'In the same place, worked the same way.' : `${changes.join('; ')}.`,
  }
}

/** Smaller is nearer: each difference costs more than any distance on a face. */
function distance(from: Address, to: Address): number {
  const apart = Math.hypot(from.control.at[0] - to.control.at[0], from.control.at[1] - to.control.at[1])
  const reach = postures.reduce((sum, posture) => {
    const [one, two] = [from.control.reach[posture], to.control.reach[posture]]
    return sum + (one?.digit === two?.digit ? 0 : 1) + Math.abs((one?.grade ?? 3) - (two?.grade ?? 3)) / 3
  }, 0)
  const differs = (one: unknown, two: unknown, cost: number) => (one === two ? 0 : cost)
  return (
    differs(from.gesture.id, to.gesture.id, 8) +
    differs(from.control.kind, to.control.kind, 4) +
    differs(from.control.presence, to.control.presence, 8) +
    differs(from.control.face, to.control.face, 3) +
    differs(from.when === null, to.when === null, 2) +
    reach +
    apart
  )
}

function changesOf(from: Address, to: Address): string[] {
  const digit = (address: Address) => address.control.reach.finder?.digit ?? 'nothing'
  const apart = Math.hypot(from.control.at[0] - to.control.at[0], from.control.at[1] - to.control.at[1])
  return [
    ...(from.gesture.id === to.gesture.id ? [] : [`${from.gesture.name} becomes ${to.gesture.name}`]),
    ...(from.control.kind === to.control.kind ? [] : [`a ${from.control.kind} becomes a ${to.control.kind}`]),
    ...(from.control.face === to.control.face
      ? []
      : [`from the ${from.control.face} to the ${to.control.face}`]),
    ...(digit(from) === digit(to) ? [] : [`from the ${digit(from)} to the ${digit(to)} at the finder`]),
    ...(from.control.face === to.control.face && apart > 0.2 ? ['to another corner of the same face'] : []),
  ]
}
