import { baseValue, narrowedBy } from '../plan/cells'
import { noteRow, rowValue } from '../plan/rows'
import { showValue } from '../model/domain'
import { menuOrder } from '../model/lookup'
import type { BodyModel, Setting, Side } from '../model/types'
import { leastWidth } from '../model/widths'
import type { Plan } from '../plan/plan'
import { reportedStray } from '../plan/stray'
import { resolve } from '../resolve/resolve'
import type { Resolution, ResolvedSetting, StateIn } from '../resolve/resolved'
import { sameValue } from '../vocabulary/values'
import { rowIn, type Column } from './columns'
import { asBase, type Cell, type MatrixRow } from './matrix-rows'
import { notStored } from './stored'

/** The columns with what each amounts to, and every setting that any of them holds, in the order of the menu. */
export interface Matrix {
  readonly columns: readonly Column[]
  readonly resolutions: readonly Resolution[]
  readonly rows: readonly MatrixRow[]
  /** By column, what it does not hold and that shows in what it makes; nothing for base. */
  readonly outside: readonly (readonly Setting[])[]
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
  const outside = columns.map((column) => (column.kind === 'base' ? [] : outsideOf(model, plan, column)))
  return { columns, resolutions, rows, outside }
}

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
  const decides = last?.layer === 'rule' || last?.layer === 'dial'
  // What is fixed at the value it has anyway is not replaced.
  const rule = decides && !sameValue(resolved?.chain.at(-2)?.value, last.value) ? last : undefined
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
  const widener = column.kind === 'slot' ? narrowedBy(model, plan.rows, setting, column.side) : null
  if (widener && own !== null)
    return {
      ...base,
      because: `Stored only with ${widener.label}: ${showValue(widener.domain, leastWidth(setting))}.`,
      standing: 'outside',
    }
  if (own === null || sameValue(own, baseValue(model, plan.rows, setting, column.side)))
    return { ...base, standing: 'inherits' }
  if (rowValue(plan.rows, noteRow('source', row)) === 'kept') return { ...base, standing: 'kept' }
  if (stray?.residue.has(setting.id)) return { ...base, standing: 'residue' }
  return { ...base, standing: stray?.drift.has(setting.id) ? 'drift' : 'varied' }
}

/** Settings a column does not hold and that show in what it makes: they have to be right when it is recalled. */
function outsideOf(model: BodyModel, plan: Plan, column: Column): Setting[] {
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
