import type { ReactNode, RefObject } from 'react'

/**
 * Where things are dragged: what can be says so itself, `data-drag` and `data-drop`, each with its own name. What is being
 * dragged has `data-away` meanwhile, what it is held over `data-over`.
 */
export interface Dragging {
  readonly onStart: (name: string) => void
  /** It came over something, or over nothing. */
  readonly onOver?: (name: string, to: string | null) => void
  /** It was let go over something, or over nothing. */
  readonly onEnd: (name: string, to: string | null) => void
  readonly onCancel: () => void
}

export interface DragsProps extends Dragging {
  readonly area: RefObject<HTMLElement | null>
  /** What is under the pointer. */
  readonly children: ReactNode
}

/** What begins a drag: a button of the mouse, or a finger. */
export type Press = MouseEvent | TouchEvent

/** A press that came before what drags was there, and is not over; and where the pointer has gone with it since. */
export interface Early {
  readonly press: Press
  readonly last: MouseEvent | null
}

/** What a press lies on that can be dragged. */
export function draggableAt({ target }: Event): HTMLElement | null {
  return target instanceof Element ? target.closest<HTMLElement>('[data-drag]') : null
}
