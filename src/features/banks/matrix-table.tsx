'use client'

import { TriangleAlert } from 'lucide-react'
import { whereIs, type Column } from '@/core/banks/columns'
import type { Figure } from '@/core/banks/figures'
import { matters, outsideOf, type Cell, type Matrix, type MatrixRow } from '@/core/banks/matrix'
import { showValue } from '@/core/model/domain'
import { baseValue } from '@/core/plan/cells'
import type { RowId } from '@/core/plan/rows'
import type { Value } from '@/core/vocabulary/values'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { Offer } from '@/ui/button'
import { ValueField } from '@/features/desk/value-field'

/** The place in hand: a column, and a setting of it where a cell is. */
export interface InHand {
  readonly column: string
  readonly setting: string | null
}

/**
 * The matrix: settings down, base and whatever varies it across. What differs stands out, what is inherited is quiet,
 * what was left over or is replaced says so in a word.
 */
export function MatrixTable({
  matrix,
  figures,
  all,
  inHand,
  onTake,
  onSet,
}: {
  matrix: Matrix
  /** Of each column, in their order. */
  figures: readonly (readonly Figure[])[]
  /** Every row, or those that matter. */
  all: boolean
  inHand: InHand | null
  onTake: (place: InHand) => void
  onSet: (column: Column, row: MatrixRow, id: RowId, value: Value | null) => void
}) {
  const { columns } = matrix
  const shown = matrix.rows.filter((row) => all || matters(row, columns))
  const shutters = matrix.rows.find(({ setting }) => setting.means === 'exposure.shutter')
  const mend = (column: Column, value: string) => {
    const id = shutters?.cells[columns.indexOf(column)]?.row
    if (shutters && id) onSet(column, shutters, id, value)
  }
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse">
        <caption className="sr-only">Settings in base and in every bank</caption>
        <thead>
          <tr className="border-b align-bottom">
            <td className="w-36 min-w-28" />
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
            what="Shutter for the rate"
            id="shutter"
            columns={columns}
            figures={figures}
            onMend={mend}
          />
          <FigureLine what="Light against base" id="light" columns={columns} figures={figures} />
          {shown.map((row) => (
            <tr key={row.setting.id} className="border-b align-top">
              <th scope="row" className="py-0.5 pr-2 text-left leading-tight font-normal">
                {row.setting.label}
              </th>
              {row.cells.map((cell, i) => {
                const column = columns[i]
                return column ? (
                  <CellField
                    key={column.id}
                    row={row}
                    column={column}
                    cell={cell}
                    here={inHand?.column === column.id && inHand.setting === row.setting.id}
                    twin={twinOf(columns, row, i)}
                    onTake={() => onTake({ column: column.id, setting: row.setting.id })}
                    onSet={(id, value) => onSet(column, row, id, value)}
                  />
                ) : null
              })}
            </tr>
          ))}
          <OutsideLine columns={columns} />
        </tbody>
      </table>
    </div>
  )
}

