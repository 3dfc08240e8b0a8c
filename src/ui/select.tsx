'use client'

import { useState, type SelectHTMLAttributes } from 'react'

/**
 * A choice of many in a place where there are many such: only what is chosen is there until the pointer or the cursor
 * comes, so that a table of them opens at once.
 */
export function LongSelect<T extends string>({
  shown,
  options,
  ...rest
}: Omit<Parameters<typeof Select<T>>[0], 'options'> & {
  /** The words of what is chosen. */
  shown: string
  /** What can be chosen, in order. */
  options: () => readonly (readonly [id: T, words: string])[]
}) {
  const [near, setNear] = useState(false)
  const come = () => setNear(true)
  return (
    <Select
      {...rest}
      options={near ? options() : [[rest.value, shown]]}
      onFocus={come}
      onPointerEnter={come}
    />
  )
}

/** A choice of a few with its name before it. */
export function NamedSelect<T extends string>({
  label,
  ...rest
}: Omit<Parameters<typeof Select<T>>[0], 'label'> & { label: string }) {
  return (
    <label className="flex min-w-0 items-center gap-2">
      <span className="text-small text-silt">{label}</span>
      <Select
        label={label}
        className="min-h-9 max-w-full min-w-0 rounded-md border bg-sheet px-2 pointer-coarse:min-h-11"
        {...rest}
      />
    </label>
  )
}

/** A choice of a few, each with its words; spoken by `label` where no words stand beside it. */
export function Select<T extends string>({
  label,
  value,
  options,
  onPick,
  className = 'min-h-9 rounded-md border bg-sheet px-2',
  ...near
}: Pick<SelectHTMLAttributes<HTMLSelectElement>, 'onFocus' | 'onPointerEnter'> & {
  label?: string
  value: T
  /** What can be chosen, by id and words, in order. */
  options: readonly (readonly [id: T, words: string])[]
  onPick: (id: T) => void
  className?: string
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(event.target.value as T)}
      className={className}
      {...near}
    >
      {options.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  )
}
