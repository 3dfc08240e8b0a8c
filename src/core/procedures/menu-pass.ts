import { ownerRow } from '../camera/live/edit'
import { askedFor } from '../model/excerpt'
import { menuOrder } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { describeRow, type RowId } from '../plan/rows'
import { refusals, refusing, type State } from '../resolve/state'
import { sameValue, type Value } from '../vocabulary/values'
import type { ActOptions, Composer } from './composer'

/** A value that is to land in a row of the body's memory, by way of a line of the menu. */
export interface Item {
  readonly setting: Setting
  readonly value: Value
  readonly row: RowId
}

/** Why an item is not set as the body stands: another cell would take it, or the camera does not let it be chosen. */
export type Obstacle =
  | { readonly kind: 'elsewhere'; readonly because: string }
  | { readonly kind: 'refused'; readonly because: string }

/** What stands in the way of an item as the body stands; null where it can be set. */
export function obstacle(
  { model, state }: Composer,
  now: State,
  { setting, value, row }: Item,
): Obstacle | null {
  const chain = now.chains.get(setting.id) ?? []
  const top = chain.findLast((link) => link.layer !== 'rule')
  if (top?.layer === 'dial' || top?.layer === 'hold' || top?.layer === 'held')
    return { kind: 'elsewhere', because: top.because ?? '' }
  if (ownerRow(model, state, setting, chain) !== row)
    return { kind: 'elsewhere', because: `As the camera stands here, ${setting.label} is kept elsewhere.` }
  const [because] = refusing(now, setting.id, value)
  return because === undefined ? null : { kind: 'refused', because }
}

/**
 * Sets items as the body stands, walking the menu once: first, in menu order, what makes others possible; then the rest in
 * menu order; what is refused waits until something has made it possible. Gives back what could not be set, with the
 * reason. Reckons the settings anew only after one that a rule asks for.
 */
export function passThrough(
  composer: Composer,
  items: readonly Item[],
  options: ActOptions = {},
): (Item & { obstacle: Obstacle })[] {
  const { model } = composer
  const order = menuOrder(model)
  const sorted = [...items].sort(
    (a, b) => (order.get(a.setting.id) ?? 1e6) - (order.get(b.setting.id) ?? 1e6),
  )
  const enabling = enablersAmong(composer, sorted)
  let waiting = [
    ...sorted.filter((one) => enabling.has(one.row)),
    ...sorted.filter((one) => !enabling.has(one.row)),
  ]
  for (;;) {
    const left: (Item & { obstacle: Obstacle })[] = []
    for (const item of waiting) {
      const now = composer.settings()
      const stopped = obstacle(composer, now, item)
      if (stopped) {
        left.push({ ...item, obstacle: stopped })
        continue
      }
      const why = enabling.get(item.row)
      composer.set(
        item.setting,
        item.value,
        item.row,
        why === undefined ? options : { ...options, because: why },
      )
      if (!askedFor(model).has(item.setting.id)) composer.keepKnown(withValue(now, item))
    }
    if (left.length === waiting.length || left.length === 0) return left
    waiting = left
  }
}

/**
 * One setting brought to a value as the body stands, wherever that lands; nothing where it stands so already. Where the camera
 * does not let it be chosen, that is named, and false is given back.
 */
export function setOne(
  composer: Composer,
  setting: Setting,
  value: Value,
  options: ActOptions = {},
): boolean {
  const { model, state } = composer
  const chain = composer.settings().chains.get(setting.id) ?? []
  if (sameValue(chain.at(-1)?.value, value)) return true
  const row = ownerRow(model, state, setting, chain)
  return setItems(composer, [{ setting, value, row }], options)
}

/** The same for items whose rows are known: what cannot be set is named. */
export function setItems(composer: Composer, items: readonly Item[], options: ActOptions = {}): boolean {
  const left = passThrough(composer, items, options)
  composer.undone.push(...left.map((item) => undoneItem(composer.model, item)))
  return left.length === 0
}

/** Items that rules ask for which refuse others now: they go first, with what they are for. */
function enablersAmong(composer: Composer, items: readonly Item[]): ReadonlyMap<RowId, string> {
  const found = new Map<RowId, string>()
  const now = composer.settings()
  const waiting = items.filter((item) => obstacle(composer, now, item)?.kind === 'refused')
  for (let i = 0; i < waiting.length; i++) {
    const item = waiting[i]
    if (!item) continue
    const asked = new Set(refusals(now, item.setting.id, item.value).flatMap(({ rule }) => rule.reads))
    for (const other of items) {
      if (other === item || found.has(other.row) || !asked.has(`setting/${other.setting.id}`)) continue
      found.set(other.row, `First, so that ${item.setting.label} can be set.`)
      if (!waiting.includes(other) && obstacle(composer, now, other)?.kind === 'refused') waiting.push(other)
    }
  }
  return found
}

/** The state after a value that no rule asks for: only its own chain is another. */
function withValue(now: State, { setting, value, row }: Item): State {
  const chains = now.chains.copy()
  const chain = chains.get(setting.id) ?? []
  const layer = chain.findLast((link) => link.layer !== 'rule')?.layer ?? 'base'
  chains.set(setting.id, [
    ...chain.filter((link) => link.layer !== 'rule' && !sameValue(row, link.row ?? undefined)),
    { layer: layer === 'factory' ? 'base' : layer, value, row, from: null, because: null },
  ])
  return { ...now, chains }
}

/** What a body cannot be given, in words. */
export function undoneItem(model: BodyModel, { row, obstacle: { because } }: Item & { obstacle: Obstacle }) {
  return { row, words: describeRow(model, row), because }
}
