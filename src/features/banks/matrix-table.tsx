'use client'

import { memo } from 'react'
import { baseValue } from '@/core/plan/cells'
import { rowValue } from '@/core/plan/rows'
import { whereIs, type Column } from '@/core/banks/columns'
import type { Banks } from '@/core/analysis/questions'
import { matters, type MatrixRow } from '@/core/banks/matrix-rows'
import { showValue } from '@/core/model/domain'
import { HeadedFold } from '@/ui/fold'
import { useGradually } from '@/ui/use-gradually'
import { SettingLabel, useDesk, usePlanPart } from '@/features/desk'
import { CellField } from './cell-field'
import { FigureLine } from './figure-line'
import type { InHand, SetCell, TakePlace } from './use-banks-station'

/** Rows that are in view when the station opens; what is below follows. */
const rowsInView = 14

/**
 * The matrix: settings down, base and whatever varies it across. What differs stands out, what is inherited is quiet,
 * what was left over or is replaced says so in a word.
 */
export const MatrixTable = memo(function MatrixTable({
  banks: { columns, rows, figures, outside },
  all,
  inHand,
  onTake,
  onSet,
}: {
  banks: Banks
  /** Every row, or those that matter. */
  all: boolean
  inHand: InHand | null
  onTake: TakePlace
  onSet: SetCell
}) {
  const shown = rows.filter((row) => all || matters(row, columns))
  const drawn = useGradually(shown.length, rowsInView, 8)
  const shutters = rows.find(({ setting }) => setting.means === 'exposure.shutter')
  const mend = (column: Column, value: string) => {
    const id = shutters?.cells[columns.indexOf(column)]?.row
    if (shutters && id) onSet(column, shutters.setting, id, value)
  }
  return (
    <div className="overflow-x-auto max-sm:mask-r-from-92% max-sm:pr-6">
      <table className="w-full border-collapse">
        <caption className="sr-only">Settings in base and in every bank</caption>
        <thead>
          <tr className="border-b align-bottom">
            <td className="sticky left-0 w-36 min-w-28 bg-sheet" />
            {columns.map((column) => (
              <ColumnHead
                key={column.id}
                column={column}
                picked={inHand?.column === column.id}
                onTake={() => onTake({ column: column.id, setting: null })}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          <FigureLine
            what="Shutter speed for the frame rate"
            id="shutter"
            columns={columns}
            figures={figures}
            onMend={mend}
          />
          <FigureLine what="Exposure against base" id="light" columns={columns} figures={figures} />
          {shown.slice(0, drawn).map((row) => (
            <MatrixLine
              key={row.setting.id}
              row={row}
              columns={columns}
              here={inHand?.setting === row.setting.id ? inHand.column : null}
              onTake={onTake}
              onSet={onSet}
            />
          ))}
          {drawn === shown.length && columns.some(({ kind }) => kind !== 'base') && (
            <OutsideLine columns={columns} outside={outside} />
          )}
        </tbody>
      </table>
    </div>
  )
})

/** One setting in every column; drawn again only where one of its own rows changes, or what it amounts to. */
const MatrixLine = memo(function MatrixLine({
  row,
  columns,
  here,
  onTake,
  onSet,
}: {
  row: MatrixRow
  columns: readonly Column[]
  /** The column in hand, where it is this line's. */
  here: string | null
  onTake: TakePlace
  onSet: SetCell
}) {
  const { model } = useDesk().start
  const { setting, cells } = row
  const said = usePlanPart((plan) =>
    cells.map(({ row: id }, i) => {
      const column = columns[i]
      if (id === null || !column) return { own: null, inherited: '' }
      const inherits =
        column.kind === 'base' ? setting.factory : baseValue(model, plan.rows, setting, column.side)
      return { own: rowValue(plan.rows, id), inherited: showValue(setting.domain, inherits) }
    }),
  )
  return (
    <tr className="border-b align-top">
      <th scope="row" className="sticky left-0 z-1 bg-sheet py-0.5 pr-2 text-left leading-tight font-normal">
        <SettingLabel setting={setting} />
      </th>
      {cells.map((cell, i) => {
        const column = columns[i]
        return column ? (
          <CellField
            key={column.id}
            setting={setting}
            column={column}
            cell={cell}
            own={said[i]?.own ?? null}
            inherited={said[i]?.inherited ?? ''}
            here={here === column.id}
            twin={twinOf(columns, row, i)}
            onTake={onTake}
            onSet={onSet}
          />
        ) : null
      })}
    </tr>
  )
})

/** What each bank does not hold, and must be right when it is recalled. */
const OutsideLine = memo(function OutsideLine({ columns, outside }: Pick<Banks, 'columns' | 'outside'>) {
  const { model } = useDesk().start
  return (
    <tr className="align-top">
      <th
        scope="row"
        className="sticky left-0 z-1 bg-sheet py-1 pr-2 text-left leading-tight font-normal text-silt"
      >
        Not stored in banks
      </th>
      {columns.map((column, i) => {
        const settings = outside[i] ?? []
        return (
          <td key={column.id} className={`py-1 text-small ${column.kind === 'base' ? 'pl-2' : 'pl-1'}`}>
            {settings.length > 0 && (
              <HeadedFold
                summary={`${settings.length} settings`}
                summaryClass="cursor-pointer list-none text-brine"
              >
                {() => (
                  <ul>
                    {settings.map((setting) => (
                      <li key={setting.id} className="leading-tight">
                        <SettingLabel setting={setting} />{' '}
                        <span className="text-silt">{whereIs(model, setting)}</span>
                      </li>
                    ))}
                  </ul>
                )}
              </HeadedFold>
            )}
          </td>
        )
      })}
    </tr>
  )
})

/** The side of an earlier base column that keeps a row in the very same cell. */
function twinOf(columns: readonly Column[], { cells }: MatrixRow, at: number): string | null {
  const row = cells[at]?.row
  const first = columns.findIndex((one, i) => one.kind === 'base' && cells[i]?.row === row)
  return columns[at]?.kind === 'base' && first < at && first >= 0 ? (columns[first]?.side ?? null) : null
}

function ColumnHead({ column, picked, onTake }: { column: Column; picked: boolean; onTake: () => void }) {
  const { model } = useDesk().start
  const purpose = column.kind === 'slot' ? column.planned.purpose : null
  const family = column.kind === 'slot' && model.families.length > 1 ? `${column.family.name}, ` : ''
  const edge = column.kind === 'base' ? 'border-l-2 border-l-rule pl-2' : 'pl-1'
  return (
    <th scope="col" data-place={column.id} className={`min-w-24 pb-1 text-left font-normal ${edge}`}>
      <button
        type="button"
        aria-pressed={picked}
        onClick={onTake}
        className="block max-w-36 text-left leading-tight aria-pressed:text-brine"
      >
        <span className="block font-head text-[16px] font-semibold underline decoration-rule underline-offset-3">
          {column.name}
        </span>
        <span className="block text-small text-silt">
          {family}
          {column.word === column.name ? column.side : column.word}
        </span>
        {purpose && <span className="line-clamp-2 block text-small text-silt">{purpose}</span>}
      </button>
    </th>
  )
}
