'use client'

import { useEffect, useId, useRef, useState, type ReactNode } from 'react'

/**
 * A list that is searched by typing and gone through with the arrows while the cursor stays in the field; Enter picks.
 * The parts of the list draw themselves, so that they can be dragged or say more than a name.
 */
export function PickList<T>({
  label,
  list,
  placeholder,
  items,
  idOf,
  textOf,
  onPick,
  option,
  nothing,
  onType,
  most = 100,
  tall = 'max-h-[340px]',
}: {
  /** Shown above the field. */
  label: string
  /** Name of the list, spoken. */
  list: string
  placeholder: string
  items: readonly T[]
  idOf: (item: T) => string
  /** What the typed words are looked for in. */
  textOf: (item: T) => string
  onPick: (item: T) => void
  option: (item: T, place: OptionPlace) => ReactNode
  /** Said where nothing is found. */
  nothing: (typed: string) => string
  /** Told of what is typed, where more may be found by it. */
  onType?: (typed: string) => void
  most?: number
  tall?: string
}) {
  const id = useId()
  const [typed, setTyped] = useState('')
  const [at, setAt] = useState(0)
  const search = useRef<HTMLInputElement>(null)
  useEffect(() => {
    // A list that comes a moment later does not take the hand away from where it is typing by then.
    const typing = document.activeElement?.closest('input, textarea, select, [role=dialog]')
    const own = search.current?.closest('[role=dialog]')
    if (!typing || own) search.current?.focus({ preventScroll: true })
  }, [])
  const words = typed.trim().toLowerCase().split(/\s+/)
  const shown = items
    .filter((item) => {
      const text = textOf(item).toLowerCase()
      return words.every((word) => text.includes(word))
    })
    .slice(0, most)
  const active = shown[Math.min(at, shown.length - 1)]
  const name = (item: T) => `${id}-${idOf(item).replaceAll(' ', '-')}`
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      const next = Math.min(shown.length - 1, Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1)))
      setAt(next)
      const item = shown[next]
      if (item) document.getElementById(name(item))?.scrollIntoView({ block: 'nearest' })
    } else if (event.key === 'Enter' && active) {
      event.preventDefault()
      onPick(active)
    }
  }
  return (
    <div>
      <label htmlFor={`${id}-search`} className="text-small text-silt">
        {label}
      </label>
      <input
        id={`${id}-search`}
        ref={search}
        role="combobox"
        aria-expanded="true"
        aria-controls={`${id}-list`}
        aria-activedescendant={active ? name(active) : undefined}
        autoComplete="off"
        value={typed}
        placeholder={placeholder}
        onChange={(event) => {
          setTyped(event.target.value)
          onType?.(event.target.value)
          setAt(0)
        }}
        onKeyDown={onKey}
        className="mt-0.5 block min-h-9 w-full rounded border bg-crust px-2 placeholder:text-silt"
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label={list}
        className={`mt-2 divide-y overflow-y-auto ${tall}`}
      >
        {shown.map((item) => option(item, { id: name(item), active: item === active }))}
      </ul>
      {shown.length === 0 && <p className="py-2 text-silt">{nothing(typed)}</p>}
    </div>
  )
}

/** What a part of such a list is told by the list. */
export interface OptionPlace {
  readonly id: string
  readonly active: boolean
}

/** A part of such a list: picked by a click. */
export function Option({
  id,
  active,
  onPick,
  children,
}: OptionPlace & { onPick: () => void; children: ReactNode }) {
  return (
    <li id={id} role="option" aria-selected={active} onClick={onPick} className={optionLook(active)}>
      {children}
    </li>
  )
}

/** How a part of such a list looks. */
export function optionLook(active: boolean): string {
  return `px-1.5 py-1.5 select-none hover:bg-glass ${active ? 'bg-glass outline-2 -outline-offset-2 outline-brine' : ''}`
}
