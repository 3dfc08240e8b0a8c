'use client'

import { useState } from 'react'
import { showValue, valuesOf } from '@/core/model/domain'
import { readTyped } from '@/core/model/typed'
import type { Setting } from '@/core/model/types'
import type { Value } from '@/core/vocabulary/values'
import { Check } from '@/ui/check'

/** Any setting's value: chosen from a list, ticked, or typed in the words of the camera; what does not fit is said and not kept. */
export function ValueField({
  setting,
  label,
  value,
  inherits,
  onKeep,
  className = '',
  quiet = false,
}: {
  setting: Setting
  /** Spoken; the table or line it stands in shows it. */
  label: string
  /** The value of this very place; null where it inherits. */
  value: Value | null
  /** What it inherits, and from where, in words. */
  inherits: string
  /** Null for inheriting again. */
  onKeep: (value: Value | null) => void
  className?: string
  /** In a table where every cell is one: only what differs stands out, and edges show under the pointer. */
  quiet?: boolean
}) {
  const { domain } = setting
  const values = valuesOf(domain)
  const edge = quiet
    ? 'min-h-7 appearance-none px-0.5! truncate border-transparent bg-transparent hover:border-silt'
    : 'min-h-8 bg-crust'
  const look = `rounded border px-1 font-mono ${edge} ${value === null ? 'text-silt' : quiet ? 'font-semibold' : 'border-pan font-semibold text-pan'} ${className}`
  if (values) {
    return (
      <select
        aria-label={label}
        value={value === null ? '' : JSON.stringify(value)}
        onChange={(event) =>
          onKeep(event.target.value === '' ? null : (JSON.parse(event.target.value) as Value))
        }
        className={look}
      >
        <option value="">{inherits}</option>
        {values.map((one) => (
          <option key={JSON.stringify(one)} value={JSON.stringify(one)}>
            {showValue(domain, one)}
          </option>
        ))}
      </select>
    )
  }
  if (domain.kind === 'subset') {
    const now = Array.isArray(value) ? (value as readonly string[]) : null
    const all = domain.values.map((one) => one.id)
    return (
      <details className={className}>
        <summary
          className={`cursor-pointer font-mono ${value === null ? 'text-silt' : 'font-semibold text-pan'}`}
        >
          {now === null ? inherits : `${now.length} of ${all.length}`}
        </summary>
        <div role="group" aria-label={label} className="grid">
          {domain.values.map((one) => {
            const ticked = (now ?? setting.factory) as readonly string[]
            const has = ticked.includes(one.id)
            return (
              <Check
                key={one.id}
                checked={has}
                onChange={() => onKeep(all.filter((id) => (id === one.id ? !has : ticked.includes(id))))}
              >
                {one.name}
              </Check>
            )
          })}
        </div>
      </details>
    )
  }
  return (
    <TypedField
      setting={setting}
      label={label}
      value={value}
      inherits={inherits}
      onKeep={onKeep}
      look={look}
    />
  )
}

function TypedField({
  setting,
  label,
  value,
  inherits,
  onKeep,
  look,
}: {
  setting: Setting
  label: string
  value: Value | null
  inherits: string
  onKeep: (value: Value | null) => void
  look: string
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const leave = () => {
    if (typed === null) return
    if (typed.trim() === '') onKeep(null)
    else {
      const read = readTyped(setting, typed.trim())
      if (!read.ok) return setWrong(read.refusal.message)
      onKeep(read.value)
    }
    setTyped(null)
    setWrong(null)
  }
  return (
    <span className="inline-grid">
      <input
        aria-label={label}
        aria-invalid={wrong !== null}
        value={typed ?? (value === null ? '' : showValue(setting.domain, value))}
        placeholder={inherits}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
          if (event.key === 'Escape') setTyped(null)
        }}
        className={`w-full placeholder:text-silt aria-invalid:border-rust ${look}`}
      />
      {wrong !== null && (
        <span role="alert" className="text-small text-rust">
          {wrong}
        </span>
      )}
    </span>
  )
}
