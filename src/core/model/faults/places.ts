import type { Refusal } from '../../result'
import type { Value } from '../../vocabulary/values'
import { checkValue } from '../domain'
import type { BodyModel, ModePosition } from '../types'
import { dangling, fault } from './fault'
import { firmwareFaults } from './firmware'
import { conditionFaults } from './rules'

/** Values by setting id: settings that do not exist, and values outside their domain. */
export function valueFaults(
  model: BodyModel,
  values: Readonly<Record<string, Value>>,
  path: string,
): Refusal[] {
  return Object.entries(values).flatMap(([id, value]) => {
    const setting = model.settings.find((one) => one.id === id)
    if (!setting) return [fault('dangling', path, `No setting is called ${id}.`)]
    const checked = checkValue(setting.domain, value, path)
    return checked.ok ? [] : [checked.refusal]
  })
}

/** Banks, positions, hold sets, filming and acts that name what does not exist. */
export function placeFaults(model: BodyModel): Refusal[] {
  const setting = (id: string) => `No setting is called ${id}.`
  return [
    ...model.families.flatMap((family, i) => [
      ...toggleFaults(model, family.keepingBy, `families[${i}].keepingBy`),
      ...widenerFaults(model, family.widenedBy, `families[${i}].widenedBy`),
      ...family.slots.flatMap((slot, s) => [
        ...firmwareFaults(model, slot, `families[${i}].slots[${s}]`),
        ...longName(slot.name, family.nameLength, `families[${i}].slots[${s}].name`),
        ...(slot.side === undefined || model.sides.includes(slot.side)
          ? []
          : [fault('dangling', `families[${i}].slots[${s}]`, `This body has no ${slot.side}.`)]),
      ]),
    ]),
    ...model.holdSets.flatMap((set, i) => longName(set.name, set.nameLength, `holdSets[${i}].name`)),
    ...model.holdSets.flatMap((set, i) =>
      dangling(`holdSets[${i}].allows`, set.allows ?? [], model.settings, setting),
    ),
    ...model.positions.flatMap((position, i) => positionFaults(model, position, `positions[${i}]`)),
    ...filmingFaults(model),
    ...model.acts.flatMap((act, i) => [
      ...act.needs.flatMap((need) => conditionFaults(model, need.when, `acts[${i}].needs`)),
      ...valueFaults(model, act.sets, `acts[${i}].sets`),
    ]),
    ...dangling('cardFile.leavesBehind', model.cardFile.leavesBehind, model.settings, setting),
  ]
}

function longName(name: string, longest: number, path: string): Refusal[] {
  if (name.length <= longest) return []
  return [fault('domain', path, `“${name}” has ${name.length} characters; ${longest} fit.`)]
}

function positionFaults(model: BodyModel, position: ModePosition, path: string): Refusal[] {
  const family = model.families.find((one) => one.id === position.family)
  const faults = [
    ...valueFaults(model, position.sets, `${path}.sets`),
    ...dangling(`${path}.keeps`, position.keeps, model.settings, (id) => `No setting is called ${id}.`),
  ]
  if (position.side !== null && !model.sides.includes(position.side))
    faults.push(fault('dangling', `${path}.side`, `This body has no ${position.side}.`))
  const slotKnown = family?.slots.some((slot) => slot.id === position.slot) ?? false
  if ((position.kind === 'slot') !== slotKnown)
    faults.push(
      fault(
        'dangling',
        `${path}.slot`,
        `${position.name} should name a slot of a family if, and only if, it recalls one.`,
      ),
    )
  if (position.keeps.length > 0 && position.kind !== 'remembered')
    faults.push(fault('place', `${path}.keeps`, 'Only a remembered position keeps settings for itself.'))
  return faults
}

function filmingFaults(model: BodyModel): Refusal[] {
  const { filming } = model
  if (!filming) return []
  const family = model.families.find((one) => one.id === filming.family)
  if (filming.fromStills !== 'named') return []
  const by = model.settings.find((setting) => setting.id === filming.namedBy)
  if (!family || by?.domain.kind !== 'choice')
    return [
      fault('dangling', 'filming', 'It should name the setting that names the slot, and the bank family.'),
    ]
  return by.domain.values
    .filter((value) => value.id !== 'plain' && !family.slots.some((slot) => slot.id === value.id))
    .map((value) =>
      fault(
        'dangling',
        'filming.namedBy',
        `${by.label} offers ${value.id}, which is no slot of ${family.name}.`,
      ),
    )
}

function widenerFaults(model: BodyModel, id: string | undefined, path: string): Refusal[] {
  const kind = model.settings.find((one) => one.id === id)?.domain.kind
  if (id === undefined || kind === 'toggle' || kind === 'choice') return []
  return [fault('dangling', path, `${id} is no setting that is on or off, and no choice.`)]
}

function toggleFaults(model: BodyModel, id: string | undefined, path: string): Refusal[] {
  if (id === undefined || model.settings.some((one) => one.id === id && one.domain.kind === 'toggle'))
    return []
  return [fault('dangling', path, `${id} is no setting that is on or off.`)]
}
