import type { Address } from './addresses'
import { lookup } from './lookup'
import {
  postures,
  type AssignSide,
  type BodyModel,
  type Control,
  type ModelFunction,
  type Posture,
} from './types'

/** Whether a key is on something that has to be put on the camera first: the grip, or an adapter. */
export function isOnFitting({ control }: Address): boolean {
  return control.presence === 'grip' || control.presence === 'adapter'
}

/** The functions a gesture accepts on one side, in the camera's own order. */
export function acceptedFunctions(model: BodyModel, address: Address): readonly ModelFunction[] {
  const { functions } = lookup(model)
  return (model.functionLists[address.gesture.accepts] ?? []).flatMap((id) => {
    const fn = functions.get(id)
    return fn && fn.sides.includes(address.side) ? [fn] : []
  })
}

/** The addresses of one control on one side, in the order of its gestures. */
export function addressesOfControl(model: BodyModel, side: AssignSide, control: string): Address[] {
  return [...lookup(model).addresses.values()].filter(
    (address) => address.side === side && address.control.id === control,
  )
}

/** The same gesture of the same control on the other side of the body; null where there is none. */
export function twinOf(model: BodyModel, { key, side }: Address): Address | null {
  const other = model.sides.find((one) => one !== side)
  return (other && lookup(model).addresses.get(key.replace(`${side}/`, `${other}/`))) ?? null
}

/** Page and line of a function in the list its gesture offers, from 1; null where it is not offered. */
export function listPlace(
  model: BodyModel,
  address: Address,
  functionId: string,
): { page: number; line: number } | null {
  const index = acceptedFunctions(model, address).findIndex((fn) => fn.id === functionId)
  if (index < 0) return null
  const lines = model.functionListLines ?? Number.MAX_SAFE_INTEGER
  return { page: Math.floor(index / lines) + 1, line: (index % lines) + 1 }
}

/** Found without looking, with the eye at the finder. */
export function atFinder(control: Control): boolean {
  return control.reach.finder?.findable ?? false
}

/** A key in words: its name, and the gesture where it has several or a lever decides. */
export function keyName({ address: { control, name, when } }: { readonly address: Address }): string {
  return control.gestures.length === 1 && when === null ? control.name : `${control.name}, ${name}`
}

/** The controls of addresses, by id. */
export function controlsOf(model: BodyModel, keys: readonly string[]): ReadonlySet<string> {
  return new Set(keys.flatMap((key) => lookup(model).addresses.get(key)?.control.id ?? []))
}

/** The ways to hold a camera in which any of its controls is reached. */
export function posturesOf(model: BodyModel): readonly Posture[] {
  return postures.filter((one) => model.controls.some(({ reach }) => reach[one] !== undefined))
}

/** Whether a body lets a key, dial or gesture be left without a function. */
export function canBeEmpty(model: BodyModel, address: Address): boolean {
  return acceptedFunctions(model, address).some(({ id }) => id === 'nothing')
}
