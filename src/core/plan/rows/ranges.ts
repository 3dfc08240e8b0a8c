import { lookup } from '../../model/lookup'
import type { Address } from '../../model/addresses'
import type { BodyModel, FirmwareRange, Setting } from '../../model/types'
import type { Value } from '../../vocabulary/values'

/** Something a row rests on that not every firmware has, with its name. */
export interface Ranged {
  readonly name: string
  readonly range: FirmwareRange
}

/** What a value of a setting rests on: the setting itself, and the members of its list that it names. */
export function settingRanges(setting: Setting, value: Value): Ranged[] {
  const { domain } = setting
  const chosen = (Array.isArray(value) ? value : [value]) as readonly Value[]
  const choices =
    domain.kind === 'choice' || domain.kind === 'subset'
      ? domain.values.filter(({ id }) => chosen.includes(id))
      : []
  return ranged([
    { name: setting.label, range: setting },
    ...choices.map((one) => ({ name: one.name, range: one })),
  ])
}

/** What a function on a key rests on: the function, and the gesture that calls it. */
export function functionRanges(model: BodyModel, { control, gesture }: Address, value: Value): Ranged[] {
  const fn = lookup(model).functions.get(String(value))
  return ranged([
    ...(fn ? [{ name: fn.name, range: fn }] : []),
    { name: `${control.name}, ${gesture.name}`, range: gesture },
  ])
}

function ranged(all: readonly Ranged[]): Ranged[] {
  return all.filter(({ range }) => range.since !== undefined || range.until !== undefined)
}
