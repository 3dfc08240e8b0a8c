'use client'

import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react'
import type { Beginning } from '@/core/camera/live/address'
import type { LiveEvent, LogLine } from '@/core/camera/live/events'
import { heldAddress } from '@/core/camera/live/key-presses'
import { live } from '@/core/camera/live/live'
import { runScript, type Played as PlayedEvent } from '@/core/camera/live/run-script'
import { liveAt } from '@/core/camera/live/stand-at'
import type { LiveState } from '@/core/camera/live/state'
import { writeEvent } from '@/core/camera/live/write-script'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import { useDesk, usePlan } from '@/features/desk'

/** The name under which the time from an event to the frame that shows it is kept in the browser's own measures. */
export const pressMeasure = 'press'

/** What happened, the newest first, each with its line of the script. */
export interface Happened {
  readonly id: number
  readonly line: string
  readonly log: readonly LogLine[]
  /** For an expectation of a script that was not met: what there was instead. */
  readonly instead: string | null
}

/** A body and its story so far. */
interface SimulatedBody {
  readonly state: LiveState
  readonly story: readonly Happened[]
}

/** A body in the hand: its state, what happened to it, and how it is worked. It starts over when the plan changes. */
export function useLive(start: Beginning) {
  const { model, lenses } = useDesk().start
  const plan = usePlan()
  const [from, setFrom] = useState(start)
  const before = useMemo(() => liveAt(model, plan, from.context), [model, plan, from])
  const begin = useMemo(() => withKeysDown(model, before, from.held), [model, before, from])
  const [kept, setKept] = useState<SimulatedBody & { begin: SimulatedBody }>({ begin, ...begin })
  const now = kept.begin === begin ? kept : { begin, ...begin }
  const latest = useRef(now)
  const asked = useRef<number | null>(null)
  useLayoutEffect(() => {
    latest.current = now
    if (asked.current === null) return
    performance.measure(pressMeasure, { start: asked.current })
    asked.current = null
  })

  const show = useCallback((next: typeof now) => {
    latest.current = next
    setKept(next)
  }, [])

  const happen = useCallback(
    (event: LiveEvent): void => {
      asked.current = performance.now()
      show({ ...latest.current, ...after(model, latest.current, event) })
    },
    [model, show],
  )

  const isDown = (control: string, gesture: string) =>
    heldAddress(model, latest.current.state, control, gesture) !== undefined

  /** A key let go, where it is down. */
  const letGo = (control: string, gesture: string) => {
    if (isDown(control, gesture)) happen({ kind: 'release', control, gesture })
  }

  /** A key pressed; one that is held down is let go. */
  const press = (control: string, gesture: string) => {
    if (isDown(control, gesture)) letGo(control, gesture)
    else happen({ kind: 'press', control, gesture })
  }

  /** Plays a script from the beginning; a refusal is returned in words and changes nothing. */
  const play = (text: string): string | null => {
    const done = runScript(model, before, text, lenses)
    if (!done.ok) return `${done.refusal.where ?? ''}: ${done.refusal.message}`.replace(/^: /, '')
    show({ begin, state: done.value.state, story: done.value.played.map(toHappened).reverse() })
    return null
  }

  return { state: now.state, story: now.story, happen, press, letGo, play, startOver: setFrom }
}

function withKeysDown(model: BodyModel, state: LiveState, held: readonly string[]): SimulatedBody {
  return held.reduce<SimulatedBody>(
    (body, key) => {
      const address = lookup(model).addresses.get(key)
      if (!address) return body
      return after(model, body, { kind: 'press', control: address.control.id, gesture: address.gesture.id })
    },
    { state, story: [] },
  )
}

/** The body after an event; one that cannot be at all is told as refused. */
function after(model: BodyModel, { state, story }: SimulatedBody, event: LiveEvent): SimulatedBody {
  const done = live(model, state, event)
  const log: readonly LogLine[] = done.ok
    ? done.value.log
    : [{ kind: 'refused', words: done.refusal.message }]
  const line = { id: story.length, line: writeEvent(model, event), log, instead: null }
  return { state: done.ok ? done.value.state : state, story: [line, ...story] }
}

function toHappened({ text, log, instead }: PlayedEvent, i: number): Happened {
  return { id: i, line: text, log, instead }
}
