import {
  type NoteName,
  type Row,
  type RowId,
  describeRow,
  idsOf,
  isHoldRow,
  isNoteRow,
  keyRow,
  lineRow,
  noteRow,
  notedRow,
  parseRow,
  showRow,
} from '../plan/rows'
import { lookup } from '../model/lookup'
import type { BodyModel, Side } from '../model/types'
import { emptyPlan, parsePlan, plannedSlots, type Plan } from '../plan/plan'
import { must } from '../result'
import type { Value } from '../vocabulary/values'
import { nearestKey, sameFunction } from './nearest-key'
import { sameSetting } from './values'
import { nameTarget, slotTarget, valueTarget, type Target, type Work } from './targets'

/** What became of one row of a plan on another model. */
export interface FitLine {
  /** Carried as it was; nearest, something about it changes; absent, it is lost. */
  readonly how: 'carried' | 'nearest' | 'absent'
  readonly row: RowId
  /** Place and value in words, as planned. */
  readonly was: string
  /** Row on the other model; null where it is absent. */
  readonly to: RowId | null
  readonly becomes: string | null
  readonly because: string
}

/** A plan as another model can have it, what became of every row, and what is free there. */
export interface Fit {
  readonly plan: Plan
  readonly lines: readonly FitLine[]
  /** Slots and hold sets of the other model that nothing came to, and its keys that stand as delivered, by name. */
  readonly free: {
    readonly slots: readonly string[]
    readonly holdSets: readonly string[]
    readonly keys: number
  }
}

/**
 * Maps a plan to another model by what settings and functions mean and by where keys are: never by label. Values the
 * other does not have go to the nearest; rows without a counterpart are absent, with the reason. The plan that comes
 * out is a plan of the other model, and sound. Deterministic.
 */
export function fit(model: BodyModel, plan: Plan, other: BodyModel): Fit {
  const work: Work = { model, plan, other, slots: slotsFor(model, plan, other), rows: {}, taken: new Set() }
  const order = idsOf(plan.rows).sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1))
  const moved = new Map<RowId, RowId>()
  const lines = order.flatMap((id): FitLine[] => {
    const line = fitRow(work, id, moved)
    if (!line) return []
    if (line.to !== null) moved.set(id, line.to)
    return [line]
  })
  const fitted = must(parsePlan(other, work.rows))
  return { plan: { ...emptyPlan(other), rows: fitted.rows }, lines, free: freeOn(work, other) }
}

/** Notes come after what they are about. */
function rank(row: RowId): number {
  return isNoteRow(row) ? 1 : 0
}

function fitRow(work: Work, id: RowId, moved: ReadonlyMap<RowId, RowId>): FitLine | null {
  const { model, other } = work
  const value = work.plan.rows[id]
  const parsed = parseRow(model, id)
  if (value === undefined || !parsed.ok) return null
  const was = `${describeRow(model, id)}: ${showRow(model, id, value)}`
  const found = target(work, parsed.value, id, value, moved)
  if ('absent' in found)
    return { how: 'absent', row: id, was, to: null, becomes: null, because: found.absent }
  work.rows[found.to] = found.value
  const becomes = `${describeRow(other, found.to)}: ${showRow(other, found.to, found.value)}`
  const how = found.changes === null ? 'carried' : 'nearest'
  return { how, row: id, was, to: found.to, becomes, because: found.changes ?? 'It means the same there.' }
}

