'use client'

import { useDraggable } from '@dnd-kit/core'
import { useEffect, useId, useRef, useState } from 'react'
import type { Address } from '@/core/model/addresses'
import { lookup } from '@/core/model/lookup'
import { addressesWith } from '@/core/plan/assign'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { MannerSign } from '@/ui/plate/manner'
import { secondsOf } from '@/features/reach/words'
import { VerdictSign } from '@/ui/verdict'
import type { Standing } from './look-up'

/** Every function this gesture accepts, best for the plan first; type to search, Enter or click to put it here. */
export function FunctionList({
  standings,
  current,
  address,
  onPut,
}: {
  standings: readonly Standing[]
  current: string | null
  address: Address
  onPut: (functionId: string) => void
}) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const [typed, setTyped] = useState('')
  const [at, setAt] = useState(0)
  const search = useRef<HTMLInputElement>(null)
  const id = useId()
  useEffect(() => search.current?.focus({ preventScroll: true }), [])
  const wanted = typed.trim().toLowerCase()
  const shown = standings.filter(({ fn }) => {
    const menu = fn.changes.map((setting) => lookup(model).menuAddress.get(setting)).join(' ')
    return fn.id !== current && `${fn.name} ${menu}`.toLowerCase().includes(wanted)
  })
  const active = shown[Math.min(at, shown.length - 1)]
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      const next = Math.min(shown.length - 1, Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1)))
      setAt(next)
      document.getElementById(`${id} ${shown[next]?.fn.id ?? ''}`)?.scrollIntoView({ block: 'nearest' })
    } else if (event.key === 'Enter' && active) {
      event.preventDefault()
      onPut(active.fn.id)
    }
  }
  return (
    <section className="border bg-sheet px-3.5 py-3">
      <label htmlFor={`${id} search`} className="text-small text-silt">
        Instead: what works everywhere and saves most first
      </label>
      <input
        id={`${id} search`}
        ref={search}
        role="combobox"
        aria-expanded="true"
        aria-controls={`${id} list`}
        aria-activedescendant={active ? `${id} ${active.fn.id}` : undefined}
        autoComplete="off"
        value={typed}
        placeholder={`${standings.length} functions: type to find one`}
        onChange={(event) => {
          setTyped(event.target.value)
          setAt(0)
        }}
        onKeyDown={onKey}
        className="mt-0.5 block min-h-9 w-full rounded border bg-crust px-2 placeholder:text-silt"
      />
      <ul
        id={`${id} list`}
        role="listbox"
        aria-label="Functions"
        className="mt-2 max-h-[340px] divide-y overflow-y-auto"
      >
        {shown.map((standing) => {
          const others = addressesWith(model, plan, address.side, standing.fn.id).filter(
            (other) => other.key !== address.key,
          )
          return (
            <FunctionOption
              key={standing.fn.id}
              id={`${id} ${standing.fn.id}`}
              standing={standing}
              active={standing === active}
              also={others.map((other) => other.control.name).join(', ')}
              onPut={() => onPut(standing.fn.id)}
            />
          )
        })}
      </ul>
      {shown.length === 0 && (
        <p className="py-2 text-silt">No function this key accepts is called “{typed}”.</p>
      )}
    </section>
  )
}

function FunctionOption({
  id,
  standing,
  active,
  also,
  onPut,
}: {
  id: string
  standing: Standing
  active: boolean
  also: string
  onPut: () => void
}) {
  const { fn } = standing
  const { setNodeRef, listeners } = useDraggable({
    id: `function ${fn.id}`,
    data: { functionId: fn.id, text: fn.name },
  })
  const { model } = useDesk().start
  const menu = fn.changes
    .flatMap((setting) => lookup(model).menuAddress.get(setting) ?? [])
    .slice(0, 1)
    .join()
  const where =
    fn.manner === 'none' ? '' : standing.works === standing.of ? '' : `${standing.works} of ${standing.of}`
  return (
    <li
      id={id}
      role="option"
      aria-selected={active}
      ref={setNodeRef}
      onPointerDown={(event) => void listeners?.onPointerDown?.(event)}
      onClick={onPut}
      className={`touch-none px-1.5 py-1.5 select-none hover:bg-glass ${active ? 'bg-glass outline-2 -outline-offset-2 outline-brine' : ''}`}
    >
      <p className="flex items-baseline justify-between gap-2">
        <span className={`font-semibold ${standing.works === 0 ? 'text-silt' : ''}`}>{fn.name}</span>
        <MannerSign manner={fn.manner} />
      </p>
      {(menu !== '' || Math.abs(standing.gain) >= 0.05) && (
        <p className="flex flex-wrap gap-x-2 text-small text-silt">
          {Math.abs(standing.gain) >= 0.05 && (
            <span className={standing.gain > 0 ? 'font-semibold text-samphire' : 'text-lichen'}>
              {standing.gain > 0 ? 'saves' : 'costs'} {secondsOf(Math.abs(standing.gain))}
            </span>
          )}
          {menu !== '' && <span className="font-mono">{menu}</span>}
        </p>
      )}
      {(also !== '' || where !== '') && (
        <p className="flex flex-wrap gap-x-2 text-small text-silt">
          {where !== '' && (
            <span className="inline-flex gap-1">
              <VerdictSign verdict={standing.verdict} /> {standing.works > 0 ? `outside ${where}` : ''}
            </span>
          )}
          {also !== '' && <span>now on {also}</span>}
        </p>
      )}
      {standing.works === 0 && standing.reasons[0] && (
        <p className="text-small text-silt">{standing.reasons[0].because}</p>
      )}
    </li>
  )
}
