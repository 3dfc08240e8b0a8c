'use client'

import { useDraggable, useDroppable } from '@dnd-kit/core'
import { dragHandlers } from '../drag'
import { LineButton, type LineProps } from './label'

/** A line of a label that can be dragged to another, and dropped on. */
export function DraggableLine(props: LineProps) {
  const { address, text } = props.line
  const drag = useDraggable({ id: `from ${address}`, data: { from: address, text } })
  const drop = useDroppable({ id: `to ${address}`, data: { to: address } })
  const join = (element: HTMLButtonElement | null) => {
    drag.setNodeRef(element)
    drop.setNodeRef(element)
  }
  return (
    <LineButton
      {...props}
      ref={join}
      {...dragHandlers(drag.listeners)}
      over={drop.isOver}
      away={drag.isDragging}
    />
  )
}
