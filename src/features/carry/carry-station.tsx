'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { endedWords, heldSentence, type BodyLine } from '@/features/bodies/body-line'
import type { Holds } from '@/core/camera/carry'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/trouble'
import { CardChoice } from './card-choice'
import { readNews } from './news'
import { after, idle, type Progress } from './progress'
import { Finished, Stages } from './stages'

/** A past transfer. */
export interface PastTransfer {
  readonly id: string
  readonly bodyName: string
  readonly revision: number
  readonly outcome: string
  readonly holds: Holds | null
  readonly startedAt: string
  readonly compared: number | null
}

/** The Carry station: choose a body, watch every stage, know what is left to do by hand. */
export function CarryStation({
  bodies,
  past,
}: {
  bodies: readonly BodyLine[]
  past: readonly PastTransfer[]
}) {
  const { start } = useDesk()
  const { saving } = useDeskView()
  const router = useRouter()
  const [target, setTarget] = useState(bodies[1]?.id ?? bodies[0]?.id ?? '')
  const [progress, setProgress] = useState<Progress>(idle)
  const [running, setRunning] = useState(false)
  const [changing, setChanging] = useState(false)
  const stop = useRef<AbortController | null>(null)
  const body = bodies.find((one) => one.id === target)

  const carry = async () => {
    stop.current = new AbortController()
    setRunning(true)
    setProgress(idle)
    try {
      await readNews(`/api/plans/${start.planId}/carry`, { body: target }, stop.current.signal, (news) =>
        setProgress((before) => after(before, news)),
      )
    } catch {
      const stopped = stop.current.signal.aborted
      const refusal = {
        code: 'unreachable',
        message: 'The server stopped answering.',
        where: body?.name ?? '',
      }
      setProgress((before) =>
        stopped
          ? { ...before, current: null, stopped: { holds: null } }
          : { ...before, current: null, refused: { stage: before.current, refusal, holds: null } },
      )
    }
    setRunning(false)
    router.refresh()
  }

  if (!body) {
    return (
      <p className="px-5 py-8 text-lead">
        There is no body to carry this plan to yet. Bodies stand on the shelf.
      </p>
    )
  }
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[340px_minmax(0,1fr)]">
      <section aria-label="Target" className="grid content-start gap-3">
        <h1 className="font-head text-title font-semibold">Carry to a body</h1>
        <div role="group" aria-label="Body" className="grid gap-2">
          {bodies.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-pressed={one.id === target}
              disabled={running}
              onClick={() => {
                setTarget(one.id)
                setProgress(idle)
              }}
              className="border bg-sheet px-3.5 py-2.5 text-left aria-pressed:border-brine aria-pressed:outline-1 aria-pressed:outline-brine"
            >
              <span className="block font-head text-lead font-semibold">{one.name}</span>
              <span className="block text-silt">
                {one.place} · {one.model} · {one.serial} · firmware {one.firmware}
              </span>
              <span className="block text-small text-silt">
                {one.last
                  ? `last: revision ${one.last.revision}, ${endedWords(one.last)}`
                  : 'nothing carried to it yet'}
              </span>
            </button>
          ))}
        </div>
        <CardChoice
          body={body}
          disabled={running || changing}
          onChanging={(underWay) => {
            setChanging(underWay)
            if (!underWay) router.refresh()
          }}
        />
        <div className="flex gap-2">
          <Button main disabled={running || changing || saving !== 'saved'} onClick={() => void carry()}>
            Carry to {body.name}
          </Button>
          {running && <Button onClick={() => stop.current?.abort()}>Stop</Button>}
        </div>
        <p className="text-small text-silt">
          The plan as it stands is frozen as a revision first. The body is saved before anything is written to
          it; that backup stays on the shelf.
        </p>
      </section>
      <section aria-label="Transfer" className="min-w-0 border bg-sheet p-4">
        <h2 className="font-head text-lead font-semibold">
          {progress.revision === null
            ? `What will happen with ${body.name}`
            : `Revision ${progress.revision} → ${body.name}`}
        </h2>
        <Stages progress={progress} />
        {progress.refused && (
          <div className="mt-3">
            <RefusalNote refusal={progress.refused.refusal} />
            <p className="mt-1 text-silt">
              {progress.refused.stage === null &&
              progress.revision === null &&
              progress.refused.refusal.code !== 'unreachable'
                ? 'Nothing was begun.'
                : heldSentence(body.name, progress.refused.holds)}{' '}
              Mend the cause and carry again.
            </p>
          </div>
        )}
        {progress.stopped && (
          <p className="mt-3 font-semibold text-lichen">
            Stopped. {heldSentence(body.name, progress.stopped.holds)}
          </p>
        )}
        {progress.finished && <Finished finished={progress.finished} name={body.name} />}
        {past.length > 0 && <Past past={past} />}
      </section>
    </main>
  )
}

function Past({ past }: { past: readonly PastTransfer[] }) {
  return (
    <div className="mt-5 border-t pt-3">
      <h3 className="font-semibold">Carried so far</h3>
      <ul className="text-silt">
        {past.map((one) => (
          <li key={one.id}>
            {one.startedAt} · revision {one.revision} → {one.bodyName} · {endedWords(one)}
            {one.compared !== null && ` · ${one.compared} rows`}
          </li>
        ))}
      </ul>
    </div>
  )
}
