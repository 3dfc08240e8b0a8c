import type { Refusal } from '../../result'
import { commonFunctions } from '../../vocabulary/catalogue'
import type { BodyModel, Control, Gesture, ModelFunction, Setting } from '../types'
import { fault } from './fault'
import { firmwareFaults } from './firmware'
import { valueFaults } from './places'

/** Controls off their face, and gestures whose functions do not exist or are not accepted. */
export function controlFaults(model: BodyModel): Refusal[] {
  const faces = new Set(model.faces.map((face) => face.id))
  const functions = new Set(model.functions.map((fn) => fn.id))
  return model.controls.flatMap((control, i) => {
    const path = `controls[${i}]`
    const faults: Refusal[] = []
    if (!faces.has(control.face))
      faults.push(fault('dangling', `${path}.face`, `No face is called ${control.face}.`))
    control.at.forEach((centre, axis) => {
      const half = (control.size[axis] ?? 0) / 2
      if (centre - half < 0 || centre + half > 1) {
        faults.push(fault('off-face', `${path}.at`, `${control.name} reaches over the edge of its face.`))
      }
    })
    control.gestures.forEach((gesture, g) => {
      const accepted = Object.hasOwn(model.functionLists, gesture.accepts)
        ? model.functionLists[gesture.accepts]
        : undefined
      const where = `${path}.gestures[${g}]`
      if (!accepted)
        faults.push(fault('dangling', `${where}.accepts`, `No function list is called ${gesture.accepts}.`))
      faults.push(...firmwareFaults(model, gesture, where), ...chordFaults(model, control, gesture, where))
      for (const fn of deliveredWith(gesture)) {
        if (!functions.has(fn))
          faults.push(fault('dangling', `${where}.factory`, `No function is called ${fn}.`))
        else if (accepted && !accepted.includes(fn)) {
          faults.push(
            fault('not-accepted', `${where}.factory`, `${fn} is not in the list ${gesture.accepts}.`),
          )
        }
      }
    })
    const by = model.settings.find((setting) => setting.id === control.assignedBy)
    if (control.assignedBy !== undefined && by?.domain.kind !== 'choice')
      faults.push(
        fault('dangling', `${path}.assignedBy`, `${control.assignedBy} is no setting with a list of values.`),
      )
    if (control.guardBy !== undefined && !isToggle(model, control.guardBy))
      faults.push(fault('dangling', `${path}.guardBy`, `${control.guardBy} is no setting that is on or off.`))
    faults.push(...variantFaults(control, by, path))
    return faults
  })
}

/** A gesture pressed together with one that is not there, or with another of its own control. */
function chordFaults(model: BodyModel, control: Control, gesture: Gesture, where: string): Refusal[] {
  if (gesture.with === undefined) return []
  const [other = '', pressed = ''] = gesture.with.split('/')
  const found = model.controls.find(({ id }) => id === other)?.gestures.find(({ id }) => id === pressed)
  if (!found) return [fault('dangling', `${where}.with`, `There is no gesture ${gesture.with}.`)]
  return other === control.id
    ? [fault('chord', `${where}.with`, `${control.name} cannot be pressed together with itself.`)]
    : []
}

function isToggle(model: BodyModel, id: string): boolean {
  return model.settings.find((setting) => setting.id === id)?.domain.kind === 'toggle'
}

function deliveredWith(gesture: Gesture): string[] {
  return Object.values(gesture.factory).flatMap((one) =>
    typeof one === 'string' ? [one] : Object.values(one),
  )
}

/** Functions by value on a control that has no such values. */
function variantFaults(control: Control, by: Setting | undefined, path: string): Refusal[] {
  const values = by?.domain.kind === 'choice' ? by.domain.values.map((value) => value.id) : []
  return control.gestures.flatMap((gesture, g) =>
    Object.values(gesture.factory)
      .flatMap((one) => (typeof one === 'string' ? [] : Object.keys(one)))
      .filter((value) => !values.includes(value))
      .map((value) =>
        fault(
          'dangling',
          `${path}.gestures[${g}].factory`,
          `${control.name} has no assignment for ${value}.`,
        ),
      ),
  )
}

/** Where a toggle goes, of a function that is none, or outside what its setting takes. */
function toggleFaults(
  model: BodyModel,
  { manner, changes, goesTo, comesBackTo }: ModelFunction,
  path: string,
) {
  const [setting] = changes
  return Object.entries({ goesTo, comesBackTo }).flatMap(([key, value]): Refusal[] => {
    if (value === undefined) return []
    if (manner !== 'toggle' || setting === undefined)
      return [
        fault('wrong-manner', `${path}.${key}`, 'Only a toggle that changes a setting goes to a value.'),
      ]
    return valueFaults(model, { [setting]: value }, `${path}.${key}`)
  })
}

/** Functions and function lists that name what does not exist. */
export function functionFaults(model: BodyModel): Refusal[] {
  const settings = new Set(model.settings.map((setting) => setting.id))
  const functions = new Set(model.functions.map((fn) => fn.id))
  const gestures = new Set(
    model.controls.flatMap((control) => control.gestures.map((gesture) => `${control.id}/${gesture.id}`)),
  )
  const loose = model.functions.flatMap((fn, i) => [
    ...firmwareFaults(model, fn, `functions[${i}]`),
    ...valueFaults(model, fn.overrides ?? {}, `functions[${i}].overrides`),
    ...toggleFaults(model, fn, `functions[${i}]`),
    ...Object.entries(fn.whileHeld ?? {}).flatMap(([gesture, id]) => [
      ...(gestures.has(gesture)
        ? []
        : [fault('dangling', `functions[${i}].whileHeld`, `There is no gesture ${gesture}.`)]),
      ...(functions.has(id)
        ? []
        : [fault('dangling', `functions[${i}].whileHeld`, `No function is called ${id}.`)]),
    ]),
    ...fn.changes
      .filter((id) => !settings.has(id))
      .map((id) => fault('dangling', `functions[${i}].changes`, `${id} is no setting of this model.`)),
    ...(fn.holdSet !== undefined && !model.holdSets.some((set) => set.id === fn.holdSet)
      ? [fault('dangling', `functions[${i}].holdSet`, `No hold set is called ${fn.holdSet}.`)]
      : []),
    ...(fn.means !== null && !commonFunctions.has(fn.means)
      ? [fault('dangling', `functions[${i}].means`, `${fn.means} is not in the common vocabulary.`)]
      : []),
  ])
  const lists = Object.entries(model.functionLists).flatMap(([name, list]) =>
    list
      .filter((id) => !functions.has(id))
      .map((id) => fault('dangling', `functionLists.${name}`, `No function is called ${id}.`)),
  )
  return [...loose, ...lists]
}
