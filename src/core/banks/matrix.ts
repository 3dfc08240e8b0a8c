import { baseValue } from '../plan/cells'
import { type RowId, noteRow, rowValue } from '../plan/rows'
import { menuOrder } from '../model/lookup'
import type { BodyModel, Setting, Side } from '../model/types'
import type { Plan } from '../plan/plan'
import { reportedStray } from '../plan/stray'
import { resolve } from '../resolve/resolve'
import type { Resolution, ResolvedSetting, StateIn } from '../resolve/resolved'
import { sameValue, type Value } from '../vocabulary/values'
import { rowIn, type Column } from './columns'
import { notStored } from './stored'

/**
 * How a value stands in a column: what base says; as base; meant to differ; left over from the slot it was started
 * from; differing though nobody meant it; kept from an earlier base; replaced by the body; refused by it; not held by
 * this column at all.
 */
export type CellState =
  'base' | 'inherits' | 'varied' | 'residue' | 'drift' | 'kept' | 'forced' | 'refused' | 'outside'

/** One setting in one column. */
export interface Cell {
  /** Where the column keeps it; null where it does not. */
  readonly row: RowId | null
  /** What the column says for itself; null where it inherits. */
  readonly own: Value | null
  /** What is in force there. */
  readonly value: Value | null
  readonly standing: CellState
  /** Why the body replaces or refuses it, or a reason for what it says. */
  readonly because: string | null
  /** Whether the slot on the body holds something else, as far as it was stored. */
  readonly toStore: boolean
}

/** One setting across the columns. */
export interface MatrixRow {
  readonly setting: Setting
  readonly cells: readonly Cell[]
  /** Whether any column differs from its base in it. */
  readonly varies: boolean
}

/** The columns with what each amounts to, and every setting that any of them holds, in the order of the menu. */
export interface Matrix {
  readonly columns: readonly Column[]
  readonly resolutions: readonly Resolution[]
  readonly rows: readonly MatrixRow[]
}

/** What decides light and movement: shown although no column varies it. */
const alwaysShown = ['movie.frameRate', 'exposure.shutter', 'exposure.aperture', 'exposure.iso']

/** Whether a row is shown where only what matters is: one that varies, or decides light and movement on a side shown. */
export function matters({ setting, varies }: MatrixRow, columns: readonly Column[]): boolean {
  const films = columns.some(({ side }) => side === 'motion')
  const always = setting.means !== null && alwaysShown.includes(setting.means)
  return varies || (always && (films || setting.means !== 'movie.frameRate'))
}

/** Every setting across the columns: linear in settings × columns after each column is resolved once. */
export function matrixOf(
  model: BodyModel,
  plan: Plan,
  columns: readonly Column[],
  stateIn: StateIn = (context) => resolve(model, plan, context),
): Matrix {
  const resolutions = columns.map(({ context }) => stateIn(context))
  const strays = columns.map((column) => strayIn(model, plan, column))
  const waiting = columns.map((column) =>
    column.kind === 'slot' ? new Set(notStored(model, plan, column.planned) ?? []) : new Set<string>(),
  )
  const inMenu = (setting: Setting) => menuOrder(model).get(setting.id) ?? Infinity
  const onlyBase = columns.every(({ kind }) => kind === 'base')
  const settings = model.settings
    .filter((setting) =>
      onlyBase
        ? setting.storedBy !== null
        : columns.some((column) => column.kind !== 'base' && rowIn(model, plan, column, setting) !== null),
    )
    .sort((one, two) => Math.sign(inMenu(one) - inMenu(two)) || 0)
  const rows = settings.map((setting): MatrixRow => {
    const cells = columns.map((column, i): Cell => {
      const resolved = resolutions[i]?.settings.get(setting.id)
      const cell = cellOf(model, plan, column, setting, resolved, strays[i])
      return { ...cell, toStore: waiting[i]?.has(setting.id) ?? false }
    })
    const varies = cells.some(({ standing }, i) => columns[i]?.kind !== 'base' && !asBase.has(standing))
    return { setting, cells, varies }
  })
  return { columns, resolutions, rows }
}

/** Where a column has what base has, or nothing to say. */
const asBase: ReadonlySet<CellState> = new Set(['inherits', 'outside'])

type StrayIn = { readonly residue: ReadonlySet<string>; readonly drift: ReadonlySet<string> } | null

function strayIn(model: BodyModel, plan: Plan, column: Column): StrayIn {
  if (column.kind !== 'slot') return null
  const { residue, drift } = reportedStray(model, plan, column.planned)
  return { residue: new Set(residue), drift: new Set(drift) }
}

function cellOf(
  model: BodyModel,
  plan: Plan,
  column: Column,
  setting: Setting,
  resolved: ResolvedSetting | undefined,
  stray: StrayIn | undefined,
): Omit<Cell, 'toStore'> {
  const row = rowIn(model, plan, column, setting)
  const own = row === null ? null : rowValue(plan.rows, row)
  const value = resolved?.value ?? null
  const last = resolved?.chain.at(-1)
  const rule = last?.layer === 'rule' || last?.layer === 'dial' ? last : undefined
  const refused = resolved?.remarks.find(
    ({ kind, truth }) => (kind === 'unavailable' || kind === 'skipped') && truth === 'yes',
  )
  const reason = row === null ? null : (rowValue(plan.rows, noteRow('why', row)) as string | null)
  const remark = resolved?.remarks.find(({ truth }) => truth === 'yes')
  const because = rule?.because ?? refused?.because ?? reason ?? remark?.because ?? null
  const base = { row, own, value, because }
  if (refused && (own !== null || column.kind === 'base')) return { ...base, standing: 'refused' }
  if (rule) return { ...base, standing: 'forced' }
  if (column.kind === 'base') return { ...base, standing: 'base' }
  if (row === null) return { ...base, standing: 'outside' }
  if (own === null || sameValue(own, baseValue(model, plan.rows, setting, column.side)))
    return { ...base, standing: 'inherits' }
  if (rowValue(plan.rows, noteRow('source', row)) === 'kept') return { ...base, standing: 'kept' }
  if (stray?.residue.has(setting.id)) return { ...base, standing: 'residue' }
  return { ...base, standing: stray?.drift.has(setting.id) ? 'drift' : 'varied' }
}

/** Settings a column does not hold and that show in what it makes: they have to be right when it is recalled. */
export function outsideOf(model: BodyModel, plan: Plan, column: Column): Setting[] {
  return model.settings.filter(
    (setting) => rowIn(model, plan, column, setting) === null && shows(setting, column.side),
  )
}

/** Whether a setting shows in the picture, the film or the hand: not the clock and the menus. */
function shows({ means, place }: Setting, side: Side): boolean {
  if (place === 'physical' || place === 'lens') return true
  return place !== 'local' && showing[side].some((group) => means?.startsWith(`${group}.`))
}

const showing: Readonly<Record<Side, readonly string[]>> = {
  stills: ['exposure', 'focus', 'shutter', 'stabiliser'],
  motion: ['exposure', 'focus', 'movie', 'audio', 'stabiliser'],
}
