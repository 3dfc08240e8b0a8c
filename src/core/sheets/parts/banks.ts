import { columnsOf, type Column } from '../../banks/columns'
import { figuresOf } from '../../banks/figures'
import { keepingOf } from '../../banks/keeping'
import { matrixOf, type Matrix } from '../../banks/matrix'
import { matters, type Cell as MatrixCell, type MatrixRow } from '../../banks/matrix-rows'
import { lookup } from '../../model/lookup'
import { showValue } from '../../model/domain'
import type { PlannedSlot } from '../../plan/plan'
import { bankFactRow, rowValue } from '../../plan/rows'
import { addressOf, sideWords, type Given } from '../given'
import type { Block, Cell, Line } from '../types'

/** The matrix of a plan, with the columns of one side at a time. */
function matrix({ model, plan, lenses, stateIn }: Given): Matrix {
  return matrixOf(model, plan, columnsOf(model, plan, lenses), stateIn)
}

/** Every bank beside base: what is in force in each, in the order of the menu; figures below. */
export function bankTablePart(given: Given, whole = true): Block[] {
  const { model } = given
  const all = matrix(given)
  return model.sides.flatMap((side): Block[] => {
    const shown = all.columns.flatMap((column, i) => (column.side === side ? [{ column, i }] : []))
    if (shown.length === 0) return []
    const rows = all.rows.filter((row) =>
      whole
        ? shown.some(({ i }) => row.cells[i]?.row !== null)
        : isVaried(
            row,
            shown.map(({ i }) => i),
          ) ||
          matters(
            row,
            shown.map(({ column }) => column),
          ),
    )
    const name = `Banks, ${sideWords(side).toLowerCase()}`
    return [
      { part: 'banks', kind: 'heading', text: name },
      ...purposes(
        given,
        shown.map(({ column }) => column),
      ),
      {
        part: 'banks',
        kind: 'table',
        name,
        columns: ['Setting', ...(whole ? ['Menu'] : []), ...shown.map(({ column }) => column.name)],
        lines: rows.map((row): Line => {
          const varies = isVaried(
            row,
            shown.map(({ i }) => i),
          )
          return {
            isQuiet: !varies,
            cells: [
              { text: row.setting.label },
              ...(whole ? [{ text: addressOf(model, row.setting.id) }] : []),
              ...shown.map(({ i }) => bankCell(row, row.cells[i])),
            ],
          }
        }),
      },
      ...figureTable(given, all, shown, name),
      ...outsideWords(all, shown),
    ]
  })
}

function isVaried(row: MatrixRow, columns: readonly number[]): boolean {
  return columns.some((i) => {
    const standing = row.cells[i]?.standing
    return standing !== undefined && standing !== 'base' && standing !== 'inherits' && standing !== 'outside'
  })
}

function bankCell({ setting }: MatrixRow, cell: MatrixCell | undefined): Cell {
  if (!cell) return { text: '' }
  const text = cell.value === null ? '–' : showValue(setting.domain, cell.value)
  const isOwn = cell.standing !== 'inherits' && cell.standing !== 'outside' && cell.standing !== 'base'
  const mark =
    cell.standing === 'residue' || cell.standing === 'drift' || cell.standing === 'refused'
      ? ('problem' as const)
      : isOwn
        ? ('differs' as const)
        : undefined
  return {
    text: cell.standing === 'forced' ? `${text} (replaced)` : text,
    ...(cell.row === null ? {} : { row: cell.row }),
    ...(cell.value === null ? {} : { value: cell.value }),
    ...(isOwn ? { isStrong: true } : {}),
    ...(mark === undefined ? {} : { mark }),
  }
}

function purposes({ model, plan }: Given, columns: readonly Column[]): Block[] {
  const lines = columns.flatMap((column) => {
    if (column.kind !== 'slot') return []
    const { planned } = column
    const fallback = fallbackOf(model, plan, planned)
    return [
      `${planned.name} (${column.slot.name}): ${planned.purpose ?? 'no purpose is said.'}${fallback === null ? '' : ` If it fails: ${fallback}.`}`,
    ]
  })
  return lines.length === 0 ? [] : [{ part: 'banks', kind: 'words', lines }]
}

