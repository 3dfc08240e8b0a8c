'use client'

import { useMemo, useRef, useState } from 'react'
import { readPlace, type Beginning } from '@/core/camera/live/address'
import { displayOf } from '@/core/camera/live/display'
import { focusWords } from '@/core/camera/live/hands'
import { effectiveFunctionIdsOf, focusNow } from '@/core/camera/live/key-presses'
import { contextOf, heldFunctions, memoryPlan } from '@/core/camera/live/state'
import { finderIn } from '@/core/focus/finder'
import { controlsOf } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { RowId } from '@/core/plan/rows'
import { contextIn, usualContext } from '@/core/resolve/context'
import { labelsOf } from '@/features/plates'
import { useDesk, useDeskPart, usePlan, usePlaceInPage } from '@/features/desk'
import { useLive } from './use-live'

const nothing: ReadonlySet<RowId> = new Set()

/** What the Try it station knows and does: the simulated body, what it shows, and the keys that are pressed on its plate. */
export function useTryStation() {
  const { start } = useDesk()
  const plan = usePlan()
  const side = useDeskPart('side')
  const { model, lenses } = start
  const usual = useMemo(
    () => usualContext(model, plan, lenses, side)?.context ?? contextIn(model, side, null),
    [model, plan, lenses, side],
  )
  const [first] = useState<Beginning>({ context: usual, held: [] })
  const body = useLive(first)
  const { state } = body
  usePlaceInPage((place) => body.startOver(readPlace(model, lenses, usual, place)))
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const face = model.faces.find((one) => one.id === faceId) ?? model.faces[0]
  const { lens, attached } = state
  const labels = useMemo(() => {
    const fitted = { lens: lens ?? usual.lens, attached }
    const shown = { model, plan, side: state.side, findings: [], changed: nothing, fitted, uses: null }
    return face ? labelsOf(shown, face) : []
  }, [model, plan, face, state.side, lens, attached, usual.lens])
  const picture = useMemo(() => {
    const held = heldFunctions(model, state, effectiveFunctionIdsOf(model, state))
    return finderIn(model, memoryPlan(state), contextOf(state, held))
  }, [model, state])
  return {
    model,
    lenses,
    body,
    startOver: () => body.startOver({ context: usual, held: [] }),
    faceId,
    pickFace: setFaceId,
    face,
    labels,
    heldControls: useMemo(() => controlsOf(model, state.held), [model, state.held]),
    display: useMemo(() => displayOf(model, state), [model, state]),
    picture,
    outcome: focusNow(model, state),
    words: focusWords(model, state),
    ...usePresses(body),
  }
}

/** What the station's parts are given. */
export type TryKnown = ReturnType<typeof useTryStation>

/** Keys pressed by the pointer and the keyboard, and the control pressed last. */
function usePresses({ state, happen, press, letGo }: ReturnType<typeof useLive>) {
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
  const tap = (of: string, gesture: string) => {
    press(of, gesture)
    letGo(of, gesture)
  }
  const letAllGo = () => {
    for (const key of state.held) {
      const address = lookup(model).addresses.get(key)
      if (address) letGo(address.control.id, address.gesture.id)
    }
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
      if (event.key === 'Escape') letAllGo()
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
