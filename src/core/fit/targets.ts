import {
  type Row,
  type RowId,
  bankFactRow,
  bankRow,
  baseCellRow,
  holdNameRow,
  holdRow,
  parseRow,
  positionRow,
  shareRow,
} from '../plan/rows'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { parsePlan, type Plan } from '../plan/plan'
import type { Value } from '../vocabulary/values'
import { fitValue, sameSetting } from './values'

/** What is being fitted to what, and what has found a place already. */
export interface Work {
  readonly model: BodyModel
  readonly plan: Plan
  readonly other: BodyModel
  /** `family/slot` here → the slot there. */
  readonly slots: ReadonlyMap<string, { readonly family: string; readonly slot: string }>
  readonly rows: Record<RowId, Value>
  readonly taken: Set<string>
}

/** Where a row goes on the other model, what changes (null where nothing does), or why it is absent. */
export type Target =
  { readonly to: RowId; readonly value: Value; readonly changes: string | null } | { readonly absent: string }

type Valued = Extract<Row, { kind: 'base' | 'bank' | 'hold' | 'position' | 'body' | 'share' }>

/** The place and value of a row with a value. */
export function valueTarget(work: Work, row: Valued, value: Value): Target {
  const { model, other } = work
  const there = sameSetting(other, row.setting)
  if (!there) return { absent: `${other.name} has no setting for ${row.setting.label}.` }
  const place = placeThere(work, row, there.id)
  if ('absent' in place) return place
  if (row.kind === 'share') return { to: place.to, value, changes: null }
  const fitted = fitValue(model, row.setting, there, value)
  if (fitted.how === 'none') return { absent: fitted.because }
  const changes = [place.changes, fitted.how === 'nearest' ? fitted.because : null].filter(
    (one) => one !== null,
  )
  const taken = Object.hasOwn(work.rows, place.to)
  if (taken) return { absent: `${there.label} has one cell there, and it is filled already.` }
  const sound = parsePlan(other, { [place.to]: fitted.value })
  if (!sound.ok) return { absent: sound.refusal.message }
  return { to: place.to, value: fitted.value, changes: changes.length === 0 ? null : changes.join(' ') }
}

/** The row of the same place on the other model; cells that it does not have fall together into one. */
function placeThere(
  work: Work,
  row: Valued,
  setting: string,
): { to: RowId; changes: string | null } | { absent: string } {
  const { other } = work
  const there = lookup(other).settings.get(setting)
  if (!there) return { absent: 'It has no counterpart.' }
  switch (row.kind) {
    case 'base': {
      const cells = [row.cell, 'stills', 'motion', 'level', 'typed'].flatMap((cell) =>
        cell === null ? [] : [baseCellRow(setting, cell)],
      )
      const all = [...(row.cell === null ? [] : cells.slice(0, 1)), baseCellRow(setting, null), ...cells]
      const to = all.find((candidate) => parseRow(other, candidate).ok)
      if (to === undefined) return { absent: `${there.label} is set by hand there, or has no cell for it.` }
      const alike = to === baseCellRow(setting, row.cell)
      return { to, changes: alike ? null : 'It lives in another place there.' }
    }
    case 'bank': {
      const slot = work.slots.get(`${row.family.id}/${row.slot.id}`)
      if (slot === undefined) return { absent: `${other.name} has no slot left for ${row.slot.name}.` }
      if (there.storedBy !== slot.family)
        return { absent: `${there.label} is not kept by the slots of ${other.name}; set it outside.` }
      return { to: bankRow(slot.family, slot.slot, setting), changes: null }
    }
    case 'hold': {
      const i = work.model.holdSets.findIndex((set) => set.id === row.set.id)
      const set = other.holdSets[i]
      return set
        ? { to: holdRow(set.id, setting), changes: null }
        : { absent: `${other.name} has ${other.holdSets.length} hold sets.` }
    }
    case 'position': {
      const position = other.positions.find((one) => one.keeps.includes(setting))
      return position
        ? { to: positionRow(position.id, setting), changes: null }
        : { absent: `No position of ${other.name} keeps it for itself.` }
    }
    case 'body':
      return { absent: 'It belongs to one camera alone.' }
    case 'share':
      return there.shared === undefined
        ? { absent: `${other.name} does not let stills and motion share it.` }
        : { to: shareRow({ id: setting }), changes: null }
  }
}

type BankFactRow = Extract<Row, { kind: 'bankFact' }>

/** What a slot is, on the slot that took its place. */
export function slotTarget(work: Work, row: BankFactRow, value: Value): Target {
  const slot = work.slots.get(`${row.family.id}/${row.slot.id}`)
  if (slot === undefined) return { absent: `${work.other.name} has no slot left for ${row.slot.name}.` }
  const to = bankFactRow(slot.family, slot.slot, row.fact)
  if (row.fact === 'startedFrom') return startTarget(work, row, slot.family, to, value)
  if (row.fact === 'registered') return { absent: 'Nothing is stored on that body yet.' }
  if (row.fact === 'meant' || row.fact === 'onSite') return listTarget(work, row, slot.family, to, value)
  const longest = work.other.families.find((family) => family.id === slot.family)?.nameLength ?? 0
  if (row.fact !== 'name' || String(value).length <= longest) return { to, value, changes: null }
  const short = cut(String(value), longest)
  return { to, value: short, changes: `Names have at most ${longest} characters there.` }
}

function startTarget(work: Work, row: BankFactRow, family: string, to: RowId, value: Value): Target {
  if (value === 'base') return { to, value, changes: null }
  const source = work.slots.get(`${row.family.id}/${String(value)}`)
  return source?.family === family
    ? { to, value: source.slot, changes: null }
    : { absent: 'The slot it was started from is in no slot of the same family there.' }
}

/** Settings of a list that the slot there keeps too, in the order of its model. */
function listTarget(work: Work, row: BankFactRow, family: string, to: RowId, value: Value): Target {
  const asked = Array.isArray(value) ? (value as readonly string[]) : []
  const there = asked.flatMap((id) => {
    const setting = lookup(work.model).settings.get(id)
    const same = setting && sameSetting(work.other, setting)
    return same && same.storedBy === family ? [same.id] : []
  })
  if (there.length === 0) return { absent: `${work.other.name} keeps none of these in a slot.` }
  const ordered = work.other.settings.map((one) => one.id).filter((id) => there.includes(id))
  const changes =
    ordered.length === asked.length ? null : `${ordered.length} of ${asked.length} are kept by slots there.`
  return { to, value: ordered, changes }
}

/** The name of a hold set, cut to fit. */
export function nameTarget(
  work: Work,
  row: Extract<Row, { kind: 'holdName' | 'ownName' }>,
  value: Value,
): Target {
  if (row.kind === 'ownName') return { absent: 'The own menu is put together anew there.' }
  const set = work.other.holdSets[work.model.holdSets.findIndex((one) => one.id === row.set.id)]
  if (!set) return { absent: `${work.other.name} has ${work.other.holdSets.length} hold sets.` }
  const short = cut(String(value), set.nameLength)
  return {
    to: holdNameRow(set.id),
    value: short,
    changes: short === value ? null : 'The name is cut to fit.',
  }
}

/** A name as long as fits, without the space it may then end in. */
function cut(name: string, longest: number): string {
  if (name.length <= longest) return name
  const short = name.slice(0, longest)
  return short.trim() === '' ? short : short.trim()
}
