'use client'

import {
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DraggableSyntheticListeners,
} from '@dnd-kit/core'
import type { MouseEvent, ReactNode, TouchEvent } from 'react'

/**
 * What drags: a mouse that has travelled a little, so that a click stays a click; a finger that has rested a moment, so that
 * a swipe scrolls.
 */
export function useDragSensors() {
  return useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 350, tolerance: 8 } }),
  )
}

/** What begins a drag, for the element that is dragged. */
export interface DragHandlers {
  readonly onMouseDown?: (event: MouseEvent) => void
  readonly onTouchStart?: (event: TouchEvent) => void
}

/** The beginnings of a drag that the sensors wait for. */
export function dragHandlers(listeners: DraggableSyntheticListeners): DragHandlers {
  return {
    onMouseDown: (event) => void listeners?.onMouseDown?.(event),
    onTouchStart: (event) => void listeners?.onTouchStart?.(event),
  }
}

/** What is dragged, under the pointer; `more` says what letting go would do. */
export function Dragged({ name, more }: { name: string | null; more?: ReactNode }) {
  return (
    <DragOverlay dropAnimation={null}>
      {name !== null && (
        <div className="w-max rounded border-2 border-pan bg-sheet px-2 py-1 shadow-lg">
          <p className="font-semibold text-pan">{name}</p>
          {more}
        </div>
      )}
    </DragOverlay>
  )
}
