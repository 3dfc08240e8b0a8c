'use client'

import { useDraggable } from '@dnd-kit/core'
import type { ReactNode } from 'react'
import { optionLook, type OptionPlace } from './pick-list'

/** A part of a list to pick from that can also be dragged out of it. */
export function DraggableOption({
  id,
  active,
  onPick,
  drag,
  children,
}: OptionPlace & {
  onPick: () => void
  drag: { readonly id: string; readonly data: Record<string, string> }
  children: ReactNode
}) {
  const { setNodeRef, listeners } = useDraggable(drag)
  return (
    <li
      id={id}
      role="option"
      aria-selected={active}
      ref={setNodeRef}
      onPointerDown={(event) => void listeners?.onPointerDown?.(event)}
      onClick={onPick}
      className={`touch-none ${optionLook(active)}`}
    >
      {children}
    </li>
  )
}
