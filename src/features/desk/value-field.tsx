'use client'

import { showValue, valuesOf } from '@/core/model/domain'
import { readTyped } from '@/core/model/typed'
import type { Setting } from '@/core/model/types'
import type { Value } from '@/core/vocabulary/values'
import { Check } from '@/ui/check'
import { HeadedFold } from '@/ui/fold'
import { LongSelect } from '@/ui/select'
import { TypedField } from '@/ui/typed-field'

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
      <LongSelect
        label={label}
        value={value === null ? '' : JSON.stringify(value)}
        shown={value === null ? inherits : showValue(domain, value)}
        options={() => [
          ['', inherits],
          ...values.map((one): [string, string] => [JSON.stringify(one), showValue(domain, one)]),
        ]}
        onPick={(one) => onKeep(one === '' ? null : (JSON.parse(one) as Value))}
        className={look}
      />
    )
  }
  if (domain.kind === 'subset') {
    const now = Array.isArray(value) ? (value as readonly string[]) : null
    const all = domain.values.map((one) => one.id)
    return (
      <HeadedFold
        summary={now === null ? inherits : `${now.length} of ${all.length}`}
        summaryClass={`cursor-pointer font-mono ${value === null ? 'text-silt' : 'font-semibold text-pan'}`}
        className={className}
      >
        {() => (
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
        )}
      </HeadedFold>
    )
  }
  return (
    <TypedField
      label={label}
      shown={value === null ? '' : showValue(domain, value)}
      placeholder={inherits}
      read={(typed) => readTyped(setting, typed)}
      onKeep={onKeep}
      className={`w-full ${look}`}
    />
  )
}
