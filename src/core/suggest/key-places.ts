import { keyRow } from '../plan/rows'
import type { Address } from '../model/addresses'
import { acceptedFunctions, twinOf } from '../model/controls'
import { lookup } from '../model/lookup'
import type { ModelFunction, Side } from '../model/types'
import { addressesWith, functionAt } from '../plan/assign'
import { usefulOn } from '../reach/paths'
import { contextsOf } from '../resolve/context'
import { judgeAt, judgeFunctions } from '../resolve/resolve'
import { answers, type Verdict } from '../resolve/resolved'
import { focusRole } from '../vocabulary/focus-roles'
import type { Agreement } from './agreement'
import type { Choice, Pair, Place } from './types'
import { changing, valuesFor, type Basis } from './basis'

/** A key as a place, with what each of its values really does in standby and while recording; null where it does nothing. */
export interface KeyPlace {
  readonly place: Place
  readonly address: Address
  readonly standby: readonly (ModelFunction | null)[]
  readonly recording: readonly (ModelFunction | null)[]
}

/** Every key of every side that answers as the camera stands. */
export function keyPlaces(basis: Basis, agreement: Agreement): KeyPlace[] {
  return basis.model.sides.flatMap((side) => {
    const { resolution } = basis.stateOf(side, false)
    const useful = usefulOn(basis.model, resolution, side, basis.needs)
    const failing = failingOn(basis, side)
    return [...resolution.addresses.values()]
      .filter((one) => one.active)
      .map(({ address }) => keyPlace(basis, address, useful, failing, agreement.get(address.key) ?? []))
  })
}

function keyPlace(
  basis: Basis,
  address: Address,
  useful: ReadonlySet<string>,
  failing: (functionId: string) => number,
  agreed: readonly string[],
): KeyPlace {
  const { model, plan, weights } = basis
  const row = keyRow(address)
  const today = functionAt(plan, address) ?? 'nothing'
  const twin = twinOf(basis.model, address)
  const also = [address.factory, twin && functionAt(plan, twin), ...agreed]
  const accepted = acceptedFunctions(model, address).map((fn) => fn.id)
  const wanted = accepted.filter(
    (id) => (useful.has(id) || also.includes(id)) && !isOnItsOwnKey(basis, address.side, id),
  )
  const stays = basis.keepsReliedOn && isReliedOn(basis, address, today)
  const held = valuesFor(
    { ...basis, keysStay: basis.keysStay || stays },
    row,
    today,
    wanted.filter((id) => id === today || !idle.includes(judged(basis, address, id, false).verdict)),
    accepted.includes('nothing') ? 'nothing' : (accepted[0] ?? today),
  )
  const { functions } = lookup(model)
  const bumped = address.control.bump === 'high'
  const costs = held.values.map((id) => {
    const nothing = (functions.get(id)?.manner ?? 'none') === 'none'
    const own = id !== address.factory && !nothing
    return (
      (id === today ? 0 : changing(weights.habit)) +
      (bumped && own ? weights.bump : 0) +
      (agreed.length > 0 && !agreed.includes(id) ? weights.bodies : 0) +
      (own ? weights.fails * failing(id) : 0)
    )
  })
  const does = (recording: boolean) =>
    held.values.map((id) => {
      const { verdict, effectiveFunctionId: gets } = judged(basis, address, id, recording)
      return answers(verdict) ? (functions.get(gets ?? '') ?? null) : null
    })
  const films = address.side === 'motion'
  const standby = does(false)
  const place: Place = { row, kind: 'key', ...held, costs }
  return { place, address, standby, recording: films ? does(true) : standby }
}

/**
 * Whether an owner's hand rests on a key: one that starts, stops or keeps focus or lends another area to it, and the record
 * and menu keys as they were delivered. To put something else there is no advice.
 */
function isReliedOn({ model }: Basis, { factory }: Address, today: string): boolean {
  const means = lookup(model).functions.get(today)?.means ?? null
  if (focusRole(means) !== 'none' || means === 'focus.areaOnly') return true
  return today === factory && (means === 'movie.record' || means === 'menu.full')
}

