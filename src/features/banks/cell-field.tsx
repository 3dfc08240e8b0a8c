'use client'

import { memo } from 'react'
import type { Column } from '@/core/banks/columns'
import type { Cell } from '@/core/banks/matrix-rows'
import { showValue } from '@/core/model/domain'
import type { Setting } from '@/core/model/types'
import type { Value } from '@/core/vocabulary/values'
import { ValueField } from '@/features/desk'
import type { SetCell, TakePlace } from './use-banks-station'

const marks: Partial<Record<Cell['standing'], string>> = {
  residue: 'left over',
  drift: 'not meant?',
  kept: 'kept',
  forced: 'camera sets',
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
export const CellField = memo(function CellField({
  setting,
  column,
  cell,
  own,
  inherited,
  here,
  twin,
  onTake,
  onSet,
}: {
  setting: Setting
  column: Column
  cell: Cell
  /** What the plan says in this very place; null where it inherits. */
  own: Value | null
  /** What it inherits, in words. */
  inherited: string
  here: boolean
  /** The side whose base is the very same cell, where one stands before this. */
  twin: string | null
  onTake: TakePlace
  onSet: SetCell
}) {
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
  const take = () => onTake({ column: column.id, setting: setting.id })
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
      data-place={`${column.id} ${setting.id}`}
      className={`py-px ${edge} ${here ? 'bg-glass' : ''}`}
      onFocus={take}
      title={cell.because ?? showValue(setting.domain, cell.value)}
    >
      <ValueField
        setting={setting}
        label={`${setting.label} in ${name}`}
        value={own}
        inherits={column.kind === 'hold' ? 'not ticked' : `(${inherited})`}
        onKeep={(value) => {
          take()
          if (cell.row !== null) onSet(column, setting, cell.row, value)
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
})
