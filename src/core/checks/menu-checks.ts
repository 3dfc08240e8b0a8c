import { cellValue, gridCells, ownLines } from '../plan/cells'
import { type RowId, emptyCell, idsOf, isGridRow, rowValue } from '../plan/rows'
import { keyName } from '../model/controls'
import { itemName, lookup } from '../model/lookup'
import type { Grid } from '../model/types'
import type { Plan } from '../plan/plan'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'
import { keysIn } from './meaning'

/** What is wrong with the function menus and the own menu. */
export const menuChecks: readonly Check[] = [
  {
    id: 'cell-twice',
    title: 'One setting in two cells of a function menu',
    severity: 'tidies',
    many: 'places hold what another has already',
    needs: ['J27'],
    reasonSilences: true,
    run: (input) =>
      cells(input).flatMap(({ grid, row, setting }, i, all): CheckResult[] => {
        const twin = all.slice(0, i).some((one) => one.grid === grid && one.setting === setting)
        if (!twin || !planned(input.plan, grid)) return []
        return [
          {
            title: `${itemName(input.model, setting)} stands twice in ${grid.name}`,
            reason: 'The cell could hold something else.',
            row,
            mends: [quickFix(input.plan, 'Empty this cell', 'cell-twice', { [row]: emptyCell })],
          },
        ]
      }),
  },
  {
    id: 'cell-spent',
    title: 'A cell spent on what a key does already',
    severity: 'tidies',
    many: 'function menu cells are spent on what a key does',
    needs: ['J2', 'J27'],
    school: { dispute: 'function-menu-use', only: ['main', 'none'] },
    reasonSilences: true,
    run: (input) => {
      const [one] = input.states
      const keys = one ? keysIn(input.model, one.resolution) : []
      return cells(input).flatMap(({ grid, row, setting }): CheckResult[] => {
        const key = keys.find(
          ({ fn, resolved }) => fn.changes.includes(setting) && resolved.verdict === 'works',
        )
        if (!key || !Object.hasOwn(input.plan.rows, row)) return []
        return [
          {
            title: `${itemName(input.model, setting)} is on ${keyName(key)} and in ${grid.name}`,
            reason: 'The cell is a second way to it. Say why you want both, or free the cell.',
            row,
            mends: [quickFix(input.plan, 'Empty this cell', 'cell-spent', { [row]: emptyCell })],
          },
        ]
      })
    },
  },
  {
    id: 'grid-unopened',
    title: 'A function menu that no key opens',
    severity: 'problem',
    needs: ['J27'],
    reasonSilences: true,
    run: (input) => {
      const [one] = input.states
      const keys = one ? keysIn(input.model, one.resolution) : []
      return input.model.grids.flatMap((grid): CheckResult[] => {
        const opened = keys.some(({ resolved }) => resolved.effectiveFunctionId === grid.openedBy)
        const row = cells(input).find(
          (cell) => cell.grid === grid && Object.hasOwn(input.plan.rows, cell.row),
        )?.row
        if (grid.side !== input.side || opened || row === undefined) return []
        const opener = lookup(input.model).functions.get(grid.openedBy)?.name ?? grid.openedBy
        return [
          {
            title: `No key opens ${grid.name}`,
            reason: `The plan fills its cells, but ${opener} is on no key of ${input.side}.`,
            row,
          },
        ]
      })
    },
  },
  {
    id: 'line-twice',
    title: 'One line twice in the own menu',
    severity: 'tidies',
    once: true,
    needs: ['J27'],
    reasonSilences: true,
    run: (input) =>
      lines(input).flatMap(({ row, id }, i, all): CheckResult[] => {
        if (!all.slice(0, i).some((one) => one.id === id)) return []
        return [
          {
            title: `${itemName(input.model, id)} stands twice in the own menu`,
            reason: 'The line could hold something else.',
            row,
            mends: [quickFix(input.plan, 'Take this line out', 'line-twice', { [row]: null })],
          },
        ]
      }),
  },
  {
    id: 'two-tiers',
    title: 'One setting in the function menu and in the own menu',
    severity: 'tidies',
    once: true,
    needs: ['J2', 'J27'],
    reasonSilences: true,
    run: (input) =>
      lines(input).flatMap(({ row, id }): CheckResult[] => {
        const cell = input.model.sides
          .flatMap((side) => cells({ ...input, side }))
          .find((one) => one.setting === id && Object.hasOwn(input.plan.rows, one.row))
        if (!cell) return []
        return [
          {
            title: `${itemName(input.model, id)} is in ${cell.grid.name} and in the own menu`,
            reason: 'One place is enough. Say why you want both, or free one.',
            row,
            mends: [quickFix(input.plan, 'Take this line out', 'two-tiers', { [row]: null })],
          },
        ]
      }),
  },
  {
    id: 'act-at-hand',
    title: 'An act that cannot be undone stands in the own menu',
    severity: 'tidies',
    once: true,
    needs: ['J27', 'J40'],
    reasonSilences: true,
    run: (input) =>
      lines(input).flatMap(({ row, id }): CheckResult[] => {
        const act = lookup(input.model).acts.get(id)
        if (act?.warning === undefined || act.does !== 'format') return []
        return [
          {
            title: `${act.name} is in the own menu`,
            reason: `It is easily chosen by mistake there. ${act.warning}`,
            row,
          },
        ]
      }),
  },
]

interface Cell {
  readonly grid: Grid
  readonly row: RowId
  readonly setting: string
}

/** The filled cells of this side's function menus, by plan or as delivered. */
function cells({ model, plan, side }: Pick<CheckInput, 'model' | 'plan' | 'side'>): Cell[] {
  return gridCells(model)
    .filter(({ grid }) => grid.side === side)
    .map(({ grid, cell, row }): Cell => ({
      grid,
      row,
      setting: cellValue(plan.rows, { grid, cell }),
    }))
    .filter((cell) => cell.setting !== emptyCell)
}

function planned(plan: Plan, grid: Grid): boolean {
  return idsOf(plan.rows).some((row) => isGridRow(row, grid.id))
}

/** The filled lines of the own menu. */
function lines({ model, plan }: CheckInput): { row: RowId; id: string }[] {
  return ownLines(model).flatMap(({ row }) => {
    const id = rowValue(plan.rows, row)
    return typeof id === 'string' ? [{ row, id }] : []
  })
}
