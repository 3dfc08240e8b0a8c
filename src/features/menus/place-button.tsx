'use client'

import { type RowId, isOwnRow, noteRow } from '@/core/plan/rows'
import { useDraggable, useDroppable } from '@dnd-kit/core'
import { CopyCheck, KeyRound, Lock, TriangleAlert } from 'lucide-react'
import type { Finding } from '@/core/checks/finding'
import { itemName } from '@/core/model/lookup'
import { itemAt } from '@/core/plan/menu-items'
import type { ItemUse } from '@/core/reach/menu-uses'
import type { NoEffect } from '@/core/resolve/without-effect'
import { useDesk, useDeskPart, usePlan } from '@/features/desk'

/** What every drawing of a menu is given. */
export interface Drawn {
  readonly selected: string | null
  readonly uses: ReadonlyMap<string, ItemUse>
  /** The sides on which an item does nothing as the camera stands, with the reason. */
  readonly idle: ReadonlyMap<string, readonly NoEffect[]>
  readonly findings: readonly Finding[]
  readonly onSelect: (row: RowId) => void
}

/** A cell or a line: what stands there, how often it is used, and what is amiss; picked, dragged, dropped on. */
export function PlaceButton({
  row,
  place,
  selected,
  uses,
  idle,
  findings,
  onSelect,
  className = '',
}: Drawn & { row: RowId; place: string; className?: string }) {
  const { model } = useDesk().start
  const plan = usePlan()
  const shown = useDeskPart('side')
  const item = itemAt(model, plan, row)
  const drag = useDraggable({ id: `from ${row}`, data: { from: row, item }, disabled: item === null })
  const drop = useDroppable({ id: `to ${row}`, data: { to: row } })
  const use = item === null ? undefined : uses.get(item)
  const gone = (item === null ? [] : (idle.get(item) ?? [])).filter(
    ({ side }) => isOwnRow(row) || side === shown,
  )
  const mine = findings.filter((finding) => finding.row === row)
  const name = item === null ? 'empty' : itemName(model, item)
  const own = Object.hasOwn(plan.rows, row)
  const look = drop.isOver
    ? 'bg-blush outline-2 outline-pan'
    : row === selected
      ? 'bg-blush text-pan'
      : 'hover:bg-glass'
  return (
    <button
      ref={(element) => {
        drag.setNodeRef(element)
        drop.setNodeRef(element)
      }}
      type="button"
      data-row={row}
      aria-pressed={row === selected}
      onPointerDown={(event) => void drag.listeners?.onPointerDown?.(event)}
      onClick={() => onSelect(row)}
      className={`flex min-w-0 touch-none flex-col items-start justify-between gap-0.5 px-2 py-1.5 text-left leading-tight ${look} ${drag.isDragging ? 'opacity-40' : ''} ${className}`}
    >
      <span className={item === null ? 'text-silt italic' : `font-semibold ${own ? '' : 'text-silt'}`}>
        <span className="sr-only">{place}: </span>
        {name}{' '}
      </span>
      <span className="flex min-h-4.5 items-center gap-1.5 text-small text-silt">
        {use && use.needed > 0 && <span className="font-mono text-brine tabular-nums">{use.needed}×</span>}
        {use?.onKey && (
          <span title="On a key already">
            <KeyRound size={13} aria-hidden="true" />
            <span className="sr-only"> on a key already</span>
          </span>
        )}
        {noteRow('lock', row) in plan.rows && <Lock size={13} aria-hidden="true" />}
        {noteRow('why', row) in plan.rows && <CopyCheck size={13} aria-hidden="true" />}
        {gone.map(({ side, because }) => (
          <span key={side} title={because} className="whitespace-nowrap text-lichen">
            nothing in {side}
          </span>
        ))}
        {mine.map((finding) => (
          <span key={finding.check} title={finding.title}>
            <TriangleAlert size={13} className="text-lichen" aria-hidden="true" />
            <span className="sr-only"> {finding.title}</span>
          </span>
        ))}
      </span>
    </button>
  )
}