/** What each bank does not hold, and must be right when it is recalled. */
function OutsideLine({ columns }: { columns: readonly Column[] }) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  return (
    <tr className="align-top">
      <th scope="row" className="py-1 pr-2 text-left leading-tight font-normal text-silt">
        Outside, must be right
      </th>
      {columns.map((column) => {
        const outside = column.kind === 'base' ? [] : outsideOf(model, plan, column)
        return (
          <td key={column.id} className={`py-1 text-small ${column.kind === 'base' ? 'pl-2' : 'pl-1'}`}>
            {outside.length > 0 && (
              <details>
                <summary className="cursor-pointer list-none text-brine">{outside.length} settings</summary>
                <ul>
                  {outside.map((setting) => (
                    <li key={setting.id} className="leading-tight">
                      {setting.label} <span className="text-silt">{whereIs(model, setting)}</span>
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </td>
        )
      })}
    </tr>
  )
}

/** The side of an earlier base column that keeps a row in the very same cell. */
function twinOf(columns: readonly Column[], { cells }: MatrixRow, at: number): string | null {
  const row = cells[at]?.row
  const first = columns.findIndex((one, i) => one.kind === 'base' && cells[i]?.row === row)
  return columns[at]?.kind === 'base' && first < at && first >= 0 ? (columns[first]?.side ?? null) : null
}

function ColumnHead({ column, picked, onTake }: { column: Column; picked: boolean; onTake: () => void }) {
  const purpose = column.kind === 'slot' ? column.planned.purpose : null
  const edge = column.kind === 'base' ? 'border-l-2 border-l-rule pl-2' : 'pl-1'
  return (
    <th scope="col" className={`min-w-24 pb-1 text-left font-normal ${edge}`}>
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
          {column.word === column.name ? column.side : column.word}
        </span>
        {purpose && <span className="line-clamp-2 block text-small text-silt">{purpose}</span>}
      </button>
    </th>
  )
}

/** A reckoned line: for each column one of its figures, with a mark where it will trip the owner up. */
function FigureLine({
  what,
  id,
  columns,
  figures,
  onMend,
}: {
  what: string
  id: Figure['id']
  columns: readonly Column[]
  figures: readonly (readonly Figure[])[]
  /** Sets what the figure asks for. */
  onMend?: (column: Column, value: string) => void
}) {
  if (!figures.some((all) => all.some((one) => one.id === id))) return null
  return (
    <tr className="border-b bg-glass align-top">
      <th scope="row" className="py-1 pr-2 pl-1 text-left font-normal">
        {what}
      </th>
      {columns.map((column, i) => {
        const figure = figures[i]?.find((one) => one.id === id)
        return (
          <td key={column.id} className={`py-1 leading-tight ${column.kind === 'base' ? 'pl-2' : 'pl-1'}`}>
            {figure && (
              <details>
                <summary className={`cursor-pointer list-none ${figure.fits ? '' : 'text-lichen'}`}>
                  <span className="font-mono font-semibold whitespace-nowrap">{figure.value}</span>
                  {!figure.fits && (
                    <TriangleAlert size={14} className="ml-1 inline" aria-label="will trip you" role="img" />
                  )}
                  <span className="block text-small">{figure.short}</span>
                </summary>
                <HowReckoned figure={figure} />
                {onMend && !figure.fits && (
                  <Offer className="text-small" onClick={() => onMend(column, figure.value)}>
                    Set {figure.value} in {column.name}
                  </Offer>
                )}
              </details>
            )}
          </td>
        )
      })}
    </tr>
  )
}

/** Words, formula and inputs of a figure. */
export function HowReckoned({ figure }: { figure: Figure }) {
  return (
    <div className="mt-0.5 max-w-72 text-small text-silt">
      <p>{figure.words}</p>
      <p className="font-mono">{figure.formula}</p>
      <p>{figure.inputs.map(([name, value]) => `${name} ${value}`).join('; ')}</p>
    </div>
  )
}

const marks: Partial<Record<Cell['standing'], string>> = {
  residue: 'left over',
  drift: 'drifted',
  kept: 'kept',
  forced: 'replaced',
  refused: 'refused',
}

const looks: Readonly<Record<Cell['standing'], string>> = {
  base: '',
  inherits: '',
  varied: 'border-pan! bg-blush! text-pan',
  residue: 'border-dashed border-lichen! text-lichen',
  drift: 'border-dotted border-lichen! text-lichen',
  kept: 'border-pan! text-pan',
  forced: 'text-silt',
  refused: 'border-rust! text-rust',
  outside: '',
}

function CellField({
  row: { setting },
  column,
  cell,
  here,
  twin,
  onTake,
  onSet,
}: {
  row: MatrixRow
  column: Column
  cell: Cell
  here: boolean
  /** The side whose base is the very same cell, where one stands before this. */
  twin: string | null
  onTake: () => void
  onSet: (row: RowId, value: Value | null) => void
}) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const edge = column.kind === 'base' ? 'border-l-2 border-l-rule pl-2' : 'pl-1'
  const mark = marks[cell.standing]
  const tone =
    cell.standing === 'residue' || cell.standing === 'drift' || cell.standing === 'forced'
      ? 'text-lichen'
      : cell.standing === 'refused'
        ? 'text-rust'
        : 'text-silt'
  if (cell.row === null)
    return (
      <td className={`py-1 text-small text-silt ${edge}`} title="not kept here">
        <span aria-label="not kept here" role="img">
          ·
        </span>
      </td>
    )
  const inherited =
    column.kind === 'base'
      ? showValue(setting.domain, setting.factory)
      : showValue(setting.domain, baseValue(model, plan.rows, setting, column.side))
  const name = column.kind === 'base' ? `base, ${column.side}` : column.name
  if (column.kind === 'base' && twin !== null)
    return (
      <td className={`py-1 text-small text-silt ${edge}`} title="one value for the whole body">
        as {twin}
      </td>
    )
  const look = looks[cell.standing]
  return (
    <td
      className={`py-px ${edge} ${here ? 'bg-glass' : ''}`}
      onFocus={onTake}
      title={cell.because ?? undefined}
    >
      <ValueField
        setting={setting}
        label={`${setting.label} in ${name}`}
        value={cell.own}
        inherits={column.kind === 'hold' ? 'not ticked' : `(${inherited})`}
        onKeep={(value) => {
          onTake()
          if (cell.row !== null) onSet(cell.row, value)
        }}
        quiet
        className={`w-full min-w-20 text-small ${look}`}
      />
      {mark && (
        <span className={`block text-small leading-tight ${tone}`}>
          {mark}
          {(cell.standing === 'forced' || cell.standing === 'refused') && (
            <>
              : <span className="font-mono">{showValue(setting.domain, cell.value)}</span>
            </>
          )}
        </span>
      )}
      {cell.toStore && <span className="block text-small leading-tight text-silt">not stored yet</span>}
    </td>
  )
}
