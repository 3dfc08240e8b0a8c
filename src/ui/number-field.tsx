'use client'

import { useState } from 'react'

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
  const [typed, setTyped] = useState<string | null>(null)
  const shown = typed ?? (value === null ? '' : String(value))
  const wrong = typed !== null && typed.trim() !== '' && !fits(typed, from, to)
  const leave = () => {
    if (typed === null || wrong) return
    const wanted = typed.trim() === '' ? null : Number(typed)
    if (wanted !== value) onKeep(wanted)
    setTyped(null)
  }
  return (
    <span className="inline-grid">
      <input
        aria-label={label}
        aria-invalid={wrong}
        inputMode="decimal"
        value={shown}
        placeholder={placeholder}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
          if (event.key === 'Escape') setTyped(null)
        }}
        className={`min-h-8 rounded border bg-crust px-1.5 text-right font-mono tabular-nums placeholder:text-silt aria-invalid:border-rust ${className}`}
      />
      {wrong && (
        <span role="alert" className="text-small text-rust">
          {from} to {to}
        </span>
      )}
    </span>
  )
}

function fits(text: string, from: number, to: number): boolean {
  const number = Number(text)
  return Number.isFinite(number) && number >= from && number <= to
}
