'use client'

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { useRef, useState } from 'react'
import { showValue, valuesOf } from '@/core/model/domain'
import { readTyped } from '@/core/model/typed'
import type { Setting } from '@/core/model/types'
import type { Value } from '@/core/vocabulary/values'
import { ValueField } from '@/features/desk'

export interface Refused {
  readonly value: Value
  readonly because: string
}

/**
 * A value that is typed as photographers write it, or chosen from the list that opens; what does not fit is said and not kept. What
 * the camera refuses as it stands can be planned: the list says why it is refused.
 */
export function ValueBox({
  setting,
  label,
  value,
  inherits,
  refused,
  onKeep,
  onDone,
}: {
  setting: Setting
  /** Spoken. */
  label: string
  /** The value of this very place; null where it inherits. */
  value: Value | null
  /** What it inherits, and from where, in words. */
  inherits: string
  refused: readonly Refused[]
  /** Null for inheriting again. */
  onKeep: (value: Value | null) => void
  /** Told when Enter has kept a value. */
  onDone: () => void
}) {
  const { domain } = setting
  const { typed, text, offered, type, wrong, read, pressed, leave } = useTyped(setting, onKeep)
  if (valuesOf(domain) === null)
    return (
      <ValueField
        setting={setting}
        label={label}
        value={value}
        inherits={inherits}
        onKeep={onKeep}
        className="w-full"
      />
    )
  const keep = (chosen: string | null) => {
    if (chosen === null) return
    type(null)
    onKeep(chosen === '' ? null : (JSON.parse(chosen) as Value))
    onDone()
  }
  return (
    <Combobox immediate value={value === null ? '' : JSON.stringify(value)} onChange={keep} onClose={leave}>
      <ComboboxInput
        aria-label={label}
        aria-invalid={wrong !== null}
        autoComplete="off"
        placeholder={inherits}
        displayValue={(one: string) =>
          typed ?? (one === '' ? '' : showValue(domain, JSON.parse(one) as Value))
        }
        onChange={(event) => type(event.target.value)}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => {
          pressed(event.key)
          // What was typed whole is kept as it is, whatever part of the list is marked.
          if (event.key === 'Enter' && read?.ok && !event.nativeEvent.isComposing) {
            event.preventDefault()
            event.stopPropagation()
            leave()
            onDone()
          }
        }}
        className={`min-h-9 w-full rounded border bg-crust px-2 font-mono placeholder:text-silt aria-invalid:border-rust ${value === null ? '' : 'border-pan font-semibold text-pan'}`}
      />
      <ComboboxOptions
        anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
        modal={false}
        className="z-40 max-h-72! w-(--input-width) min-w-52 overflow-y-auto border bg-sheet shadow-md empty:hidden"
      >
        {text === '' && <Choice value="" words={inherits} because={null} isNow={value === null} />}
        {offered.map((one) => (
          <Choice
            key={JSON.stringify(one)}
            value={JSON.stringify(one)}
            words={showValue(domain, one)}
            because={refused.find((no) => no.value === one)?.because ?? null}
            isNow={one === value}
          />
        ))}
      </ComboboxOptions>
      {wrong !== null && (
        <p role="alert" className="text-small text-rust">
          {wrong}
        </p>
      )}
    </Combobox>
  )
}

/** What is typed of a value: what it reads as, and what is wrong with it where nothing offered fits, or once the field is left. */
function useTyped(setting: Setting, onKeep: (value: Value | null) => void) {
  const { domain } = setting
  const [typed, setTyped] = useState<string | null>(null)
  const [isLeft, setLeft] = useState(false)
  const escaped = useRef(false)
  const text = (typed ?? '').trim().toLowerCase()
  const offered = (valuesOf(domain) ?? []).filter((one) =>
    showValue(domain, one).toLowerCase().includes(text),
  )
  const read = text === '' ? null : readTyped(setting, typed ?? '')
  const wrong = read?.ok === false && (isLeft || offered.length === 0) ? read.refusal.message : null
  const type = (words: string | null) => {
    setTyped(words)
    setLeft(false)
  }
  const leave = () => {
    if (escaped.current || text === '') type(null)
    else if (!read?.ok) setLeft(true)
    else {
      onKeep(read.value)
      type(null)
    }
    escaped.current = false
  }
  /** Escape takes back what was typed, whatever closes after it. */
  const pressed = (key: string) => {
    escaped.current = key === 'Escape'
    if (key === 'Escape') type(null)
  }
  return { typed, text, offered, type, wrong, read, pressed, leave }
}

function Choice({
  value,
  words,
  because,
  isNow,
}: {
  value: string
  words: string
  because: string | null
  isNow: boolean
}) {
  return (
    <ComboboxOption
      value={value}
      className="min-h-8 px-2 py-1 pointer-coarse:min-h-11 data-focus:bg-glass data-focus:outline-2 data-focus:-outline-offset-2 data-focus:outline-brine"
    >
      <span className={`font-mono ${isNow ? 'font-semibold' : ''} ${because === null ? '' : 'text-silt'}`}>
        {words}
      </span>
      {because !== null && <span className="block text-small text-lichen">refused now: {because}</span>}
    </ComboboxOption>
  )
}
