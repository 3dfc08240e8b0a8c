import { itemName } from '../../model/lookup'
import type { BodyModel, Slot } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { hasHead, rowId } from './id'
import { unknownPart, type RowKind } from './kind'
import { parseSlot, type SlotOf } from './slot'
import { takesOneOf, takesText } from './takes'

/**
 * What a plan says of a slot besides its values: its side, name and purpose; what it was started from (`base` or
 * another slot of its family); the settings meant to differ, and those expected to change on site; what to do when it
 * turns out to be the wrong one; what was in it when it was last stored on a body, as texts `<setting>=<value as JSON>`.
 */
export const bankFacts = [
  ...(['side', 'name', 'purpose', 'startedFrom', 'meant', 'onSite', 'fallback', 'registered'] as const),
]

/** One of `bankFacts`. */
export type BankFact = (typeof bankFacts)[number]

/** What a slot is. */
export interface BankFactRow extends SlotOf {
  readonly kind: 'bankFact'
  readonly fact: BankFact
}

/** The id of a fact of a slot. */
export function bankFactRow(family: string, slot: string, fact: BankFact): RowId {
  return rowId(`bank/${family}/${slot}/${fact}`)
}

/** Every row among these that belongs to a slot: facts, values, keys and cells. */
export function rowsOfSlot(ids: Iterable<string>, family: string, slot: string): RowId[] {
  const head = rowId(`bank/${family}/${slot}`)
  return [...ids].filter((id): id is RowId => hasHead(id, head))
}

const words: Readonly<Record<BankFact, string>> = {
  side: 'side',
  name: 'name',
  purpose: 'purpose',
  startedFrom: 'started from',
  meant: 'meant to differ',
  onSite: 'changes on site',
  fallback: 'if it is the wrong one',
  registered: 'stored on the body',
}

export const bankFactKind: RowKind<BankFactRow> = {
  kind: 'bankFact',
  heads: ['bank'],
  form: [
    'bank/<family>/<slot>/<fact>',
    'what the slot is: side, name, purpose, startedFrom, meant, onSite, fallback, registered',
  ],
  claims: ([, , name]) => bankFacts.some((fact) => fact === name),
  parse({ model, id, parts }) {
    const [familyId, slotId, name, ...more] = parts
    const found = parseSlot(model, id, familyId, slotId)
    if (!found.ok) return found
    const fact = bankFacts.find((one) => one === name)
    if (!fact || more.length > 0) return unknownPart(id, more.join('/'))
    return ok({ kind: 'bankFact', ...found.value, fact })
  },
  id: ({ family, slot, fact }) => bankFactRow(family.id, slot.id, fact),
  accepts,
  describe: {
    place: ({ slot, fact }) => `Bank ${slot.name}, ${words[fact]}`,
    value(model, { fact }, value) {
      if (value === null) return fact === 'side' ? 'unused' : 'none'
      if (fact === 'registered' && Array.isArray(value)) return `${value.length} values`
      return Array.isArray(value)
        ? value.map((one) => itemName(model, String(one))).join(', ')
        : String(value)
    },
  },
  invalidates: ({ fact }) => ({ what: fact === 'side' ? 'contexts' : 'words' }),
  station: () => 'banks',
}

function accepts(
  model: BodyModel,
  { family, slot, fact }: BankFactRow,
  value: unknown,
  id: string,
): Result<Value> {
  switch (fact) {
    case 'side':
      return takesSide(model, slot, value, id)
    case 'name':
      return takesText(value, family.nameLength, id)
    case 'purpose':
    case 'fallback':
      return takesText(value, 200, id)
    case 'startedFrom': {
      const sources = ['base', ...family.slots.filter((one) => one !== slot).map((one) => one.id)]
      if (sources.some((source) => source === value)) return ok(value as string)
      return refuse('outside', `A slot is started from ${sources.join(' or ')}.`, id)
    }
    case 'registered': {
      const texts = Array.isArray(value) ? (value as unknown[]) : []
      const sound = texts.every(
        (one) => typeof one === 'string' && /^[A-Za-z0-9.]+=\S/.test(one) && one.length < 400,
      )
      if (sound && texts.length > 0 && texts.length <= 400) return ok(texts as readonly string[])
      return refuse('outside', 'This lists what was stored: <setting>=<value as JSON>.', id)
    }
    case 'meant':
    case 'onSite': {
      const kept = model.settings.filter((setting) => setting.storedBy === family.id).map((one) => one.id)
      const order = Array.isArray(value) ? value.map((one) => kept.indexOf(one as string)) : [-1]
      const rising = order.every((at, i) => at >= 0 && (i === 0 || at > (order[i - 1] ?? -1)))
      if (rising) return ok(value as readonly string[])
      return refuse('outside', `This lists settings that ${family.name} keep, in the order of the model.`, id)
    }
  }
}

function takesSide(model: BodyModel, slot: Slot, value: unknown, id: string): Result<Value> {
  const sides = slot.side === undefined ? model.sides : [slot.side]
  const taken = takesOneOf(sides, value, id)
  return taken.ok ? taken : refuse('outside', `${slot.name} holds ${sides.join(' or ')}.`, id)
}
