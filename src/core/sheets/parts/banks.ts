import { columnsOf, type Column } from '../../banks/columns'
import { figuresOf } from '../../banks/figures'
import { keepingOf } from '../../banks/keeping'
import { matrixOf, type Matrix } from '../../banks/matrix'
import {
  asBase,
  matters,
  type Cell as MatrixCell,
  type CellState,
  type MatrixRow,
} from '../../banks/matrix-rows'
import { showValue } from '../../model/domain'
import type { Plan, PlannedSlot } from '../../plan/plan'
import { bankFactRow, rowValue } from '../../plan/rows'
import { tableUnder, wordsUnder } from '../blocks'
import { addressOf, sideWords, type Given } from '../given'
import type { Block, Cell, Line } from '../types'

/** A column of the matrix with its place among all of them. */
interface Shown {
  readonly column: Column
  readonly i: number
}

/** Every bank beside base: what is in force in each, in the order of the menu; figures below. */
export function bankTablePart(given: Given, whole = true): Block[] {
  const { model, plan, lenses, stateIn } = given
  const all = matrixOf(model, plan, columnsOf(model, plan, lenses), stateIn)
  return model.sides.flatMap((side): Block[] => {
    const shown = all.columns.flatMap((column, i): Shown[] => (column.side === side ? [{ column, i }] : []))
    const columns = shown.map(({ column }) => column)
    const rows = all.rows.filter((row) =>
      whole
        ? shown.some(({ i }) => row.cells[i]?.row !== null)
        : isVaried(row, shown) || matters(row, columns),
    )
    const name = `Banks, ${sideWords[side].toLowerCase()}`
    const table = tableUnder(
      'banks',
      name,
      ['Setting', ...(whole ? ['Menu'] : []), ...columns.map((column) => column.name)],
      rows.map((row): Line => ({
        isQuiet: !isVaried(row, shown),
        cells: [
          { text: row.setting.label },
          ...(whole ? [{ text: addressOf(model, row.setting.id) }] : []),
          ...shown.map(({ i }) => bankCell(row, row.cells[i])),
        ],
      })),
    )
    return [
      ...table,
      ...purposes(given, columns),
      ...figureTable(given, all, shown, name),
      ...outsideWords(all, shown),
    ]
  })
}

function isVaried(row: MatrixRow, shown: readonly Shown[]): boolean {
  return shown.some(({ i }) => {
    const standing = row.cells[i]?.standing
    return standing !== undefined && standing !== 'base' && !asBase.has(standing)
  })
}

const strays: ReadonlySet<string> = new Set<CellState>(['residue', 'drift', 'refused'])

function bankCell({ setting }: MatrixRow, cell: MatrixCell | undefined): Cell {
  if (!cell) return { text: '' }
  const { value, row, standing } = cell
  const text = value === null ? '–' : showValue(setting.domain, value)
  return {
    text: standing === 'forced' ? `${text} (replaced)` : text,
    ...(row === null ? {} : { row }),
    ...(value === null ? {} : { value }),
    isStrong: !asBase.has(standing) && standing !== 'base',
    ...(strays.has(standing) ? { mark: 'problem' as const } : {}),
  }
}

function purposes({ plan }: Given, columns: readonly Column[]): Block[] {
  const lines = columns.flatMap((column) => {
    if (column.kind !== 'slot') return []
    const { planned } = column
    const fallback = fallbackOf(plan, planned)
    return [
      `${planned.name} (${column.slot.name}): ${planned.purpose ?? 'no purpose is said.'}${fallback === '' ? '' : ` If it is the wrong one: ${fallback}`}`,
    ]
  })
  return lines.length === 0 ? [] : [{ part: 'banks', kind: 'words', lines }]
}

/** What its owner does where a bank is the wrong one; empty where that is not said. */
export function fallbackOf({ rows }: Plan, { family, slot }: Pick<PlannedSlot, 'family' | 'slot'>): string {
  return String(rowValue(rows, bankFactRow(family, slot, 'fallback')) ?? '')
}

/** What each column comes to in numbers: shutter, light against base, lamps, slow motion, burst. */
function figureTable({ model, plan }: Given, all: Matrix, shown: readonly Shown[], name: string): Block[] {
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

function outsideWords(all: Matrix, shown: readonly Shown[]): Block[] {
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
        : `${family.name}: changes made in the field are gone once the bank is left or the camera is off. What stands here comes back by itself.`
    const name = `${family.name}: ${now === 'live' ? 'live' : 'snapshot'}`
    return [
      ...wordsUnder('restore', name, [how, ...(test === null ? [] : [`Test on body: ${test}`])]),
      ...(lines.length === 0
        ? []
        : [
            {
              ...{ part: 'restore', kind: 'table' as const, name: `Restore ${family.name}` },
              columns: ['Bank', 'Setting', 'As planned', 'Menu'],
              lines,
            },
          ]),
    ]
  })
}

/** Remembered positions of the dial: no bank restores them. */
export function rememberedPart({ model, plan, lenses, stateIn }: Given): Block[] {
  const all = columnsOf(model, plan, lenses).filter(({ kind }) => kind === 'position')
  const { rows, columns } = matrixOf(model, plan, all, stateIn)
  const lines = columns.flatMap((column, i) =>
    rows.flatMap((row): Line[] => {
      const cell = row.cells[i]
      if (!cell || cell.own === null) return []
      return [{ cells: [{ text: column.name }, { text: row.setting.label }, bankCell(row, cell)] }]
    }),
  )
  return tableUnder(
    'remembered',
    'Remembered positions: no bank brings them back',
    ['Position', 'Setting', 'Value'],
    lines,
  )
}
