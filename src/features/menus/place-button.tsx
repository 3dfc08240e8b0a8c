'use client'

import { memo } from 'react'
import type { RowId } from '@/core/plan/rows'
import { CopyCheck, KeyRound, Lock, TriangleAlert } from 'lucide-react'
import type { Finding } from '@/core/checks/finding'
import { itemName } from '@/core/model/lookup'
import type { ItemUse } from '@/core/reach/menu-uses'
import type { NoEffect } from '@/core/resolve/without-effect'
import { useDesk } from '@/features/desk'

/** What stands in a cell or line of a menu. */
export interface Stands {
  readonly row: RowId
  readonly item: string | null
  /** The plan says it, not the camera as delivered. */
  readonly own: boolean
  readonly locked: boolean
  /** A reason is given for it. */
  readonly explained: boolean
  readonly use: ItemUse | null
  /** The sides on which it does nothing as the camera stands, with the reason. */
  readonly idle: readonly NoEffect[]
  readonly problems: readonly Pick<Finding, 'check' | 'title'>[]
}

/** What every drawing of a menu is given. */
export interface Drawn {
  readonly selected: RowId | null
  readonly onSelect: (row: RowId) => void
}

/** A cell or a line: what stands there, how often it is used, and what is amiss; picked, dragged, dropped on. */
export const PlaceButton = memo(function PlaceButton({
  stands: { row, item, own, locked, explained, use, idle, problems },
  place,
  picked,
  onSelect,
  className = '',
}: {
  stands: Stands
  /** Where it is, spoken. */
  place: string
  picked: boolean
  onSelect: (row: RowId) => void
  className?: string
}) {
  const { model } = useDesk().start
  const name = item === null ? 'empty' : itemName(model, item)
  const look = picked ? 'bg-blush text-pan' : 'hover:bg-glass'
  return (
    <button
      type="button"
      data-row={row}
      data-drag={item === null ? undefined : `place ${row}`}
      data-drop={row}
      aria-pressed={picked}
      onClick={() => onSelect(row)}
      className={`flex min-w-0 touch-manipulation select-none flex-col items-start justify-between gap-0.5 px-2 py-1.5 text-left leading-tight ${look} ${className}`}
    >
      <span
        className={`max-w-full wrap-break-word hyphens-auto max-sm:text-small ${item === null ? 'text-silt italic' : `font-semibold ${own ? '' : 'text-silt'}`}`}
      >
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
        {locked && <Lock size={13} aria-hidden="true" />}
        {explained && <CopyCheck size={13} aria-hidden="true" />}
        {idle.map(({ side, because }) => (
          <span key={side} title={because} className="whitespace-nowrap text-lichen">
            does nothing in {side}
          </span>
        ))}
        {problems.map((finding) => (
          <span key={finding.check} title={finding.title}>
            <TriangleAlert size={13} className="text-lichen" aria-hidden="true" />
            <span className="sr-only"> {finding.title}</span>
          </span>
        ))}
      </span>
    </button>
  )
})
