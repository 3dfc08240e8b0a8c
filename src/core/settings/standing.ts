import { memoize } from '../memoize'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting, SetUpPage } from '../model/types'
import { baseRows } from '../plan/cells'
import type { Plan } from '../plan/plan'
import { setUpPageOf } from '../plan/set-up-pages'
import {
  idsOf,
  lineRow,
  noteRow,
  parseRow,
  rowValue,
  settingOf,
  type NoteName,
  type RowId,
  type Rows,
} from '../plan/rows'
import { sameValue, type Value } from '../vocabulary/values'
import { settingLines } from './lines'

/**
 * Where a line stands: a value is planned that differs from delivered; left as delivered on purpose (or planned the same
 * as delivered); not in the owner's work; not looked at.
 */
export const lineStates = ['changed', 'left', 'not-mine', 'open'] as const

/** One of `lineStates`. */
export type LineState = (typeof lineStates)[number]

/** The states in a photographer's words. */
export const stateWords: Readonly<Record<LineState, string>> = {
  changed: 'changed',
  left: 'left on purpose',
  'not-mine': 'not in my work',
  open: 'not looked at',
}

/** A base cell of a setting with what is planned in it; null where it is left as delivered. */
export interface PlannedCell {
  readonly row: RowId
  readonly value: Value | null
}

/** What a plan says of a line. */
export interface Standing {
  readonly state: LineState
  /** The base cells of a setting; none for acts and set-up pages, and for what is set by hand. */
  readonly cells: readonly PlannedCell[]
  /** Rows that hold a value of it besides base: banks, positions of the mode dial, hold sets, single bodies. */
  readonly elsewhere: readonly RowId[]
  /** For a line that opens a set-up page: how many rows are planned there. */
  readonly setUp: number
  /** The rows its notes stand beside: those planned, else what is said of the line. */
  readonly noted: readonly [RowId, ...RowId[]]
  readonly notes: Readonly<Partial<Record<NoteName, string>>>
}

/** Where every line of the menu stands, by id; linear in the rows of the plan and the lines of the menu. */
export const standingsOf: (model: BodyModel, plan: Plan) => ReadonlyMap<string, Standing> = (model, plan) =>
  byRows(model)(plan.rows)

const byRows = memoize((model: BodyModel) =>
  memoize((rows: Rows): ReadonlyMap<string, Standing> => {
    const { settings } = lookup(model)
    const { bySetting, setUp } = sorted(model, rows)
    return new Map(
      settingLines(model).map((line) => {
        const setting = settings.get(line.id)
        const own = bySetting.get(line.id) ?? []
        const counted = line.opens === null ? 0 : setUp[line.opens]
        return [line.id, standingOf(model, rows, line.id, setting, own, counted)]
      }),
    )
  }),
)

function standingOf(
  model: BodyModel,
  rows: Rows,
  id: string,
  setting: Setting | undefined,
  own: readonly RowId[],
  setUp: number,
): Standing {
  const cells =
    setting && setting.place !== 'physical'
      ? baseRows(model, rows, setting).map((row) => ({ row, value: rowValue(rows, row) }))
      : []
  const inBase = new Set(cells.map(({ row }) => row))
  const elsewhere = own.filter((row) => !inBase.has(row))
  const planned = cells.flatMap(({ row, value }) => (value === null ? [] : [row]))
  const differs = cells.some(({ value }) => value !== null && !sameValue(value, setting?.factory))
  const said = rowValue(rows, lineRow(id))
  const state: LineState =
    differs || elsewhere.length > 0 || setUp > 0
      ? 'changed'
      : said === 'not-mine'
        ? 'not-mine'
        : said === 'left' || planned.length > 0
          ? 'left'
          : 'open'
  const [first, ...rest] = planned
  const noted: Standing['noted'] = first === undefined ? [lineRow(id)] : [first, ...rest]
  return { state, cells, elsewhere, setUp, noted, notes: notesOf(rows, [...noted, lineRow(id)]) }
}

/** Every note of a line: the first that stands beside one of its rows. */
function notesOf(rows: Rows, noted: readonly RowId[]): Standing['notes'] {
  const notes: Partial<Record<NoteName, string>> = {}
  for (const name of ['why', 'who', 'sure', 'source', 'priority', 'decidedOn', 'risk'] as const) {
    for (const row of noted) {
      const value = rowValue(rows, noteRow(name, row))
      if (value === null || notes[name] !== undefined) continue
      notes[name] = String(value)
    }
  }
  return notes
}

/** The rows that hold a value of a setting, by setting, and how many are planned on each set-up page. */
function sorted(model: BodyModel, rows: Rows) {
  const bySetting = new Map<string, RowId[]>()
  const setUp: Record<SetUpPage, number> = { keys: 0, grids: 0, ownMenu: 0, holdSets: 0 }
  for (const id of idsOf(rows)) {
    const parsed = parseRow(model, id)
    if (!parsed.ok) continue
    const page = setUpPageOf[parsed.value.kind]
    if (page) setUp[page]++
    const setting = parsed.value.kind === 'share' ? undefined : settingOf(parsed.value)?.id
    if (setting === undefined) continue
    const list = bySetting.get(setting)
    if (list) list.push(id)
    else bySetting.set(setting, [id])
  }
  return { bySetting, setUp }
}
