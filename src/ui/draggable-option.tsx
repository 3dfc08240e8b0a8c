'use client'

import { useDraggable } from '@dnd-kit/core'
import { dragHandlers } from './drag'
import { Option, type OptionProps } from './pick-list'

/** A part of a list to pick from that can also be dragged out of it. */
export function DraggableOption(props: OptionProps) {
  const { setNodeRef, listeners } = useDraggable(props.drag ?? { id: '', disabled: true })
  return <Option {...props} ref={setNodeRef} {...dragHandlers(listeners)} />
}