/** The key that does the same where a bank is not at hand; null where none is named. */
export function fallbackOf(
  model: Given['model'],
  plan: Given['plan'],
  slot: Pick<PlannedSlot, 'family' | 'slot'>,
): string | null {
  const value = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'fallback'))
  if (typeof value !== 'string') return null
  const address = lookup(model).addresses.get(value)
  return address ? `${address.control.name}, ${address.name}` : value
}

/** What each column comes to in numbers: shutter, light against base, lamps, slow motion, burst. */
function figureTable(
  { model, plan }: Given,
  all: Matrix,
  shown: readonly { readonly column: Column; readonly i: number }[],
  name: string,
): Block[] {
  const lines = shown.flatMap(({ column, i }): Line[] => {
    const base = all.columns.findIndex((one) => one.kind === 'base' && one.side === column.side)
    const [here, there] = [all.resolutions[i], all.resolutions[base]]
    if (!here || !there) return []
    return figuresOf(model, plan, column, here, there).map(({ what, value, words, fits }) => ({
      cells: [
        { text: column.name },
        { text: what },
        { text: value, isStrong: true, ...(fits ? {} : { mark: 'problem' as const }) },
        { text: words },
      ],
    }))
  })
  if (lines.length === 0) return []
  const columns = ['Bank', 'Figure', 'Comes to', 'Which means']
  return [{ part: 'figures', kind: 'table', name: `${name}: figures`, columns, lines }]
}

function outsideWords(
  all: Matrix,
  shown: readonly { readonly column: Column; readonly i: number }[],
): Block[] {
  const lines = shown.flatMap(({ column, i }) => {
    const outside = (all.outside[i] ?? []).filter(({ place }) => place === 'physical' || place === 'lens')
    if (column.kind === 'base' || outside.length === 0) return []
    const names = outside.map(({ label }) => label)
    return [`${column.name} does not hold ${names.join(', ')}: set by hand.`]
  })
  return lines.length === 0
    ? []
    : [{ part: 'banks', kind: 'words', lines: [...new Set(lines)], isQuiet: true }]
}

/** What each bank does in the morning: what nothing restores, and what to set again. */
export function restorePart({ model, plan }: Given): Block[] {
  return keepingOf(model, plan).flatMap(({ family, now, test, slots }): Block[] => {
    const lines = slots.flatMap(({ slot, restore }) =>
      restore.map(({ setting, planned, where }): Line => ({
        cells: [
          { text: slot.name },
          { text: setting.label },
          { text: planned, isStrong: true },
          { text: where },
        ],
      })),
    )
    if (slots.length === 0) return []
    const how =
      now === 'live'
        ? `${family.name}: every change made in the field stays. Set these again before the work.`
        : `${family.name}: changes made in the field are gone once the bank is left. What stands here comes back by itself.`
    return [
      { part: 'restore', kind: 'heading', text: `${family.name}: ${now === 'live' ? 'live' : 'snapshot'}` },
      { part: 'restore', kind: 'words', lines: [how, ...(test === null ? [] : [`Test on body: ${test}`])] },
      {
        part: 'restore',
        kind: 'table',
        name: `Restore ${family.name}`,
        columns: ['Bank', 'Setting', 'As planned', 'Menu'],
        lines,
      },
    ]
  })
}

/** Remembered positions of the dial: nothing restores them. */
export function rememberedPart(given: Given): Block[] {
  const { model, plan, lenses } = given
  const all = columnsOf(model, plan, lenses).filter(({ kind }) => kind === 'position')
  if (all.length === 0) return []
  const { rows, columns } = matrixOf(model, plan, all, given.stateIn)
  const lines = columns.flatMap((column, i) =>
    rows.flatMap(({ setting, cells }): Line[] => {
      const cell = cells[i]
      if (!cell || cell.own === null) return []
      return [
        {
          cells: [
            { text: column.name },
            { text: setting.label },
            bankCell({ setting, cells, varies: true }, cell),
          ],
        },
      ]
    }),
  )
  return [
    { part: 'remembered', kind: 'heading', text: 'Remembered positions' },
    {
      part: 'remembered',
      kind: 'words',
      lines: ['No bank holds them and no file brings them back one by one: what is changed there stays.'],
    },
    {
      part: 'remembered',
      kind: 'table',
      name: 'Remembered',
      columns: ['Position', 'Setting', 'Value'],
      lines,
    },
  ]
}