/** Whether a key of a side starts autofocus: nobody wants a second one because it is a finger's breadth nearer. */
function startsFocusSomewhere({ model, plan }: Basis, side: Address['side']): boolean {
  return model.functions.some(
    ({ id, means }) => focusRole(means) === 'starts' && addressesWith(model, plan, side, id).length > 0,
  )
}

/** Whether a function is on a key of its own already, from which no hand wants it moved or doubled: recording, the menu. */
function isOnItsOwnKey(basis: Basis, side: Address['side'], id: string): boolean {
  const { model, plan, keepsReliedOn } = basis
  const means = lookup(model).functions.get(id)?.means
  if (!keepsReliedOn) return false
  if (focusRole(means ?? null) === 'starts') return startsFocusSomewhere(basis, side)
  if (means !== 'movie.record' && means !== 'menu.full') return false
  return addressesWith(model, plan, side, id).some(({ factory }) => factory === id)
}

/** A function that would be this on a key is not put there. */
const idle: readonly Verdict[] = ['inert', 'dead']

function judged({ stateOf }: Basis, address: Address, functionId: string, recording: boolean) {
  return judgeAt(stateOf(address.side as Side, recording).resolution, address, functionId)
}

/** The share of a side's banks and lenses in which a function does nothing. */
function failingOn({ model, plan, lenses }: Basis, side: Side): (functionId: string) => number {
  const ids = model.functions.filter((fn) => fn.sides.includes(side)).map((fn) => fn.id)
  const all = contextsOf(model, plan, lenses, side).map(({ context }) =>
    judgeFunctions(model, plan, ids, context),
  )
  const failed = (id: string) => all.filter((one) => !answers(one.get(id)?.verdict ?? 'works')).length
  return (id) => (all.length === 0 ? 0 : failed(id) / all.length)
}

/** Each key with its twin on the other side: the classes are what means the same, and both as delivered. */
export function pairsOf(basis: Basis, keys: readonly KeyPlace[]): Pair[] {
  const { functions } = lookup(basis.model)
  const at = new Map(keys.map((key, i) => [key.address.key, i]))
  const meaning = (id: string) => functions.get(id)?.means ?? id
  return keys.flatMap((key, one): Pair[] => {
    const two = at.get(twinOf(basis.model, key.address)?.key ?? '') ?? -1
    const twin = keys[two]
    if (two < one || !twin) return []
    const choices = (place: number, by: (id: string) => boolean): Choice[] =>
      (keys[place]?.place.values ?? []).flatMap((id, value) => (by(id) ? [{ place, value }] : []))
    const meanings = new Set(key.place.values.map(meaning))
    const same = [...meanings].map((said) => ({
      one: choices(one, (id) => meaning(id) === said),
      two: choices(two, (id) => meaning(id) === said),
    }))
    const delivered = {
      one: choices(one, (id) => id === key.address.factory),
      two: choices(two, (id) => id === twin.address.factory),
    }
    const classes = [...same, delivered].filter((pair) => pair.one.length > 0 && pair.two.length > 0)
    return [{ seconds: basis.weights.sides, classes }]
  })
}

/** Functions that are on a key today and that no menu line stands in for: some key of the side keeps each. */
export function keptFunctions({ model }: Basis, keys: readonly KeyPlace[]): Choice[][] {
  const { menuAddress } = lookup(model)
  return model.sides.flatMap((side) =>
    model.functions.flatMap((fn) => {
      if (fn.manner === 'none' || fn.changes.some((id) => menuAddress.has(id))) return []
      const holders = keys.flatMap(({ address, place }, i): Choice[] => {
        const value = address.side === side ? place.values.indexOf(fn.id) : -1
        return value >= 0 ? [{ place: i, value }] : []
      })
      const today = holders.some(({ place, value }) => keys[place]?.place.current === value)
      return today ? [holders] : []
    }),
  )
}
