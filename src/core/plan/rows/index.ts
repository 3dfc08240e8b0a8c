import { memoize } from '../../memoize'
import type { BodyModel, Setting } from '../../model/types'
import type { Result } from '../../result'
import type { Change, RowId, Step } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { aboutKinds, type AboutRow } from './about'
import { acceptKind, type AcceptRow } from './accept'
import type { Ranged } from './ranges'
import { hasHead } from './id'
import { forbidKind, type ForbidRow } from './forbid'
import { among, type Invalidated, type RowKind, type RowStation } from './kind'
import { notedRow, noteKind, type NoteRow } from './note'

/**
 * A plan is a flat set of rows; each has an id and one value. There is one module here for every kind of row: what its
 * ids are, what it takes, how it is said, what it makes to be reckoned anew, where it is shown. Nothing else takes an id
 * apart, or makes one.
 */
export type Row = AboutRow | AcceptRow | ForbidRow | NoteRow

/** Rows by id. */
export type Rows = Readonly<Record<RowId, Value>>

/** Rows written out by hand or read from outside, before `parsePlan` has looked at them. */
export type WrittenRows = Readonly<Record<string, Value>>

/** Every kind of row. */
export const rowKinds: readonly RowKind<Row>[] = [...aboutKinds, acceptKind, forbidKind, noteKind]
const any = among(rowKinds)

/** Takes a row id apart; refuses what this model does not have, naming the part. Rows that a model has are remembered. */
export function parseRow(model: BodyModel, id: string): Result<Row> {
  const known = parsedFor(model)
  const found = known.get(id)
  if (found) return found
  const parsed = any.parse(model, id)
  if (!parsed.ok) return parsed
  if (known.size >= mostRemembered) known.clear()
  known.set(id, parsed)
  return parsed
}

const parsedFor: (model: BodyModel) => Map<string, Result<Row>> = memoize(
  () => new Map<string, Result<Row>>(),
)
/** Several full plans of a model. */
const mostRemembered = 20_000

/** The id of a row taken apart: `rowIdOf(parseRow(x)) = x`. */
export function rowIdOf(row: Row): RowId {
  return any.id(row)
}

/** Accepts a value for a row, or says what the row takes. */
export function acceptValue(model: BodyModel, row: Row, value: unknown, id: string): Result<Value> {
  return any.accepts(model, row, value, id)
}

/** The setting that a row holds a value of, or says of what its value is shared by; null for other rows. */
export function settingOf(row: Row): Setting | null {
  if ('setting' in row) return row.setting
  return row.kind === 'bodyRow' ? row.about.setting : null
}

/** What has to be reckoned anew when a row changes; everything where this model does not have the row. */
export function invalidatedBy(model: BodyModel, id: RowId): Invalidated {
  const row = parseRow(model, id)
  return row.ok ? any.invalidates(row.value) : { what: 'everything' }
}

/** The station that shows a row; the first of the route where this model does not have it. */
export function stationOf(model: BodyModel, id: RowId): RowStation {
  const row = parseRow(model, id)
  return row.ok ? any.station(row.value) : 'foundation'
}

/** What a row rests on that not every firmware has; nothing where this model does not have the row. */
export function rangesOf(model: BodyModel, id: RowId, value: Value): readonly Ranged[] {
  const row = parseRow(model, id)
  return row.ok ? any.ranges(model, row.value, value) : []
}

/** A step in words: place, old → new, one phrase for each change; long steps are counted after the third. */
export function describeStep(model: BodyModel, step: Step): string {
  // The stamp beside a row that is set goes without saying.
  const set = new Set(step.changes.map(({ row }) => row))
  const told = step.changes.filter(({ row }) => {
    const about = notedRow(row, 'decidedOn')
    return about === null || !set.has(about)
  })
  const phrases = told.slice(0, 3).map((change) => describeChange(model, change))
  const more = told.length - phrases.length
  return more > 0 ? `${phrases.join('; ')}; and ${more} more` : phrases.join('; ')
}

