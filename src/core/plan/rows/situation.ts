import type { BodyModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import { isOrderKey } from '../../sync/order-key'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { lightLimits, workFact, workRanges, type WorkFact } from '../../vocabulary/work'
import { behind, isOwnName, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { parseSlot } from './slot'
import { takesOneOf, takesText } from './takes'

/** What a plan says of a situation: its name, its side, where it stands among the others, and the bank it is shot with. */
export const situationFacts = ['name', 'side', 'order', 'bank'] as const

/** A fact of a frame of mind the owner shoots in: one of `situationFacts`, or of the work (vocabulary/work). */
export interface SituationRow {
  readonly kind: 'situation'
  readonly id: string
  readonly fact: string
}

/** The id of a fact of a situation. */
export function situationRow(situation: string, fact: string): RowId {
  return rowId(`situation/${situation}/${fact}`)
}

/** The situation that a row of it speaks of; null where it is another row. */
export function situationOf(id: string): string | null {
  return behind(id, 'situation')?.split('/')[0] ?? null
}

export const situationKind: RowKind<SituationRow> = {
  kind: 'situation',
  heads: ['situation'],
  form: [
    'situation/<id>/<fact>',
    'a frame of mind the owner shoots in: its name, side, order among the others, the bank it is shot with (family/slot, or base); and what the work is like: light, lamps, subject, clothing, movement, blur, silence, flash, camera, delivery, space, opens, software, hours, pictures, filmed',
  ],
  parse({ id, parts }) {
    const [situation, name = ''] = parts
    const isFact = situationFacts.some((one) => one === name) || workFact(name) !== undefined
    return parts.length === 2 && isOwnName(situation) && isFact
      ? ok({ kind: 'situation', id: situation, fact: name })
      : unknownPart(id, parts.join('/'))
  },
  id: ({ id, fact }) => situationRow(id, fact),
  accepts(model, { fact }, value, id) {
    if (fact === 'side') return takesOneOf(model.sides, value, id)
    if (fact === 'name') return takesText(value, 60, id)
    if (fact === 'bank') return takesBank(model, value, id)
    const known = workFact(fact)
    if (known) return takesWork(known, value, id)
    return typeof value === 'string' && isOrderKey(value)
      ? ok(value)
      : refuse('outside', 'This row takes an order key, such as a0.', id)
  },
  describe: {
    place: ({ id, fact }) => `Situation ${id}, ${workFact(fact)?.name.toLowerCase() ?? fact}`,
    value: (_model, { fact }, value) => shown(fact, value),
  },
  invalidates: ({ fact }) => ({ what: fact === 'side' ? 'needs' : 'words' }),
  station: () => 'foundation',
}

function takesBank(model: BodyModel, value: unknown, id: string): Result<Value> {
  if (value === 'base') return ok(value)
  const [family, slot, ...more] = typeof value === 'string' ? value.split('/') : []
  const found = more.length === 0 ? parseSlot(model, id, family, slot) : null
  if (found?.ok && typeof value === 'string') return ok(value)
  const banks = model.families.flatMap((one) => one.slots.map((each) => `${one.id}/${each.id}`))
  return refuse('outside', `This row takes base, or a bank: ${banks.join(', ')}.`, id)
}

function takesWork({ id: fact, takes, name, choices }: WorkFact, value: unknown, id: string): Result<Value> {
  const ids = choices.map((one) => one.id)
  switch (takes) {
    case 'one':
      return takesOneOf(ids, value, id)
    case 'text':
      return takesText(value, 200, id)
    case 'any': {
      const all = Array.isArray(value) ? (value as unknown[]) : []
      const inOrder = ids.filter((one) => all.includes(one))
      return all.length > 0 && inOrder.length === all.length && inOrder.every((one, i) => one === all[i])
        ? ok(inOrder)
        : refuse('outside', `${name} takes a list of ${ids.join(', ')}, in that order.`, id)
    }
    case 'number': {
      const [least, most] = workRanges[fact] ?? [0, Infinity]
      return typeof value === 'number' && value >= least && value <= most
        ? ok(value)
        : refuse('outside', `${name} takes a number from ${least} to ${most}.`, id)
    }
    case 'light':
      return takesLight(value, id)
  }
}

/** Two texts, the darkest and the brightest in EV at ISO 100, in halves. */
function takesLight(value: unknown, id: string): Result<Value> {
  const [least, most] = lightLimits
  const texts = Array.isArray(value) ? (value as unknown[]) : []
  const [dark, bright] = texts.map((one) =>
    typeof one === 'string' && one.trim() !== '' ? Number(one) : NaN,
  )
  const isStep = (ev: number | undefined): ev is number =>
    ev !== undefined && ev >= least && ev <= most && Number.isInteger(ev * 2)
  if (texts.length !== 2 || !isStep(dark) || !isStep(bright))
    return refuse(
      'outside',
      `Light goes from EV ${least} (starlight) to EV ${most} (sun on snow), in halves: the darkest, then the brightest.`,
      id,
    )
  if (dark > bright)
    return refuse('outside', `EV ${dark} is brighter than EV ${bright}: the darkest comes first.`, id)
  return ok([String(dark), String(bright)])
}

function shown(fact: string, value: Value | null): string {
  if (value === null) return 'not said'
  if (fact === 'light' && Array.isArray(value)) return `EV ${value.join(' to ')}`
  const choices = workFact(fact)?.choices ?? []
  const named = (one: unknown) => choices.find(({ id }) => id === one)?.name ?? String(one)
  return Array.isArray(value) ? value.map(named).join(', ') : named(value)
}
