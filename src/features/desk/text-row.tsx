'use client'

import type { RowId } from '@/core/plan/rows'
import { useKeptText } from './kept-text'

/** A text row of the plan in a field with its words above; kept when the field is left or Enter is pressed. */
export function TextRow({
  label,
  row,
  longest,
  fallback = '',
}: {
  label: string
  row: RowId
  longest: number
  /** Shown where the row is absent. */
  fallback?: string
}) {
  const text = useKeptText(row, fallback)
  return (
    <label className="text-small text-silt">
      {label}
      <input
        value={text.value}
        maxLength={longest}
        onChange={(event) => text.type(event.target.value)}
        onBlur={text.leave}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className="mt-0.5 block min-h-9 w-full rounded border bg-crust px-2 text-body text-ink"
      />
    </label>
  )
}
