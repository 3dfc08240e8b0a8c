'use client'

import { ok, refuse } from '@/core/result'
import { TypedField } from './typed-field'

/** A number in a field, kept when the field is left or Enter is pressed; what does not fit is said, and not kept. */
export function NumberField({
  label,
  value,
  from,
  to,
  onKeep,
  className = 'w-18',
  placeholder,
}: {
  /** Spoken; the field stands in a row or table that shows it. */
  label: string
  /** Null where nothing is set: the placeholder shows what holds then. */
  value: number | null
  from: number
  to: number
  /** Null when the field was emptied. */
  onKeep: (value: number | null) => void
  className?: string
  placeholder?: string
}) {
  const read = (typed: string) => {
    const number = Number(typed)
    return Number.isFinite(number) && number >= from && number <= to
      ? ok(number)
      : refuse('outside', `${from} to ${to}`)
  }
  return (
    <TypedField
      label={label}
      shown={value === null ? '' : String(value)}
      placeholder={placeholder}
      read={read}
      onKeep={onKeep}
      className={`min-h-8 text-right tabular-nums ${className}`}
    />
  )
}
