'use client'

import { type RowId, noteRow } from '@/core/plan/rows'
import { useKeptText } from './kept-text'

/** Why a row is as it is, in the owner's words; kept when the field is left. */
export function ReasonField({ row, ask }: { row: RowId; ask: string }) {
  const text = useKeptText(noteRow('why', row))
  return (
    <label className="mt-2 block text-small text-silt">
      Why
      <textarea
        rows={1}
        maxLength={500}
        value={text.value}
        placeholder={ask}
        onChange={(event) => text.type(event.target.value)}
        onBlur={text.leave}
        className="mt-0.5 block w-full [field-sizing:content] rounded border bg-crust px-2 py-1 text-body text-ink placeholder:text-silt"
      />
    </label>
  )
}
