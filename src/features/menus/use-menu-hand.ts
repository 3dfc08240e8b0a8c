'use client'

import type { RowId } from '@/core/plan/rows'
import { useState, type KeyboardEvent, type RefObject } from 'react'
import { itemAt, menuRows, putItem, swapItems } from '@/core/plan/menu-items'
import type { Step } from '@/core/sync/step'
import type { Result } from '@/core/result'
import type { Dragging } from '@/ui/dragging'
import { useDesk } from '@/features/desk'

/** Everything that puts items into cells and lines: picked in the list, dragged, carried and emptied by the keyboard. */
export function useMenuHand(station: RefObject<HTMLElement | null>) {
  const desk = useDesk()
  const { model } = desk.start
  const [selected, setSelected] = useState<RowId | null>(null)
  const [carried, setCarried] = useState<RowId | null>(null)
  const [dragged, setDragged] = useState<string | null>(null)
  const took = (made: Result<Step>, row: RowId) => {
    setCarried(null)
    if (!made.ok) return desk.refuse(made.refusal)
    if (desk.applyStep(made.value)) setSelected(row)
  }
  const put = (row: RowId, item: string | null) =>
    took(putItem(model, desk.getView().plan, row, item, desk.newId()), row)
  const swap = (from: RowId, to: RowId) =>
    took(swapItems(model, desk.getView().plan, from, to, desk.newId()), to)
  const pick = (row: RowId) => {
    if (carried !== null && carried !== row) return swap(carried, row)
    setCarried(null)
    setSelected(row)
  }
  const back = () => {
    station.current?.querySelector<HTMLElement>(`[data-row="${selected ?? ''}"]`)?.focus()
    setSelected(null)
    setCarried(null)
  }
  /** The place that is dragged, or null where it is a part of the list. */
  const placeOf = (name: string) => menuRows(model).find((row) => name === `place ${row}`) ?? null
  /** What is dragged: out of the list, or from its place. */
  const itemOf = (name: string) => {
    const from = placeOf(name)
    return from === null ? name.slice('item '.length) : itemAt(model, desk.getView().plan, from)
  }
  return {
    selected,
    carried,
    dragged,
    pick,
    put,
    back,
    /** M carries the item to another place, Delete empties it, the arrows go from place to place, Escape backs out. */
    onKey: (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.key === 'Escape') return back()
      if (target.closest('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) return
      const row = target.closest<HTMLElement>('[data-row]')?.dataset.row as RowId | undefined
      if (row === undefined) return
      if (event.key.toLowerCase() === 'm') setCarried(row)
      if (event.key === 'Delete') put(row, null)
      const places = [...(station.current?.querySelectorAll<HTMLElement>('[data-row]') ?? [])]
      const next = nextPlace(places, target, event.key)
      if (next) {
        event.preventDefault()
        next.focus()
      }
    },
    dragging: {
      onStart: (name) => setDragged(itemOf(name)),
      onEnd: (name, to) => {
        setDragged(null)
        const [from, item] = [placeOf(name), itemOf(name)]
        const place = menuRows(model).find((row) => row === to)
        if (place === undefined || place === from || item === null) return
        if (from === null) put(place, item)
        else swap(from, place)
      },
      onCancel: () => setDragged(null),
    } satisfies Dragging,
  }
}

/** The nearest place in the direction of an arrow key. */
function nextPlace(places: readonly HTMLElement[], from: HTMLElement, key: string): HTMLElement | null {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key]
  const [dx = 0, dy = 0] = way ?? []
  if (!way) return null
  const middle = (element: HTMLElement) => {
    const { x, y, width, height } = element.getBoundingClientRect()
    return { x: x + width / 2, y: y + height / 2 }
  }
  const here = middle(from)
  const [best] = places
    .filter((one) => one !== from)
    .map((place) => {
      const at = middle(place)
      const along = (at.x - here.x) * dx + (at.y - here.y) * dy
      const aside = Math.abs((at.x - here.x) * dy) + Math.abs((at.y - here.y) * dx)
      return { place, along, far: along + 3 * aside }
    })
    .filter(({ along }) => along > 4)
    .sort((a, b) => a.far - b.far)
  return best?.place ?? null
}