function target(work: Work, row: Row, id: RowId, value: Value, moved: ReadonlyMap<RowId, RowId>): Target {
  switch (row.kind) {
    case 'model':
      return { absent: 'It is the model itself.' }
    case 'title':
    case 'purpose':
      return { to: id, value, changes: null }
    case 'key':
      return keyTarget(work, row, String(value))
    case 'base':
    case 'bank':
    case 'hold':
    case 'position':
    case 'body':
    case 'share':
      return valueTarget(work, row, value)
    case 'bankFact':
      return slotTarget(work, row, value)
    case 'grid':
    case 'own':
      return { absent: 'Menus have other cells there; they are filled anew.' }
    case 'note':
      return noteTarget(row.note, moved.get(notedRow(id, row.note) ?? id), value)
    case 'school':
    case 'need':
    case 'owner':
    case 'habit':
    case 'gear':
    case 'sheet':
      return { to: id, value, changes: null }
    case 'situation':
      if (row.fact === 'bank') return { absent: 'Which bank it is shot with is said anew there.' }
      return { to: id, value, changes: null }
    case 'accept':
      return { absent: 'The checks are asked anew there.' }
    case 'forbid':
      return { absent: 'What is forbidden there is said anew for other keys and menus.' }
    case 'pair':
      return { absent: 'Which slots go together is said anew there.' }
    case 'intent':
      return { absent: 'What is wanted there is said anew for other keys and slots.' }
    case 'bodyRow':
    case 'bodyFirmware':
    case 'bodyOn':
      return { absent: 'It belongs to one camera alone.' }
    case 'lens':
      return { absent: 'Lenses are chosen for each mount.' }
    case 'card':
      return { absent: 'Cards are chosen for each slot.' }
    case 'bankKey':
    case 'bankGrid':
    case 'bankOwn':
      return { absent: 'What slots keep of keys and menus is decided anew.' }
    case 'line':
      return lineTarget(work, row.line, value)
    case 'holdName':
    case 'ownName':
      return nameTarget(work, row, value)
  }
}

/** What is said of a setting goes to the one that means the same; acts and pages are looked at anew. */
function lineTarget({ model, other }: Work, line: string, value: Value): Target {
  const setting = lookup(model).settings.get(line)
  const there = setting && sameSetting(other, setting)
  if (!there) return { absent: 'The menu has other lines there; they are looked at anew.' }
  return { to: lineRow(there.id), value, changes: null }
}

function noteTarget(note: NoteName, about: RowId | undefined, value: Value): Target {
  if (about === undefined) return { absent: 'What it is about is absent there.' }
  if (note === 'decidedOn') return { absent: 'It was decided on the firmware of another model.' }
  if (note === 'picture') return { absent: 'It shows the screen of another model.' }
  return { to: noteRow(note, about), value, changes: null }
}

function keyTarget(work: Work, row: Extract<Row, { kind: 'key' }>, functionId: string): Target {
  const fn = lookup(work.model).functions.get(functionId)
  const there = fn && sameFunction(work.other, fn)
  if (!fn || !there) return { absent: `${work.other.name} has no function for ${fn?.name ?? functionId}.` }
  const key = nearestKey(work.other, row.address, there, work.taken)
  if (!key) return { absent: `No free control of ${work.other.name} takes ${there.name}.` }
  work.taken.add(key.address.key)
  const other = JSON.stringify(fn.parameters ?? {}) !== JSON.stringify(there.parameters ?? {})
  const said = other ? ' It says other words with it; look at what it does.' : ''
  return {
    to: keyRow(key.address),
    value: there.id,
    changes: key.alike && !other ? null : key.because + said,
  }
}

/** Used slots go to slots that can hold their side, in order: one for one. */
function slotsFor(model: BodyModel, plan: Plan, other: BodyModel): Work['slots'] {
  const free = other.families.flatMap((family) =>
    family.slots.map((slot) => ({ family: family.id, slot: slot.id, side: slot.side ?? null })),
  )
  const pairs = plannedSlots(model, plan).flatMap((slot) => {
    const fits = (side: Side | null) =>
      side === slot.side || (side === null && other.sides.includes(slot.side))
    const i = free.findIndex((one) => fits(one.side))
    const [taken] = i < 0 ? [] : free.splice(i, 1)
    return taken ? [[`${slot.family}/${slot.slot}`, taken] as const] : []
  })
  return new Map(pairs)
}

function freeOn(work: Work, other: BodyModel): Fit['free'] {
  const used = new Set([...work.slots.values()].map(({ family, slot }) => `${family}/${slot}`))
  const held = idsOf(work.rows)
  return {
    slots: other.families.flatMap((family) =>
      family.slots.filter((slot) => !used.has(`${family.id}/${slot.id}`)).map((slot) => slot.name),
    ),
    holdSets: other.holdSets
      .filter((set) => !held.some((row) => isHoldRow(row, set.id)))
      .map((set) => set.name),
    keys: lookup(other).addresses.size - work.taken.size,
  }
}
