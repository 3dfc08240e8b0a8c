import { checkValue } from '../model/domain'
import { acceptedFunctions } from '../model/keys'
import { lookup } from '../model/lookup'
import type { BodyModel, Side, Slot } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { isOrderKey } from '../sync/order'
import { unkept } from '../text'
import { needFlags } from '../vocabulary/situations'
import type { Value } from '../vocabulary/values'
import { emptyCell } from './cells'
import {
  certainties,
  pairMarks,
  priorities,
  weightFacts,
  workFacts,
  type NoteName,
  type OwnerFact,
  type Row,
  type RowId,
} from './rows'

/** Accepts a value for a row, or says what the row takes. */
export function checkRowValue(model: BodyModel, row: Row, value: unknown, id: RowId): Result<Value> {
  switch (row.kind) {
    case 'model':
      return refuse(
        'outside',
        'The model stands at the head of a plan; a step of its own follows another edition.',
        id,
      )
    case 'title':
      return text(value, 80, 1, id)
    case 'base':
    case 'bank':
    case 'hold':
    case 'position':
    case 'body':
      return checkValue(row.setting.domain, value, id)
    case 'grid':
    case 'bankGrid': {
      const fits = value === emptyCell || row.grid.permitted.some((setting) => setting === value)
      if (fits) return ok(value as string)
      return refuse('outside', `${row.grid.name} does not take “${String(value)}”.`, id)
    }
    case 'own':
      if (row.menu.permitted.some((line) => line === value)) return ok(value as string)
      return refuse('outside', `The own menu does not take “${String(value)}”.`, id)
    case 'ownName':
      return text(value, row.menu.nameLength, 1, id)
    case 'bankKey':
    case 'key': {
      const accepted = acceptedFunctions(model, row.address)
      if (accepted.some((fn) => fn.id === value)) return ok(value as string)
      const name = lookup(model).functions.get(String(value))?.name ?? `“${String(value)}”`
      return refuse(
        'not-accepted',
        `${row.address.control.name}, ${row.address.name}, does not accept ${name}.`,
        id,
      )
    }
    case 'bankFact':
      return checkFact(model, row, value, id)
    case 'pair':
      return oneOf(pairMarks, value, id)
    case 'bodyRow':
      return checkRowValue(model, row.about, value, id)
    case 'share':
      return typeof value === 'boolean'
        ? ok(value)
        : refuse('outside', 'A share list row is true or false.', id)
    case 'holdName':
      return text(value, row.set.nameLength, 1, id)
    case 'lens':
      return value === true ? ok(true) : refuse('outside', 'A lens row is true, or absent.', id)
    case 'school':
      return oneOf(
        row.dispute.schools.map((school) => school.id),
        value,
        id,
      )
    case 'situation':
      if (row.fact === 'side') return oneOf(model.sides, value, id)
      if (row.fact === 'name') return text(value, 60, 1, id)
      return typeof value === 'string' && isOrderKey(value)
        ? ok(value)
        : refuse('outside', 'This row takes an order key, such as a0.', id)
    case 'need':
      return checkNeed(value, id)
    case 'owner': {
      if (row.fact === 'gridCounts')
        return typeof value === 'boolean' ? ok(value) : refuse('outside', 'This row is true or false.', id)
      const [least, most] = ownerRange(row.fact)
      const fits = typeof value === 'number' && value >= least && value <= most
      return fits ? ok(value) : refuse('outside', `This row takes a number from ${least} to ${most}.`, id)
    }
    case 'intent': {
      const { wants } = row
      return wants.kind === 'key'
        ? checkRowValue(model, wants, value, id)
        : checkValue(wants.setting.domain, value, id)
    }
    case 'accept':
    case 'forbid':
      return text(value, 500, 1, id)
    case 'note':
      return checkNote(model, row.note, value, id)
  }
}

/** From where to where a fact of the owner may go: percent, seconds of a move, weights of a suggestion. */
export function ownerRange(fact: OwnerFact): readonly [number, number] {
  if (fact === 'target') return [1, 100]
  const work = workFacts.find((one) => one === fact)
  if (work)
    return { lampPulses: [10, 50_000], deliveryWidth: [320, 16_000], playedRate: [10, 240] }[work] as [
      number,
      number,
    ]
  return weightFacts.some((one) => one === fact) ? [0, 600] : [0.01, 60]
}

/** A count of times in one outing, then flags in their order, each at most once. */
function checkNeed(value: unknown, id: RowId): Result<Value> {
  const [count, ...flags] = Array.isArray(value) ? (value as unknown[]) : []
  const places = flags.map((flag) => needFlags.findIndex((one) => one === flag))
  const sound =
    typeof count === 'string' &&
    /^(0|[1-9]\d{0,3})$/.test(count) &&
    places.every((place, i) => place >= 0 && (i === 0 || place > (places[i - 1] ?? 0)))
  if (sound) return ok(value as readonly string[])
  return refuse(
    'outside',
    `A need is a count from 0 to 9999, then any of ${needFlags.join(', ')}, in this order.`,
    id,
  )
}

function checkNote(model: BodyModel, note: NoteName, value: unknown, id: RowId): Result<Value> {
  switch (note) {
    case 'why':
    case 'lock':
      return text(value, 500, 1, id)
    case 'source':
    case 'picture':
      return text(value, 200, 1, id)
    case 'sure':
      return oneOf(certainties, value, id)
    case 'priority':
      return oneOf(priorities, value, id)
    case 'decidedOn':
      return oneOf(
        model.firmware.map((one) => one.version),
        value,
        id,
      )
    case 'risk':
      if (typeof value === 'string' && isDay(value)) return ok(value)
      return refuse('outside', 'A risk is accepted on a day, such as 2026-03-14.', id)
  }
}

/** A day of the calendar, year-month-day. */
function isDay(text: string): boolean {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text)
}

function oneOf(known: readonly string[], value: unknown, id: RowId): Result<Value> {
  const found = known.find((one) => one === value)
  return found === undefined ? refuse('outside', `This row takes ${known.join(', ')}.`, id) : ok(found)
}

function checkFact(
  model: BodyModel,
  { family, slot, fact }: Extract<Row, { kind: 'bankFact' }>,
  value: unknown,
  id: RowId,
): Result<Value> {
  switch (fact) {
    case 'side':
      return slotSide(model, slot, value, id)
    case 'name':
      return text(value, family.nameLength, 1, id)
    case 'purpose':
    case 'fallback':
      return text(value, 200, 1, id)
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

function slotSide(model: BodyModel, slot: Slot, value: unknown, id: RowId): Result<Value> {
  const sides = slot.side === undefined ? model.sides : [slot.side]
  if (sides.some((side) => side === value)) return ok(value as Side)
  return refuse('outside', `${slot.name} holds ${sides.join(' or ')}.`, id)
}

function text(value: unknown, longest: number, shortest: number, id: RowId): Result<Value> {
  if (typeof value !== 'string') return refuse('outside', 'This row takes a text.', id)
  if (unkept.test(value)) return refuse('outside', 'This text holds characters that cannot be kept.', id)
  if (value.length < shortest) return refuse('outside', 'This text may not be empty.', id)
  if (value.length > longest)
    return refuse('outside', `This text has ${value.length} characters; ${longest} fit.`, id)
  return ok(value)
}
