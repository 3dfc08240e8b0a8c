'use client'

import { useWindowVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import {
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
} from 'react'
import { Offer } from '@/ui/button'
import { usePlan } from '@/features/desk'
import { isOfSide } from '@/core/model/sides'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import type { NoEffect } from '@/core/resolve/without-effect'
import type { SettingLine } from '@/core/settings/lines'
import { elsewhereWords } from '@/core/settings/words'
import { LineRow } from './line-row'
import { isProblem, withPages, type Drawn, type SettingsKnown } from './use-settings-station'

/** How high a line and a heading are before they are measured, in pixels; how far from the top what is taken comes into sight. */
const [lineHigh, headHigh, headRoom] = [40, 44, 140]

/** The lines, page by page in the camera's own order; only what is in sight is drawn. */
export function LineList({
  known,
  onKey,
}: {
  known: SettingsKnown
  /** Keys of the line in hand. */
  onKey: (event: KeyboardEvent<HTMLElement>) => void
}) {
  const { lines, inHand, model, standings, about, idle, take } = known
  const plan = usePlan()
  const drawn = useMemo(() => withPages(lines), [lines])
  const list = useRef<HTMLDivElement>(null)
  const top = useTopOf(list)
  const rows = useWindowVirtualizer<HTMLDivElement>({
    count: drawn.length,
    estimateSize: (i) => (drawn[i]?.kind === 'page' ? headHigh : lineHigh),
    getItemKey: (i) => keyOf(drawn[i]),
    overscan: 3,
    measureElement: sizeSeen,
    scrollMargin: top,
    scrollPaddingStart: headRoom,
    scrollPaddingEnd: roomBelow(),
    initialRect: { width: 0, height: 800 },
  })
  const at = drawn.findIndex((one) => one.kind === 'line' && one.line.id === inHand)
  const hadHand = useRef(false)
  useEffect(() => {
    if (at < 0) return
    rows.scrollToIndex(at, { align: 'auto' })
    // The hand goes along where it was in the list; from elsewhere it stays where it is.
    if (hadHand.current) focusLine(list.current, inHand)
    // Only what is taken in hand brings the list into motion.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [inHand])
  // Where lines come or go before it, it stands elsewhere in the list, and the hand goes along.
  useEffect(() => {
    if (at >= 0 && hadHand.current) focusLine(list.current, inHand)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at])
  if (lines.length === 0)
    return (
      <p className="border-t px-2 py-6 text-silt">No line is like that. Take back what narrows the list.</p>
    )
  return (
    <div
      ref={list}
      role="group"
      aria-label="Menu lines"
      tabIndex={at < 0 ? 0 : -1}
      onKeyDown={onKey}
      onFocus={() => (hadHand.current = true)}
      onBlur={(event) => (hadHand.current = event.currentTarget.contains(event.relatedTarget))}
      className="relative contain-strict"
      style={{ height: rows.getTotalSize() }}
    >
      {rows.getVirtualItems().map(({ index, start }) => {
        const one = drawn[index]
        if (!one) return null
        return (
          // A place takes in the line that comes to stand there: letters typed in the search make nothing anew.
          <Place
            key={one.kind === 'page' ? keyOf(one) : one.number}
            index={index}
            holds={keyOf(one)}
            at={start - top}
            rows={rows}
          >
            {one.kind === 'page' ? (
              <PageHead page={one.page} known={known} />
            ) : (
              <LineRow
                model={model}
                line={one.line}
                standing={standingAt(standings, one.line.id)}
                elsewhere={elsewhereWords(model, plan, standingAt(standings, one.line.id).elsewhere)}
                worst={about.get(one.line.id)?.find(isProblem)?.severity ?? null}
                idle={idleWords(model, one.line, idle?.get(one.line.id) ?? [])}
                inHand={one.line.id === inHand}
                onTake={take}
              />
            )}
          </Place>
        )
      })}
    </div>
  )
}

/**
 * How high a place is: as it was laid out, and until then as it was when it last stood there, or as it is taken to be. Asking
 * for it at once would have the page laid out twice for every letter.
 */
function sizeSeen(
  place: HTMLDivElement,
  seen: ResizeObserverEntry | undefined,
  rows: Virtualizer<Window, HTMLDivElement>,
): number {
  const [box] = seen?.borderBoxSize ?? []
  if (box) return Math.round(box.blockSize)
  const index = rows.indexFromElement(place)
  return rows.measurementsCache[index]?.size ?? rows.options.estimateSize(index)
}

/** A place of the list, measured whenever something else stands in it. */
function Place({
  index,
  holds,
  at,
  rows,
  children,
}: {
  index: number
  /** The name of what stands there. */
  holds: string
  /** How far down the list, in pixels. */
  at: number
  rows: Virtualizer<Window, HTMLDivElement>
  children: ReactNode
}) {
  const box = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    rows.measureElement(box.current)
    return () => void rows.elementsCache.delete(holds)
  }, [rows, holds])
  return (
    <div
      ref={box}
      data-index={index}
      className="absolute inset-x-0 top-0 [contain:layout_style]"
      style={{ transform: `translateY(${at}px)` }}
    >
      {children}
    </div>
  )
}

/** How far from the bottom of the window what is taken comes into sight: above the sheet, where the panel is one. */
function roomBelow(): number {
  if (typeof window === 'undefined' || window.innerWidth >= 1024) return 80
  return window.innerHeight * 0.64
}

/** Where a line does nothing, among the sides on which it counts; null where it does something. */
function idleWords(model: BodyModel, { id }: SettingLine, idle: readonly NoEffect[]): string | null {
  const setting = lookup(model).settings.get(id)
  const counts = model.sides.filter((side) => setting && isOfSide(setting, side))
  const here = idle.filter(({ side }) => counts.includes(side))
  const [first] = here
  if (!first) return null
  return here.length === counts.length ? ' here' : ` in ${first.side}`
}

function standingAt(standings: SettingsKnown['standings'], id: string) {
  const standing = standings.get(id)
  if (!standing) throw new Error(`${id} stands nowhere`)
  return standing
}

function keyOf(one: Drawn | undefined): string {
  return one?.kind === 'page' ? `page ${one.page}` : (one?.line.id ?? '')
}

/** Where the list begins in the page, in pixels; what stands above it may grow. */
function useTopOf(list: React.RefObject<HTMLElement | null>): number {
  const [top, setTop] = useState(0)
  useLayoutEffect(() => {
    const measure = () => {
      const box = list.current?.getBoundingClientRect()
      if (box) setTop(Math.round(box.top + window.scrollY))
    }
    measure()
    // Where there is nothing to observe with, it is measured once.
    if (typeof ResizeObserver === 'undefined') return
    const watch = new ResizeObserver(measure)
    watch.observe(document.body)
    return () => watch.disconnect()
  }, [list])
  return top
}

/** Puts the hand on a line as soon as it is drawn. */
function focusLine(list: HTMLElement | null, id: string | null, tries = 5): void {
  const line = list?.querySelector<HTMLElement>(`[data-line="${id ?? ''}"]`)
  if (line) line.focus({ preventScroll: true })
  else if (tries > 0) requestAnimationFrame(() => focusLine(list, id, tries - 1))
}

/** A page of the menu, what is left on it, and what can be said of all that is left at once. */
function PageHead({ page, known: { lines, standings, say } }: { page: string; known: SettingsKnown }) {
  const here = lines.filter((line) => line.page === page)
  const open = here.filter(({ id }) => standings.get(id)?.state === 'open').map(({ id }) => id)
  const leave = `${open.length === 1 ? 'Leave it' : `Leave the ${open.length}`} as delivered`
  return (
    <div className="flex min-h-11 flex-wrap items-end gap-x-3 border-b border-ink/40 px-2 pt-2 pb-0.5">
      <h2 className="font-head text-lead font-semibold">{page}</h2>
      <span className="text-small text-silt">
        {open.length === 0
          ? `all ${here.length} looked at`
          : `${open.length} of ${here.length} not looked at`}
      </span>
      {open.length > 0 && (
        <span className="ml-auto flex flex-wrap gap-x-4 text-small">
          <Offer onClick={() => say(open, 'left')} aria-label={`${leave}, ${page}`}>
            {leave}
          </Offer>
          <Offer onClick={() => say(open, 'not-mine')} aria-label={`Not in my work, ${page}`}>
            Not in my work
          </Offer>
        </span>
      )}
    </div>
  )
}
