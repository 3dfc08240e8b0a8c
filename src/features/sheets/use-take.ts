'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import { entriesOf } from '@/core/plan/rows'
import { takeLines, type TypedLine } from '@/core/sheets/edit/take'
import { useDesk, usePlan } from '@/features/desk'

/** A file that came back: read by the server, held against the plan under work, and taken in part or whole. */
export function useTake() {
  const desk = useDesk()
  const plan = usePlan()
  const { model, planId } = desk.start
  const [typed, setTyped] = useState<readonly TypedLine[] | null>(null)
  const [notes, setNotes] = useState<readonly string[]>([])
  const [refusal, setRefusal] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  /** The lines that are not as they would be chosen: changes left out, conflicts taken. */
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set())
  const asked = useRef<AbortController | null>(null)
  useEffect(() => () => asked.current?.abort(), [])
  const lines = useMemo(() => typed && takeLines(model, plan, typed), [typed, model, plan])
  const chosen = useMemo(
    () =>
      new Set(
        (lines ?? [])
          .filter(({ at, fate }) =>
            fate === 'taken' ? !turned.has(at) : fate === 'conflict' && turned.has(at),
          )
          .map(({ at }) => at),
      ),
    [lines, turned],
  )
  const read = async (file: File) => {
    const control = new AbortController()
    asked.current = control
    setBusy(true)
    setRefusal(null)
    setTyped(null)
    setNotes([])
    setTurned(new Set())
    try {
      const response = await fetch(`/api/plans/${planId}/take`, {
        ...{ method: 'POST', body: file, signal: control.signal },
        headers: { 'content-type': 'application/octet-stream' },
      })
      const said = (await response.json()) as {
        lines?: TypedLine[]
        notes?: string[]
        refusal?: { message: string }
      }
      if (said.lines) setTyped(said.lines)
      else setRefusal(said.refusal?.message ?? 'The server refuses the file.')
      setNotes(said.notes ?? [])
    } catch {
      if (!control.signal.aborted) setRefusal('The server does not answer: a file is read by it.')
    }
    setBusy(false)
  }
  return {
    ...{ lines, notes, refusal, isBusy, chosen, read },
    stop: () => asked.current?.abort(),
    toggle: (at: string) =>
      setTurned((was) => {
        const next = new Set(was)
        if (!next.delete(at)) next.add(at)
        return next
      }),
    take: () => {
      const sets = (lines ?? []).filter(({ at }) => chosen.has(at)).flatMap((line) => entriesOf(line.sets))
      desk.set(Object.fromEntries(sets))
      setTurned(new Set())
    },
    close: () => {
      setTyped(null)
      setNotes([])
    },
  }
}

/** What the panel is given. */
export type Taking = ReturnType<typeof useTake>
