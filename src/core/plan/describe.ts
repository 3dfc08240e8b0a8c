import { showValue } from '../model/domain'
import type { Address } from '../model/addresses'
import { factoryValue, itemName, lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { termOf } from '../vocabulary/catalogue'
import type { Value } from '../vocabulary/values'
import { emptyCell } from './cells'
import { parseRow } from './parse-row'
import { weightFacts, workFacts, type BankFact, type NoteName, type Row, type RowId } from './rows'
import type { Change, Step } from '../sync/step'

/** A step in words: place, old → new, one phrase for each change; long steps are counted after the third. */
export function describeStep(model: BodyModel, step: Step): string {
  const phrases = step.changes.slice(0, 3).map((change) => describeChange(model, change))
  const more = step.changes.length - phrases.length
  return more > 0 ? `${phrases.join('; ')}; and ${more} more` : phrases.join('; ')
}

/** One change in words, such as "Thumb focus key, press, stills: Start focus → Exposure lock". */
export function describeChange(model: BodyModel, change: Change): string {
  return `${describeRow(model, change.row)}: ${showRow(model, change.row, change.from)} → ${showRow(model, change.row, change.to)}`
}

/** A row's place in words. */
export function describeRow(model: BodyModel, id: RowId): string {
  const row = parseRow(model, id)
  return row.ok ? placeOf(row.value) : id
}

/** A row's value in words; an absent row says what stands there instead. */
export function showRow(model: BodyModel, id: RowId, value: Value | null): string {
  const parsed = parseRow(model, id)
  if (!parsed.ok) return String(value)
  const row = parsed.value
  switch (row.kind) {
    case 'bankKey':
      if (value === null) return 'as the plan'
      return lookup(model).functions.get(value as string)?.name ?? String(value)
    case 'grid':
    case 'bankGrid':
    case 'own':
      return value === null ? 'as delivered' : lineName(model, String(value))
    case 'key': {
      const fn = (value as string | null) ?? row.address.factory
      const name = fn === null ? 'nothing' : (lookup(model).functions.get(fn)?.name ?? fn)
      return value === null ? `${name} (as delivered)` : name
    }
    case 'base':
      if (value === null)
        return `${showValue(row.setting.domain, factoryValue(model, row.setting.id))} (as delivered)`
      return showValue(row.setting.domain, value)
    case 'bank':
    case 'position':
    case 'body':
      return value === null ? 'as base' : showValue(row.setting.domain, value)
    case 'share':
      return (value ?? row.setting.shared) === true ? 'shared' : 'apart'
    case 'hold':
      return value === null ? 'not ticked' : showValue(row.setting.domain, value)
    case 'bankFact':
      if (value === null) return row.fact === 'side' ? 'unused' : 'none'
      if (row.fact === 'registered' && Array.isArray(value)) return `${value.length} values`
      return Array.isArray(value)
        ? value.map((one) => lineName(model, String(one))).join(', ')
        : String(value)
    case 'lens':
      return value === true ? 'in the bag' : 'not used'
    case 'school':
      return row.dispute.schools.find((school) => school.id === value)?.name ?? 'undecided'
    case 'intent':
      if (value === null) return 'none'
      return row.wants.kind === 'key'
        ? (lookup(model).functions.get(String(value))?.name ?? String(value))
        : showValue(row.wants.setting.domain, value)
    case 'need':
      return Array.isArray(value) ? `${value.join(', ')} an outing` : 'none'
    case 'bodyRow':
      return value === null ? 'as the plan' : showRow(model, id.split('/').slice(2).join('/'), value)
    default:
      return value === null ? 'none' : String(value)
  }
}

function placeOf(row: Row): string {
  switch (row.kind) {
    case 'model':
      return 'Edition of the model'
    case 'title':
      return 'Title'
    case 'base':
      if (row.cell === null) return `Base, ${row.setting.label}`
      return `Base, ${row.setting.label}, ${row.cell === 'both' ? 'both sides' : row.cell}`
    case 'key':
      return placeOfKey(row.address)
    case 'bankKey':
      return `Bank ${row.slot.name}, ${placeOfKey(row.address)}`
    case 'grid':
      return `${row.grid.name}, cell ${row.cell}`
    case 'bankGrid':
      return `Bank ${row.slot.name}, ${row.grid.name}, cell ${row.cell}`
    case 'position':
      return `${row.position.name}, ${row.setting.label}`
    case 'own':
      return `Own menu, page ${row.page}, line ${row.line}`
    case 'ownName':
      return `Own menu, name of page ${row.page}`
    case 'bank':
      return `Bank ${row.slot.name}, ${row.setting.label}`
    case 'bankFact':
      return `Bank ${row.slot.name}, ${factWords[row.fact]}`
    case 'pair':
      return `${row.one.slot.name} with ${row.other.slot.name}`
    case 'share':
      return `Share list, ${row.setting.label}`
    case 'hold':
      return `Hold set ${row.set.name}, ${row.setting.label}`
    case 'holdName':
      return `Hold set ${row.set.name}, name`
    case 'lens':
      return `Lens ${row.lens}`
    case 'body':
      return `Body ${row.tag}, ${row.setting.label}`
    case 'bodyRow':
      return `Body ${row.tag}, ${placeOf(row.about)}`
    case 'school':
      return row.dispute.question
    case 'situation':
      return `Situation ${row.id}, ${row.fact}`
    case 'need':
      return `Need in ${row.situation}: ${termOf(row.what)}`
    case 'owner':
      if (row.fact === 'target') return 'Target coverage'
      if (row.fact === 'gridCounts') return 'Function menu in the finder counts'
      if (workFacts.some((one) => one === row.fact)) return workWords[row.fact] ?? row.fact
      return weightFacts.some((one) => one === row.fact)
        ? `Weight: ${row.fact}`
        : `Measured time: ${row.fact}`
    case 'intent': {
      const { wants, claimant } = row
      const place =
        wants.kind === 'key' ? placeOfKey(wants.address) : `Bank ${wants.slot.name}, ${wants.setting.label}`
      return `Wanted by ${claimant} for ${place}`
    }
    case 'accept':
      return `Accepted for ${placeOf(row.about)} (${row.check})`
    case 'forbid':
      return `Forbidden for ${placeOf(row.about)}: ${row.what}`
    case 'note':
      return `${noteWords[row.note]} ${placeOf(row.about)}`
  }
}

const workWords: Readonly<Record<string, string>> = {
  lampPulses: 'Pulses of the lamps a second',
  deliveryWidth: 'Width delivered',
  playedRate: 'Frames a second played',
}

const noteWords: Record<NoteName, string> = {
  why: 'Reason for',
  sure: 'Certainty of',
  source: 'Source of',
  priority: 'Priority of',
  decidedOn: 'Firmware decided on for',
  risk: 'Risk accepted for',
  picture: 'Picture for',
  lock: 'Lock on',
}

const factWords: Record<BankFact, string> = {
  side: 'side',
  name: 'name',
  purpose: 'purpose',
  startedFrom: 'started from',
  meant: 'meant to differ',
  onSite: 'changes on site',
  fallback: 'if it is the wrong one',
  registered: 'stored on the body',
}

function placeOfKey(address: Address): string {
  return `${address.control.name}, ${address.name}, ${address.side}`
}

function lineName(model: BodyModel, id: string): string {
  return id === emptyCell ? 'nothing' : itemName(model, id)
}
