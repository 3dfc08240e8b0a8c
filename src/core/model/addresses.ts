import type { AssignSide, BodyModel, Control, Gesture, Setting } from './types'

/** One place a function can be assigned to. */
export interface Address {
  /** `side/control/gesture`, with `@value` behind it on a control with `assignedBy`; as in row ids. */
  readonly key: string
  readonly side: AssignSide
  readonly control: Control
  readonly gesture: Gesture
  /** The controls that are worked for it: its own, and the other of two keys pressed together. */
  readonly controls: readonly Control[]
  /** The gesture in words, with the value that gives this assignment. */
  readonly name: string
  /** It is this one that answers while the setting has this value; null where it always is. */
  readonly when: { readonly setting: string; readonly value: string } | null
  /** Function as delivered. */
  readonly factory: string | null
  /** Position among all addresses of the model, side by side in file order: card files use it. */
  readonly index: number
}

/** Every address of a model by its key, side by side in file order. */
export function addressesOf(
  model: BodyModel,
  settings: ReadonlyMap<string, Setting>,
): ReadonlyMap<string, Address> {
  const sides: readonly AssignSide[] = [...model.sides, 'playback']
  const all = sides.flatMap((side) =>
    model.controls.flatMap((control) =>
      control.gestures
        .filter((gesture) => side !== 'playback' || gesture.factory.playback !== undefined)
        .flatMap((gesture) => addressesAt(model, side, control, gesture, settings)),
    ),
  )
  return new Map(all.map((one, index) => [one.key, { ...one, index }]))
}

function addressesAt(
  model: BodyModel,
  side: AssignSide,
  control: Control,
  gesture: Gesture,
  settings: ReadonlyMap<string, Setting>,
): Omit<Address, 'index'>[] {
  const [key, factory] = [`${side}/${control.id}/${gesture.id}`, gesture.factory[side]]
  const single = typeof factory === 'string' ? factory : null
  const other = model.controls.find(({ id }) => id === gesture.with?.split('/')[0])
  const worked = { side, control, gesture, controls: other ? [control, other] : [control] }
  const by = control.assignedBy === undefined ? undefined : settings.get(control.assignedBy)
  if (by?.domain.kind !== 'choice')
    return [{ ...worked, key, name: gesture.name, when: null, factory: single }]
  return by.domain.values.map((value) => ({
    ...worked,
    key: `${key}@${value.id}`,
    name: control.gestures.length === 1 ? value.name : `${gesture.name}, ${value.name}`,
    when: { setting: by.id, value: value.id },
    factory: single ?? (typeof factory === 'object' ? (factory[value.id] ?? null) : null),
  }))
}
