import { type Rows, keyRow, noteRow, rowValue } from './rows'
import type { Address } from '../model/addresses'
import { acceptedFunctions, atFinder, canBeEmpty, isOnFitting } from '../model/controls'
import { lookup } from '../model/lookup'
import type { BodyModel, ModelFunction } from '../model/types'
import { must, ok, refuse, type Result } from '../result'
import type { Plan } from './plan'
import { memoize } from '../memoize'
import { applyStep, setRows } from './step'
import type { Step } from '../sync/step'

/** What an assignment pushed off its key. */
export interface Displaced {
  readonly functionId: string
  /** Other keys of the same side that still have it. */
  readonly alsoOn: readonly Address[]
  /** A dial or ring that still turns what it sets; null where none does. */
  readonly turnedBy: Address | null
  /** Menu lines of the settings it changes: the slow way that always remains; empty when there is none. */
  readonly menu: readonly string[]
  /** Keys of this side with nothing on them (and not so on purpose) that would accept it, nearest to hand first. */
  readonly couldGoTo: readonly Address[]
}

/** An assignment ready to be taken: the step, and what it displaces (null when the key was empty). */
export interface Assignment {
  readonly step: Step
  readonly displaced: Displaced | null
}

/** The function at an address: the plan's, or the maker's; null when neither gives one. */
export function functionAt(plan: Plan, address: Address): string | null {
  return functionIn(plan.rows, address)
}

function functionIn(rows: Rows, address: Address): string | null {
  return (rowValue(rows, keyRow(address)) as string | null) ?? address.factory
}

/**
 * Puts a function on a key; the reason given for what was there goes with it. Refuses a function the gesture does
 * not accept, naming what it is.
 */
export function assign(
  model: BodyModel,
  plan: Plan,
  addressKey: string,
  functionId: string,
  id: string,
): Result<Assignment> {
  const target = accepting(model, addressKey, functionId)
  if (!target.ok) return target
  const before = functionAt(plan, target.value)
  if (before === functionId) return refuse('same-key', 'It is on that key already.', addressKey)
  const step = setRows(plan, id, {
    [keyRow(target.value)]: functionId,
    [noteRow('why', keyRow(target.value))]: null,
  })
  return ok({ step, displaced: displacedBy(model, plan, step, target.value, before) })
}

/** Moves the function of one key to another, with its reason; the first key is left with nothing. */
export function move(
  model: BodyModel,
  plan: Plan,
  fromKey: string,
  toKey: string,
  id: string,
): Result<Assignment> {
  const moved = movable(model, plan, fromKey, toKey)
  if (!moved.ok) return moved
  const { from, to, functionId } = moved.value
  const reason = rowValue(plan.rows, noteRow('why', keyRow(from)))
  const step = setRows(plan, id, {
    [keyRow(to)]: functionId,
    [keyRow(from)]: 'nothing',
    [noteRow('why', keyRow(to))]: reason,
    [noteRow('why', keyRow(from))]: null,
  })
  return ok({ step, displaced: displacedBy(model, plan, step, to, functionAt(plan, to)) })
}

/** Leaves a key as delivered. */
export function leaveAsDelivered(plan: Plan, address: Address, id: string): Step {
  return setRows(plan, id, { [keyRow(address)]: null })
}

/** Every address of a side that has the function, in the model's order. Remembered with the plan's rows. */
export function addressesWith(
  model: BodyModel,
  plan: Plan,
  side: string,
  functionId: string,
): readonly Address[] {
  return holdersFor(model)(plan.rows).get(`${side} ${functionId}`) ?? []
}

/** A key that still sets what a function set, in another way: a dial that turns it. */
export function turnedBy(
  model: BodyModel,
  plan: Plan,
  side: string,
  { id, changes: [setting] }: ModelFunction,
): Address | undefined {
  if (setting === undefined) return undefined
  const ways = model.functions.filter(
    (fn) => fn.id !== id && fn.changes[0] === setting && fn.manner === 'turn',
  )
  return ways.flatMap((fn) => addressesWith(model, plan, side, fn.id)).find((one) => !isOnFitting(one))
}

type Holders = ReadonlyMap<string, readonly Address[]>

const holdersFor = memoize((model: BodyModel) => memoize((rows: Rows) => holdersIn(model, rows)))

function holdersIn(model: BodyModel, rows: Rows): Holders {
  const found = new Map<string, Address[]>()
  for (const address of lookup(model).addresses.values()) {
    const key = `${address.side} ${functionIn(rows, address) ?? ''}`
    const list = found.get(key)
    if (list) list.push(address)
    else found.set(key, [address])
  }
  return found
}

function accepting(model: BodyModel, addressKey: string, functionId: string): Result<Address> {
  const address = lookup(model).addresses.get(addressKey)
  if (!address) return refuse('unknown-address', `This model has no key “${addressKey}”.`, addressKey)
  if (acceptedFunctions(model, address).some((fn) => fn.id === functionId)) return ok(address)
  const name = lookup(model).functions.get(functionId)?.name ?? `“${functionId}”`
  const place = `${address.control.name}, ${address.name}, ${address.side}`
  return refuse('not-accepted', `${place} does not accept ${name}.`, addressKey)
}

function movable(model: BodyModel, plan: Plan, fromKey: string, toKey: string) {
  const from = lookup(model).addresses.get(fromKey)
  if (!from) return refuse('unknown-address', `This model has no key “${fromKey}”.`, fromKey)
  const functionId = functionAt(plan, from)
  if (functionId === null)
    return refuse('nothing-there', `${from.control.name} has no function to move.`, fromKey)
  if (fromKey === toKey) return refuse('same-key', 'It is on that key already.', toKey)
  if (!canBeEmpty(model, from)) {
    const message = `${from.control.name}, ${from.name}, cannot be left empty on this body: swap the two instead.`
    return refuse('not-accepted', message, fromKey)
  }
  const to = accepting(model, toKey, functionId)
  if (!to.ok) return to
  return ok({ from, to: to.value, functionId })
}

function displacedBy(
  model: BodyModel,
  plan: Plan,
  step: Step,
  address: Address,
  before: string | null,
): Displaced | null {
  const fn = before === null ? undefined : lookup(model).functions.get(before)
  if (!fn || fn.manner === 'none') return null
  const after = must(applyStep(model, plan, step))
  const empty = [...lookup(model).addresses.values()].filter(
    (other) =>
      other.side === address.side &&
      (functionAt(after, other) ?? 'nothing') === 'nothing' &&
      rowValue(after.rows, noteRow('why', keyRow(other))) === null &&
      acceptedFunctions(model, other).some((candidate) => candidate.id === fn.id),
  )
  return {
    functionId: fn.id,
    alsoOn: addressesWith(model, after, address.side, fn.id),
    turnedBy: turnedBy(model, after, address.side, fn) ?? null,
    menu: fn.changes.flatMap((setting) => lookup(model).menuAddress.get(setting) ?? []),
    couldGoTo: empty.sort((a, b) => Number(atFinder(b.control)) - Number(atFinder(a.control))),
  }
}
