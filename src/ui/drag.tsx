'use client'

import { DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import type { ReactNode } from 'react'

/** The pointer as what drags: it has to travel a little first, so that a click stays a click. */
export function useDragSensors() {
  return useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
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
