import { linesAcross } from '../../focus/sheet'
import { focusAcross } from '../../focus/across'
import { rowSentence, heldWords } from '../../focus/words'
import { functionAt } from '../../plan/assign'
import { itemName, lookup } from '../../model/lookup'
import { showValue } from '../../model/domain'
import { emptyCell, holdNameRow, holdRow, ownNameRow, rowValue } from '../../plan/rows'
import { cellValue, gridCells, ownLines } from '../../plan/cells'
import { itemAt } from '../../plan/menu-items'
import { dialRows } from '../../resolve/dials'
import { tableUnder } from '../blocks'
import { addressOf, sideWords, type Given } from '../given'
import type { Block, Cell, Line } from '../types'

/** The function menu of each side, cell for cell as it stands on the screen. */
export function gridsPart({ model, plan }: Given): Block[] {
  return model.grids.flatMap((grid): Block[] => {
    const cells = gridCells(model).filter((one) => one.grid === grid)
    const lines = Array.from({ length: grid.rows }, (_, row): Line => ({
      cells: cells.slice(row * grid.columns, (row + 1) * grid.columns).map((one): Cell => {
        const item = cellValue(plan.rows, one)
        const value = rowValue(plan.rows, one.row)
        return {
          text: item === emptyCell ? '–' : itemName(model, item),
          row: one.row,
          ...(value === null ? {} : { value, isStrong: true }),
        }
      }),
    }))
    const columns = Array.from({ length: grid.columns }, (_, i) => String(i + 1))
    const name = `Function menu, ${sideWords[grid.side].toLowerCase()}`
    return tableUnder('grids', name, columns, lines)
  })
}

/** The own menu, page by page; empty lines are left out. */
export function ownMenuPart({ model, plan }: Given): Block[] {
  const lines = ownLines(model).flatMap(({ row, page, line }): Line[] => {
    const item = itemAt(model, plan, row)
    if (item === null) return []
    const value = rowValue(plan.rows, row)
    const named = rowValue(plan.rows, ownNameRow(page))
    return [
      {
        isQuiet: value === null,
        cells: [
          { text: typeof named === 'string' ? named : `Page ${page}` },
          { text: String(line) },
          { text: itemName(model, item), row, ...(value === null ? {} : { value, isStrong: true }) },
          { text: addressOf(model, item) },
        ],
      },
    ]
  })
  return tableUnder('own-menu', 'Own menu', ['Page', 'Line', 'Item', 'In the menu at'], lines)
}

/** What every dial, wheel and ring turns, and in which exposure modes it turns nothing. */
export function dialsPart({ model, plan, lenses, stateIn }: Given): Block[] {
  const lines = model.sides.flatMap((side) =>
    dialRows(model, plan, lenses, side, stateIn).flatMap(({ control, rows }) =>
      rows.map(({ address, fn, idle }): Line => ({
        isQuiet: !fn || fn.manner === 'none',
        cells: [
          { text: sideWords[side] },
          { text: control.name },
          { text: address.name },
          { text: fn && fn.manner !== 'none' ? fn.name : 'nothing', isStrong: true },
          {
            text: idle
              .map(
                ({ modes, everywhere, because }) =>
                  `${everywhere ? 'Nowhere' : modes.join(', ')}: ${because}`,
              )
              .join(' '),
            ...(idle.some(({ everywhere }) => everywhere) ? { mark: 'problem' as const } : {}),
          },
        ],
      })),
    ),
  )
  return tableUnder('dials', 'Dials, wheels and rings', ['Side', 'Dial', 'How', 'Turns', 'Nothing in'], lines)
}

/** What focuses when, a line for each key held, and for each pair in which holding both matters. */
export function focusPart({ model, plan, lenses }: Given): Block[] {
  return model.sides.flatMap((side): Block[] => {
    const banks = focusAcross(model, plan, lenses, side)
    const lines = linesAcross(banks)
      .filter(({ sameAs }) => sameAs === null)
      .flatMap(({ held, cells }): Line[] => {
        const ways = new Map<string, string[]>()
        cells.forEach((cell, i) => {
          const bank = banks[i]
          const table = bank?.tables[0]
          if (!cell || !table) return
          const words = rowSentence(model, table, cell)
          ways.set(words, [...(ways.get(words) ?? []), bank.state.bank])
        })
        return [...ways].map(([words, where]) => ({
          cells: [
            { text: heldWords(model, held), isStrong: true },
            { text: where.length === banks.length ? 'everywhere' : where.join(', ') },
            { text: words, ...(words.includes('Test on body') ? { mark: 'unsure' as const } : {}) },
          ],
        }))
      })
    const name = `What focuses when, ${sideWords[side].toLowerCase()}`
    return tableUnder('focus', name, ['Held', 'In', 'What happens'], lines)
  })
}

/** Each hold set: what is in force while its key is down, and which key that is. */
export function holdsPart({ model, plan }: Given): Block[] {
  const lines = model.holdSets.flatMap((set): Line[] => {
    const named = rowValue(plan.rows, holdNameRow(set.id))
    const fn = model.functions.find((one) => one.holdSet === set.id)
    const keys = [...lookup(model).addresses.values()].filter(
      (address) => fn !== undefined && functionAt(plan, address) === fn.id,
    )
    return model.settings.flatMap((setting): Line[] => {
      const row = holdRow(set.id, setting.id)
      const value = rowValue(plan.rows, row)
      if (value === null) return []
      return [
        {
          cells: [
            { text: typeof named === 'string' ? named : set.name },
            {
              text: keys.map(({ control, side }) => `${control.name}, ${side}`).join('; ') || 'on no key',
              ...(keys.length === 0 ? { mark: 'problem' as const } : {}),
            },
            { text: setting.label },
            { text: showValue(setting.domain, value), row, value, isStrong: true },
          ],
        },
      ]
    })
  })
  return tableUnder('holds', 'Hold sets', ['Hold set', 'Its key', 'Setting', 'While held'], lines)
}
