import { baseRow, type Whereabouts } from '../plan/cells'
import { type RowId, bankRow, differenceRow, localRow, positionRow, rowValue } from '../plan/rows'
import { lookup, type Lookup } from '../model/lookup'
import { isStoredAt } from '../model/widths'
import type { BodyModel, ModePosition, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { sameValue, type Value } from '../vocabulary/values'
import { positionIn, slotIn, whereaboutsIn, type Context } from './context'
import type { Layer, Link } from './resolved'

/** Who owns values in a context: where the camera stands, and the slot of each family. */
export interface Owners {
  readonly found: Lookup
  readonly plan: Plan
  readonly context: Context
  readonly position: ModePosition | undefined
  readonly at: Whereabouts
  /** Slot in force by family. */
  readonly slots: ReadonlyMap<string, string | null>
  /** Value of the setting that widens a family, by family. */
  readonly widths: ReadonlyMap<string, Value>
}

/** The owners of every value in a context. */
export function ownersIn(model: BodyModel, plan: Plan, context: Context): Owners {
  const found = lookup(model)
  const slots = new Map(model.families.map((family) => [family.id, slotIn(model, context, family.id)]))
  const position = positionIn(model, context)
  const widths = new Map<string, Value>()
  const start = { found, plan, context, position, slots, widths, at: whereaboutsIn(model, context) }
  const mode = found.exposureMode && inForce(ownerChain(start, found.exposureMode))
  const owners = { ...start, at: whereaboutsIn(model, context, mode) }
  for (const family of model.families) {
    const widener = family.widenedBy === undefined ? undefined : found.settings.get(family.widenedBy)
    if (widener) widths.set(family.id, inForce(ownerChain(owners, widener)))
  }
  return owners
}

/** Everything that owns a value before overlays and rules, lowest first. */
export function ownerChain({ plan, context, position, at, slots, widths }: Owners, setting: Setting): Link[] {
  const chain: Link[] = [{ layer: 'factory', value: setting.factory, row: null, from: null, because: null }]
  const push = (layer: Layer, row: RowId) => {
    const link = rowLink(plan, layer, row)
    if (link) chain.push(link)
    const own = context.body === undefined ? null : rowLink(plan, 'body', differenceRow(context.body, row))
    if (own) chain.push(own)
  }
  const marked = setting.place === 'physical' ? context.marked?.[setting.id] : undefined
  if (marked !== undefined)
    chain.push({ layer: 'marked', value: marked, row: null, from: null, because: null })
  push('base', baseRow(plan.rows, setting, at))
  if (setting.place === 'local' && context.body !== undefined)
    push('body', localRow(context.body, setting.id))
  if (position?.keeps.includes(setting.id)) push('position', positionRow(position.id, setting.id))
  const family = setting.storedBy
  const slot = family !== null && isStoredAt(setting, widths.get(family)) ? slots.get(family) : null
  if (family !== null && slot) push('bank', bankRow(family, slot, setting.id))
  const edited = context.edits?.[setting.id]
  if (edited !== undefined) chain.push({ layer: 'edit', value: edited, row: null, from: null, because: null })
  const fixed = position?.sets[setting.id]
  if (position && fixed !== undefined) {
    const because = `The mode dial at ${position.name} fixes it.`
    chain.push({ layer: 'dial', value: fixed, row: null, from: position.id, because })
  }
  return chain
}

/**
 * Every value its owners may have left: more than one where it is not known whether the slot keeps it, what it was
 * delivered with, or how the camera is turned.
 */
export function ownedValues(
  { found, plan, context, at }: Owners,
  setting: Setting,
  chain: readonly Link[],
): Value[] {
  const value = inForce(chain)
  const top = chain.at(-1)?.layer
  const doubt = (fact: string) => found.doubts.get(`settings/${setting.id}/${fact}`)
  if (top === 'factory') return distinct([value, ...(doubt('factory')?.candidates ?? [])])
  if (top === 'bank' && doubt('storedBy')) return distinct([value, inForce(chain.slice(0, -1))])
  if (setting.place === 'orientation' && context.orientation === undefined && top === 'base') {
    const turned = (['upright-left', 'upright-right'] as const).map((orientation) =>
      rowValue(plan.rows, baseRow(plan.rows, setting, { ...at, orientation })),
    )
    return distinct([value, ...turned.map((one) => one ?? setting.factory)])
  }
  return [value]
}

/** The value at the top of a chain. */
export function inForce(chain: readonly Link[]): Value {
  const last = chain.at(-1)
  if (!last) throw new Error('a chain begins with the factory value')
  return last.value
}

/** A plan's row as a link of a chain; null where the plan has none. */
export function rowLink(plan: Plan, layer: Layer, row: RowId): Link | null {
  const value = rowValue(plan.rows, row)
  return value === null ? null : { layer, value, row, from: null, because: null }
}

/** Each value once, in order. */
export function distinct(values: readonly Value[]): Value[] {
  return values.filter((value, i) => values.findIndex((other) => sameValue(other, value)) === i)
}
