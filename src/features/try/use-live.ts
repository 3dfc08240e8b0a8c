'use client'

import { useCallback, useContext, useEffect, useLayoutEffect, useRef, useState } from 'react'
import type { Beginning } from '@/core/camera/live/address'
import type { LiveEvent } from '@/core/camera/live/events'
import type { HandAct } from '@/core/camera/live/in-hand'
import type { Doing } from '@/core/camera/live/port'
import type { Seen } from '@/core/camera/live/seen'
import { withDelta, type Delta } from '@/core/delta'
import { useDesk, usePlan } from '@/features/desk'
import { BodyThreadContext, type BodyThread } from './body-thread'

/** The name under which the time from an act to the frame that shows it is kept in the browser's own measures. */
export const pressMeasure = 'press'

/** A body in the hand: what is seen of it, null until it stands, and how it is worked. It starts over when the plan changes. */
export function useLive(start: Beginning) {
  const desk = useDesk()
  const { model, lenses } = desk.start
  const plan = usePlan()
  const startThread = useContext(BodyThreadContext)
  const [from, setFrom] = useState(start)
  const [seen, setSeen] = useState<Seen | null>(null)
  const [attempt, setAttempt] = useState(0)
  const thread = useRef<BodyThread | null>(null)
  const changing = usePressMeasure(seen)

  /** Asks the thread something, and shows what changed; what breaks is told, with a way to begin anew. */
  const ask = useCallback(
    async <T>(question: (port: BodyThread['port']) => Promise<T>, changed: (answer: T) => Delta | null) => {
      const current = thread.current
      const begun = performance.now()
      if (!current) return null
      try {
        const answer = await question(current.port)
        if (thread.current !== current) return null
        const delta = changed(answer)
        if (delta) {
          changing(begun)
          setSeen((was) => withDelta(was, delta) as Seen)
        }
        return answer
      } catch (error) {
        if (thread.current === current) desk.fail(String(error), () => setAttempt((count) => count + 1))
        return null
      }
    },
    [desk, changing],
  )

  useEffect(() => {
    const made = startThread((words) => desk.fail(words, () => setAttempt((count) => count + 1)))
    thread.current = made
    void ask(
      (port) => port.begin(model, lenses),
      () => null,
    )
    return () => {
      thread.current = null
      made.end()
    }
  }, [startThread, desk, model, lenses, ask, attempt])

  useEffect(() => {
    void ask((port) => port.stand(plan, from), same)
  }, [plan, from, ask, attempt])

  const act = useCallback((what: HandAct): void => void ask((port) => port.act(what), same), [ask])

  return {
    seen,
    act,
    /** Lets it hold a memory of its own, until the plan changes or it starts over. */
    hold: (what: Parameters<BodyThread['port']['hold']>[0]) => void ask((port) => port.hold(what), same),
    /** Acts one after another; what is only tried is undone by what comes next. */
    doing: (acts: readonly Doing[]) => void ask((port) => port.doing(acts), same),
    happen: useCallback((event: LiveEvent) => act({ kind: 'event', event }), [act]),
    /** Plays a script from the beginning; what is wrong with it is returned in words and changes nothing. */
    play: async (text: string): Promise<string | null> =>
      (
        await ask(
          (port) => port.play(text),
          ({ delta }) => delta,
        )
      )?.wrong ?? null,
    startOver: setFrom,
  }
}

const same = (delta: Delta | null) => delta

/** Measures from an act to the frame that shows what came of it; gives what is told when an act that began then is about to be shown. */
function usePressMeasure(seen: Seen | null): (begun: number) => void {
  const since = useRef<number | null>(null)
  useLayoutEffect(() => {
    if (since.current === null) return
    performance.measure(pressMeasure, { start: since.current })
    since.current = null
  }, [seen])
  return useCallback((begun: number) => {
    since.current ??= begun
  }, [])
}
