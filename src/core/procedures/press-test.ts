import type { Address } from '../model/addresses'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { plannedSlots } from '../plan/plan'
import { keyRow, rowValue } from '../plan/rows'
import { plannedContext, usualContext, type Context } from '../resolve/context'
import { resolve } from '../resolve/resolve'
import { answers, decisive, type Resolution, type ResolvedAddress, type StateIn } from '../resolve/resolved'
import { Composer } from './composer'
import { pressWords, tap } from './hand'
import type { SetOrder } from './wanted'

/** What a key is expected to do, and why it may do nothing. */
interface Expected {
  readonly does: string
  readonly because: string | null
}

/**
 * Every key that the plan assigns, pressed once in each side with no bank, and once more in each bank in which it does
 * something else; then every bank recalled. Expected is what the model says; what is seen is the owner's to say.
 */
export function pressTest(order: SetOrder, stateIn?: StateIn): Composer {
  const { model, plan } = order
  const composer = new Composer(order)
  const reckon: StateIn = stateIn ?? ((context) => resolve(model, plan, context))
  for (const side of model.sides) {
    const usual = usualContext(model, plan, order.lenses, side)
    if (!usual) continue
    const keys = [...lookup(model).addresses.values()].filter(
      (one) => one.side === side && rowValue(plan.rows, keyRow(one)) !== null,
    )
    if (keys.length === 0) continue
    const plain = reckon(usual.context)
    standIn(composer, usual.context)
    for (const key of keys) press(composer, key, expected(model, plain, key), sideWords(side), 'plain')
    inBanks({ composer, order, side, keys, plain, context: usual.context, reckon })
  }
  return composer
}

function sideWords(side: Side): string {
  return side === 'stills' ? 'Stills' : 'Film'
}

interface Banks {
  readonly composer: Composer
  readonly order: SetOrder
  readonly side: Side
  readonly keys: readonly Address[]
  readonly plain: Resolution
  readonly context: Context
  readonly reckon: StateIn
}

function inBanks({ composer, order, side, keys, plain, context, reckon }: Banks): void {
  const { model, plan } = order
  for (const slot of plannedSlots(model, plan).filter((one) => one.side === side)) {
    const there = reckon(plannedContext(model, plan, side, slot, context.lens))
    const others = keys.filter((key) => expected(model, there, key).does !== expected(model, plain, key).does)
    composer.recall(slot.family, slot.slot, slot.name)
    composer.add({
      id: `recall/${slot.family}/${slot.slot}`,
      kind: 'look',
      words: `See that ${slot.name} is what it is for`,
      part: slot.name,
      asks: slot.name,
      expect: slot.purpose ?? 'what it varies from base',
    })
    for (const key of others)
      press(composer, key, expected(model, there, key), slot.name, `${slot.family}/${slot.slot}`)
  }
}

function standIn(composer: Composer, context: Context): void {
  const position = composer.model.positions.find(({ id }) => id === context.position)
  const first = composer.model.positions.find((one) => one.side === context.side && one.kind !== 'slot')
  const stop = position ?? first
  if (stop) composer.turnTo(stop)
}

function press(
  composer: Composer,
  key: Address,
  { does, because }: Expected,
  part: string,
  at: string,
): void {
  composer.add({
    id: `press/${at}/${key.key}`,
    kind: 'press',
    words: pressWords(key),
    where: key.control.where,
    part,
    control: key.control.id,
    row: keyRow(key),
    events: tap(composer.model, composer.state, key),
    isTried: true,
    asks: does,
    expect: does,
    ...(because === null ? {} : { because }),
  })
}

function expected(model: BodyModel, at: Resolution, key: Address): Expected {
  const found: ResolvedAddress | undefined = at.addresses.get(key.key)
  const id = found?.effectiveFunctionId ?? null
  const name = id === null ? 'nothing' : (lookup(model).functions.get(id)?.name ?? 'nothing')
  if (!found || id === null) return { does: 'nothing', because: null }
  if (found.verdict === 'empty') return { does: 'nothing, on purpose', because: null }
  const because = decisive(found)?.because ?? null
  if (found.verdict === 'test') return { does: `${name}, or nothing: test on body`, because }
  return answers(found.verdict) ? { does: name, because: null } : { does: `nothing (${name})`, because }
}
