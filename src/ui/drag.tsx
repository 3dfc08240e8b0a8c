'use client'

import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react'
import { later } from './later'

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

const Engine = later(() => import('./drag-engine').then((one) => one.DragEngine))

/** Everything under `area` that can be dragged is: what it takes is loaded when a hand comes near, and takes up a press that came before. */
export function Drags(props: DragsProps) {
  const { area } = props
  const [isWanted, want] = useState(false)
  const begin = useRef<((press: Press) => void) | null>(null)
  const early = useRef<Early | null>(null)
  useEffect(() => {
    const within = area.current
    if (!within) return
    const near = (event: Event) => {
      if (!draggableAt(event)) return
      within.removeEventListener('pointerover', near)
      want(true)
    }
    const press = (event: Press) => {
      if (!draggableAt(event)) return
      if (begin.current) begin.current(event)
      else early.current = { press: event, last: null }
    }
    const move = (event: MouseEvent) => {
      if (early.current) early.current = { ...early.current, last: event }
    }
    const leave = () => (early.current = null)
    within.addEventListener('pointerover', near)
    within.addEventListener('mousedown', press)
    within.addEventListener('touchstart', press, { passive: true })
    window.addEventListener('mousemove', move)
    within.addEventListener('touchmove', nothing, { passive: false })
    for (const end of ends) window.addEventListener(end, leave)
    return () => {
      within.removeEventListener('pointerover', near)
      within.removeEventListener('mousedown', press)
      within.removeEventListener('touchstart', press)
      window.removeEventListener('mousemove', move)
      within.removeEventListener('touchmove', nothing)
      for (const end of ends) window.removeEventListener(end, leave)
    }
  }, [area])
  return isWanted && <Engine {...props} beginRef={begin} earlyRef={early} />
}

/** A finger that drags does not scroll: a browser lets itself be told so only by who listens before the finger is there. */
const nothing = () => undefined

/** What ends a press. */
const ends = ['mouseup', 'touchend', 'touchcancel'] as const

/** What is dragged, by its name; `more` says what letting go would do. */
export function Dragged({ name, more }: { name: string; more?: ReactNode }) {
  return (
    <div className="w-max rounded border-2 border-pan bg-sheet px-2 py-1 shadow-lg">
      <p className="font-semibold text-pan">{name}</p>
      {more}
    </div>
  )
}
