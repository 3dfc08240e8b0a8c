'use client'

import { useState } from 'react'
import type { Result } from '@/core/result'

/** A value that is typed, kept when the field is left or Enter is pressed; what does not fit is said, and not kept. */
export function TypedField<T>({
  label,
  shown,
  placeholder,
  read,
  onKeep,
  className,
}: {
  /** Spoken; the field stands in a row or table that shows it. */
  label: string
  /** The value that is kept, in words; empty where nothing is set. */
  shown: string
  /** What holds where nothing is set. */
  placeholder?: string
  read: (typed: string) => Result<T>
  /** Null when the field was emptied. */
  onKeep: (value: T | null) => void
  className: string
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const text = typed?.trim() ?? ''
  const found = text === '' ? null : read(text)
  const wrong = found?.ok === false ? found.refusal.message : null
  const leave = () => {
    if (typed === null || wrong !== null) return
    if (text !== shown) onKeep(found?.ok ? found.value : null)
    setTyped(null)
  }
  return (
    <span className="inline-grid">
      <input
        aria-label={label}
        aria-invalid={wrong !== null}
        value={typed ?? shown}
        placeholder={placeholder}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
          if (event.key === 'Escape') setTyped(null)
        }}
        className={`rounded border bg-crust px-1.5 font-mono placeholder:text-silt aria-invalid:border-rust ${className}`}
      />
      {wrong !== null && (
        <span role="alert" className="text-small text-rust">
          {wrong}
        </span>
      )}
    </span>
  )
}