/** One change in words, such as "Thumb focus key, press, stills: Start focus → Exposure lock". */
export function describeChange(model: BodyModel, { row, from, to }: Change): string {
  return `${describeRow(model, row)}: ${showRow(model, row, from)} → ${showRow(model, row, to)}`
}

/** A row's place in words; its id where this model does not have it. */
export function describeRow(model: BodyModel, id: RowId): string {
  const row = parseRow(model, id)
  return row.ok ? any.place(row.value) : id
}

/** A row's value in words; an absent row says what stands there instead. */
export function showRow(model: BodyModel, id: RowId, value: Value | null): string {
  const row = parseRow(model, id)
  return row.ok ? any.value(model, row.value, value) : String(value)
}

/** What a row holds now, or null. No name that every object has contains a stroke, so an id with one needs no asking. */
export function rowValue(rows: Rows, row: RowId): Value | null {
  const value = rows[row]
  if (value === undefined) return null
  return row.includes('/') || Object.hasOwn(rows, row) ? value : null
}

/** Whether a row belongs to a slot: a fact of it, a value, a key or a cell. */
export function isSlotRow(id: string): id is RowId {
  return hasHead(id, 'bank')
}

/** The ids of some rows. */
export function idsOf(rows: Rows): RowId[] {
  return Object.keys(rows) as RowId[]
}

/** Some rows as pairs of id and value. */
export function entriesOf<V>(rows: Readonly<Record<RowId, V>>): [RowId, V][] {
  return Object.entries(rows) as [RowId, V][]
}

export type { RowId } from '../../sync/step'
export type { Invalidated, RowStation } from './kind'
export type { BankFact } from './bank-fact'
export type { NoteName } from './note'
export type { OwnerFact } from './owner'
export type { GridCell } from './grid'
export type { SlotOf } from './slot'
export type { Wanted } from './intent'
export { rowStations, anywhere } from './kind'
export { acceptRow, isAcceptRow } from './accept'
export { bankRow, variedOf, variedRows } from './bank'
export { bankFactRow, bankFacts, rowsOfSlot } from './bank-fact'
export { bankGridRow } from './bank-grid'
export { bankOwnRow } from './bank-own'
export { bankKeyRow } from './bank-key'
export { isLensId } from './id'
export { baseCellRow, baseCells, baseCellOf, bothSides, typedCell } from './base'
export { bodyTagOf, isBodyRow, localRow } from './body'
export { bodyFirmwareRow } from './body-firmware'
export { bodyOnRow } from './body-on'
export { differenceRow, differsIn } from './body-row'
export { cardFacts, cardRow } from './card'
export { forbiddenAt, forbidRow, isForbidRow } from './forbid'
export { emptyCell, gridRow, isGridRow } from './grid'
export { gearRow } from './gear'
export { holdRow, isHoldRow, mayTick } from './hold'
export { holdNameRow } from './hold-name'
export { intentRow, wantedOf } from './intent'
export { addressKeyOf, isKeyRow, keyRow } from './key'
export { lensOf, lensRow } from './lens'
export { isLineRow, lineOf, lineRow, lineStandings, type LineStanding } from './line'
export { modelRow } from './model'
export { isNeedRow, needRow, needSituationOf } from './need'
export {
  certainties,
  certaintyWords,
  isNoteRow,
  notedRow,
  noteNames,
  noteRow,
  priorities,
  readStamp,
} from './note'
export { isOwnRow, ownRow } from './own'
export { ownNameRow } from './own-name'
export {
  accidentNames,
  fingerNames,
  freezeFacts,
  handFacts,
  ownerFacts,
  ownerRange,
  ownerRow,
  peakBands,
  weightFacts,
  workFacts,
} from './owner'
export { habitOf, habitRow } from './habit'
export { pairMarks, pairRow } from './pair'
export { isPositionRow, positionRow } from './position'
export { questionApart, schoolRow } from './school'
export { paperIds, sheetRow } from './sheet'
export type { SchoolScope } from './school'
export { shareRow } from './share'
export { situationFacts, situationOf, situationRow } from './situation'
export { purposeRow } from './purpose'
export { titleRow } from './title'
