'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { CarryStage } from '@/core/camera/stages'
import type { SeenBefore } from '@/core/camera/preflight'
import type { BodyLine } from '@/features/bodies'
import { useFetched } from '@/ui/use-fetched'
import { readNews } from './news'
import { after, brokenOff, idle, type Progress } from './progress'
import type { CarrySourceChoice } from './sources'

/** What carrying is given: what can be carried, to which bodies, and whether everything is saved. */
export interface CarryGiven {
  readonly sources: readonly CarrySourceChoice[]
  readonly bodies: readonly BodyLine[]
  /** The id of the body chosen at first; else the first of the model. */
  readonly to?: string | undefined
  readonly isSaved: boolean
  /** Changes when what is carried does, so that it is looked at anew. */
  readonly mark: string
}

/** What carrying knows and does: source and bodies chosen, what would happen to each, the transfers under way. */
export function useCarry({ sources, bodies, to, isSaved, mark }: CarryGiven) {
  const router = useRouter()
  const [picked, setPicked] = useState<string | null>(null)
  const source = sources.find(({ id }) => id === picked) ?? sources[0]
  const own = bodies.filter(({ id, modelId }) => modelId === source?.modelId && `body:${id}` !== source.id)
  const [chosen, setChosen] = useState<readonly string[] | null>(null)
  const usual = own.filter(({ id }) => id === to)
  const targets = chosen ? own.filter(({ id }) => chosen.includes(id)) : [...usual, ...own].slice(0, 1)
  const [pauseBefore, setPauseBefore] = useState<CarryStage | ''>('')
  const [progress, setProgress] = useState<Readonly<Record<string, Progress>>>({})
  const [running, setRunning] = useState<string | null>(null)
  const [round, setRound] = useState(0)
  const stopping = useRef<AbortController | null>(null)
  const asked = source && targets.length > 0 && isSaved && running === null
  const seen = useFetched<SeenBefore>(
    asked
      ? `/api/carry/preflight?source=${encodeURIComponent(source.id)}${targets.map(({ id }) => `&body=${id}`).join('')}&at=${encodeURIComponent(`${mark} ${round}`)}`
      : null,
  )
  const seenOf = (id: string) => seen.value?.bodies.find((one) => one.id === id)
  const clear = targets.filter(({ id }) => seenOf(id)?.preflight?.isClear === true)

  const follow = async (body: BodyLine, address: string, order: object, control: AbortController) => {
    setRunning(body.id)
    setProgress((all) => ({ ...all, [body.id]: idle }))
    const change = (how: (before: Progress) => Progress) =>
      setProgress((all) => ({ ...all, [body.id]: how(all[body.id] ?? idle) }))
    try {
      await readNews(address, order, control.signal, (news) => change((before) => after(before, news)))
    } catch {
      change((before) => brokenOff(before, control.signal.aborted, body.name))
    }
  }
  const finished = () => {
    setRunning(null)
    setRound((before) => before + 1)
    router.refresh()
  }
  const carry = async () => {
    const control = new AbortController()
    stopping.current = control
    setProgress({})
    for (const body of clear) {
      if (control.signal.aborted) break
      const order = {
        ...{ source: source?.id, body: body.id, request: crypto.randomUUID() },
        ...(pauseBefore === '' ? {} : { pauseBefore }),
      }
      await follow(body, '/api/carry', order, control)
    }
    finished()
  }
  const goOn = async (transfer: string, bodyId: string) => {
    const body = bodies.find(({ id }) => id === bodyId)
    if (!body) return
    const control = new AbortController()
    stopping.current = control
    setProgress({})
    await follow(body, `/api/transfers/${transfer}/go-on`, {}, control)
    finished()
  }
  return {
    ...{ source, own, targets, clear, seen, progress, running, pauseBefore },
    others: bodies.filter(({ modelId }) => modelId !== source?.modelId),
    seenOf,
    /** It can be begun: nothing is under way, everything is saved, and some body can take it. */
    ready: running === null && isSaved && clear.length > 0,
    carry,
    goOn,
    stop: () => stopping.current?.abort(),
    pickSource: (id: string) => {
      setPicked(id)
      setChosen(null)
      setProgress({})
    },
    toggle: (id: string) => {
      const now = targets.map((one) => one.id)
      setChosen(now.includes(id) ? now.filter((one) => one !== id) : [...now, id])
      setProgress({})
    },
    setPauseBefore,
  }
}

/** What carrying knows and does. */
export type Carrying = ReturnType<typeof useCarry>
