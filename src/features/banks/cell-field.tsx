'use client'

import { baseValue } from '@/core/plan/cells'
import { rowValue, type RowId } from '@/core/plan/rows'
import type { Column } from '@/core/banks/columns'
import type { Cell, MatrixRow } from '@/core/banks/matrix-rows'
import { showValue } from '@/core/model/domain'
import type { Value } from '@/core/vocabulary/values'
import { useDesk, usePlan, ValueField } from '@/features/desk'

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

/** One cell of the matrix: its value, and in a word how it stands where that is not plain. */
export function CellField({
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
  const plan = usePlan()
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
      title={cell.because ?? showValue(setting.domain, cell.value)}
    >
      <ValueField
        setting={setting}
        label={`${setting.label} in ${name}`}
        value={rowValue(plan.rows, cell.row)}
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
