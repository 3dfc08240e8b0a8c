'use client'

import { useMemo, useRef, useState } from 'react'
import { readPlace, type Beginning } from '@/core/camera/live/address'
import { controlsOf } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { Memory } from '@/core/camera/memory'
import type { Plan } from '@/core/plan/plan'
import { entriesOf, notedRow, type RowId } from '@/core/plan/rows'
import { readProcedurePlace, type ProcedureAsked } from '@/core/procedures/place'
import { useStable } from '@/ui/use-stable'
import { plannedContext, usualContext } from '@/core/resolve/context'
import { labelsOf, type Shown } from '@/features/plates'
import { useDesk, useDeskPart, usePlan, usePlaceInPage } from '@/features/desk'
import { useLive } from './use-live'

const nothing: ReadonlySet<RowId> = new Set()
const noFindings: Shown['findings'] = new Map()

/** The panels beside the body by what they are called. */
export const panels = {
  log: 'Log',
  hand: 'In hand',
  menu: 'Menu',
  sequence: 'Sequence',
  procedure: 'Procedure',
} as const

type Panel = keyof typeof panels

/** A procedure that is played on the body, and how many of its acts are behind it; null before it has begun. */
interface Played extends ProcedureAsked {
  readonly at: number | null
}

const fieldMoves: Played = { procedure: 'field-moves', body: '', place: '', at: null }

/** What the Try it station knows and does: the simulated body, what it shows, and the keys that are pressed on its plate. */
export function useTryStation() {
  const { start } = useDesk()
  const plan = usePlan()
  const side = useDeskPart('side')
  const { model, lenses } = start
  const usual = useMemo(
    () => usualContext(model, plan, lenses, side)?.context ?? plannedContext(model, plan, side, null),
    [model, plan, lenses, side],
  )
  const [first] = useState<Beginning>({ context: usual, held: [] })
  const body = useLive(first)
  const { seen } = body
  const [panel, setPanel] = useState<Panel>('log')
  const [played, setPlayed] = useState<Played>(fieldMoves)
  usePlaceInPage((place) => {
    const asked = readProcedurePlace(place)
    if (asked === null) return body.startOver(readPlace(model, plan, lenses, usual, place))
    setPlayed({ ...asked, at: null })
    setPanel('procedure')
  })
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const face = model.faces.find((one) => one.id === faceId) ?? model.faces[0]
  const fittedLens = seen ? seen.lens : usual.lens
  const attached = seen?.attached ?? usual.attached
  const shownSide = seen?.side ?? usual.side
  const memory = seen?.memory
  const labels = useMemo(() => {
    const fitted = { lens: fittedLens ?? usual.lens, attached: attached ?? [] }
    const shown = {
      ...{ model, side: shownSide, findings: noFindings, changed: nothing, fitted, uses: null },
      plan: memory ? holding(plan, memory) : plan,
    }
    return face ? labelsOf(shown, face) : []
  }, [model, plan, memory, face, shownSide, fittedLens, attached, usual.lens])
  const held = seen?.held
  const [pointedAt, pointAt] = useState<string | null>(null)
  const lit = useMemo(
    () => new Set([...controlsOf(model, held ?? []), ...(pointedAt === null ? [] : [pointedAt])]),
    [model, held, pointedAt],
  )
  return {
    model,
    lenses,
    body,
    seen,
    startOver: () => body.startOver({ context: usual, held: [] }),
    faceId,
    pickFace: setFaceId,
    face,
    labels,
    /** Controls that are held, and the one that comes next in what is played. */
    lit,
    ...{ panel, pickPanel: setPanel, played, setPlayed },
    /** Shows a control as the one that comes next, on its face; none with null. */
    pointAt: useStable((control: string | null) => {
      pointAt(control)
      const on = lookup(model).controls.get(control ?? '')?.face
      if (on !== undefined) setFaceId(on)
    }),
    ...usePresses(body),
  }
}

/** What a body holds, as labels are written from it; whether something is empty on purpose the plan says. */
function holding(plan: Plan, memory: Memory): Plan {
  const reasons = entriesOf(plan.rows).filter(([row]) => notedRow(row, 'why') !== null)
  return { ...plan, rows: { ...Object.fromEntries(reasons), ...memory } }
}

/** What the station's parts are given. */
export type TryKnown = ReturnType<typeof useTryStation>

/** Keys pressed by the pointer and the keyboard, and the control pressed last. */
function usePresses({ act, happen }: ReturnType<typeof useLive>) {
  const { model } = useDesk().start
  const [control, setControl] = useState<string | null>(null)
  const pointed = useRef<{ control: string; gesture: string } | null>(null)
  const handOn = (target: EventTarget | null) => {
    const element = target instanceof Element ? target.closest('[data-address], [data-control]') : null
    const address = lookup(model).addresses.get(element?.getAttribute('data-address') ?? '')
    if (address) return { control: address.control.id, gesture: address.gesture.id }
    const named = lookup(model).controls.get(element?.getAttribute('data-control') ?? '')
    const gesture = named?.gestures.find((one) => one.id !== 'turn') ?? named?.gestures[0]
    return named && gesture ? { control: named.id, gesture: gesture.id } : null
  }
  const press = (of: string, gesture: string) => act({ kind: 'press', control: of, gesture })
  const letGo = (of: string, gesture: string) => act({ kind: 'let-go', control: of, gesture })
  const tap = (of: string, gesture: string) => {
    press(of, gesture)
    letGo(of, gesture)
  }
  return {
    /** The control pressed last. */
    control,
    tap,
    /** A pointer goes down on the plate: with Shift the key stays down, or the dial turns the other way. */
    onPointerDown: (event: React.PointerEvent) => {
      const hand = handOn(event.target)
      if (!hand || event.button !== 0) return
      setControl(hand.control)
      if (hand.gesture === 'turn') return happen({ kind: 'turn', ...hand, clicks: event.shiftKey ? -1 : 1 })
      press(hand.control, hand.gesture)
      pointed.current = event.shiftKey ? null : hand
    },
    onPointerUp: () => {
      if (pointed.current) letGo(pointed.current.control, pointed.current.gesture)
      pointed.current = null
    },
    onKeyDown: (event: React.KeyboardEvent) => {
      const typing = event.target instanceof Element && event.target.closest('input, textarea, select')
      if (typing || event.ctrlKey || event.metaKey) return
      if (event.key === 'Escape') act({ kind: 'let-all-go' })
      if (event.key.toLowerCase() === 'r') happen({ kind: 'full' })
      const hand = handOn(event.target)
      if (!hand) return
      const turns = hand.gesture === 'turn'
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault()
        setControl(hand.control)
        if (turns) happen({ kind: 'turn', ...hand, clicks: 1 })
        else tap(hand.control, hand.gesture)
      }
      if (event.key.toLowerCase() === 'h' && !turns) press(hand.control, hand.gesture)
      if (turns && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
        event.preventDefault()
        happen({ kind: 'turn', ...hand, clicks: event.key === 'ArrowLeft' ? -1 : 1 })
      }
    },
  }
}
