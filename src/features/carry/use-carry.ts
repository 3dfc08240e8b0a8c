'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { BodyLine } from '@/features/bodies'
import { useDesk, useDeskPart } from '@/features/desk'
import { readNews } from './news'
import { after, idle, type Progress } from './progress'

/** What the Carry station knows and does: the body chosen, the transfer under way, its stages as they are told. */
export function useCarry(bodies: readonly BodyLine[]) {
  const { start } = useDesk()
  const saving = useDeskPart('saving')
  const router = useRouter()
  const own = bodies.filter(({ modelId }) => modelId === start.model.id)
  const [target, setTarget] = useState(own[0]?.id ?? '')
  const [progress, setProgress] = useState<Progress>(idle)
  const [running, setRunning] = useState(false)
  const [changing, setChanging] = useState(false)
  const stopping = useRef<AbortController | null>(null)
  const body = bodies.find((one) => one.id === target)

  const carry = async () => {
    const control = new AbortController()
    stopping.current = control
    setRunning(true)
    setProgress(idle)
    try {
      await readNews(`/api/plans/${start.planId}/carry`, { body: target }, control.signal, (news) =>
        setProgress((before) => after(before, news)),
      )
    } catch {
      setProgress((before) => brokenOff(before, control.signal.aborted, body?.name ?? ''))
    }
    setRunning(false)
    router.refresh()
  }
  return {
    body,
    /** The bodies of the plan’s model, and those that no file of it can be loaded on. */
    own,
    others: bodies.filter((one) => !own.includes(one)),
    model: `${start.model.maker} ${start.model.name}`,
    progress,
    running,
    /** The card of the body is being changed. */
    changing,
    /** It can be begun: nothing is under way, and everything is saved. */
    ready: !running && !changing && saving === 'saved',
    carry,
    stop: () => stopping.current?.abort(),
    choose: (id: string) => {
      setTarget(id)
      setProgress(idle)
    },
    changeCard: (underWay: boolean) => {
      setChanging(underWay)
      if (!underWay) router.refresh()
    },
  }
}

/** What is told where the news end without saying how the transfer did: stopped here, or nobody answers any more. */
function brokenOff(before: Progress, wasStopped: boolean, body: string): Progress {
  if (wasStopped) return { ...before, current: null, stopped: { holds: null } }
  const refusal = { code: 'unreachable', message: 'The server stopped answering.', where: body }
  return { ...before, current: null, refused: { stage: before.current, refusal, holds: null } }
}
