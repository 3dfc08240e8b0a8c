'use client'

import { useEffect, useRef, useState, type ReactNode } from 'react'
import { draggableAt, type DragsProps, type Early, type Press } from './dragging'
import { later } from './later'

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
