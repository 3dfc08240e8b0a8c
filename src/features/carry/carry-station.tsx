'use client'

import { Check, CircleDashed, LoaderCircle, OctagonX } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { carryStages, type CarryNews, type CarryStage, type HandWork } from '@/core/camera/carry'
import type { Refusal } from '@/core/result'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/trouble'
import { readNews } from './news'

/** A body as this screen needs it. */
export interface TargetBody {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly model: string
  readonly serial: string
  readonly firmware: string
  readonly card: 'ready' | 'locked' | 'full' | 'none'
  readonly last: string | null
}

/** A past transfer. */
export interface PastTransfer {
  readonly id: string
  readonly bodyName: string
  readonly revision: number
  readonly outcome: string
  readonly startedAt: string
  readonly compared: number | null
}

interface Progress {
  readonly revision: number | null
  readonly done: Readonly<Partial<Record<CarryStage, string>>>
  readonly current: CarryStage | null
  readonly refused: { readonly stage: CarryStage | null; readonly refusal: Refusal } | null
  readonly stopped: boolean
  readonly finished: {
    readonly compared: number
    readonly handWork: readonly HandWork[]
    readonly record: string
  } | null
}

const idle: Progress = {
  revision: null,
  done: {},
  current: null,
  refused: null,
  stopped: false,
  finished: null,
}

/** The Carry station: choose a body, watch every stage, know what is left to do by hand. */
export function CarryStation({
  bodies,
  past,
}: {
  bodies: readonly TargetBody[]
  past: readonly PastTransfer[]
}) {
  const { start } = useDesk()
  const { saving } = useDeskView()
  const router = useRouter()
  const [target, setTarget] = useState(bodies[1]?.id ?? bodies[0]?.id ?? '')
  const [progress, setProgress] = useState<Progress>(idle)
  const [running, setRunning] = useState(false)
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
        message: 'The server stopped answering. The body keeps what it had.',
        where: body?.name ?? '',
      }
      setProgress((before) =>
        stopped
          ? { ...before, current: null, stopped: true }
          : { ...before, current: null, refused: { stage: before.current, refusal } },
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
              <span className="block text-small text-silt">{one.last ?? 'nothing carried to it yet'}</span>
            </button>
          ))}
        </div>
        <CardChoice body={body} disabled={running} onChanged={() => router.refresh()} />
        <div className="flex gap-2">
          <Button main disabled={running || saving !== 'saved'} onClick={() => void carry()}>
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
            <p className="mt-1 text-silt">{body.name} is as it was before. Mend the cause and carry again.</p>
          </div>
        )}
        {progress.stopped && (
          <p className="mt-3 font-semibold text-lichen">Stopped. {body.name} is as it was before.</p>
        )}
        {progress.finished && <Finished finished={progress.finished} name={body.name} />}
        {past.length > 0 && <Past past={past} />}
      </section>
    </main>
  )
}

const stageWords: Record<CarryStage, { name: string; what: string }> = {
  preflight: { name: 'Preflight', what: 'model, firmware, card, battery, what will be overwritten' },
  backup: { name: 'Backup', what: 'the body’s own configuration is saved first' },
  write: { name: 'Write', what: 'the plan becomes a configuration file on the card' },
  load: { name: 'Load', what: 'the body reads the file' },
  restart: { name: 'Restart', what: 'what was read takes effect' },
  readBack: { name: 'Read back', what: 'the body is saved again' },
  compare: { name: 'Compare', what: 'every row sent against every row read back' },
  handWork: { name: 'Hand work', what: 'what no file carries' },
}

function Stages({ progress }: { progress: Progress }) {
  return (
    <ol aria-live="polite" className="mt-2 divide-y">
      {carryStages.map((stage) => {
        const { name, what } = stageWords[stage]
        const done = progress.done[stage]
        const refused = progress.refused?.stage === stage
        const current = progress.current === stage
        return (
          <li key={stage} className="grid grid-cols-[24px_110px_1fr] items-start gap-1 py-1.5">
            <span className="pt-0.5">
              {done !== undefined ? (
                <Check size={17} className="text-samphire" aria-label="done" />
              ) : refused ? (
                <OctagonX size={17} className="text-rust" aria-label="refused" />
              ) : current ? (
                <LoaderCircle
                  size={17}
                  className="animate-spin text-brine motion-reduce:animate-none"
                  aria-label="under way"
                />
              ) : (
                <CircleDashed size={17} className="text-silt" aria-label="to do" />
              )}
            </span>
            <span className="font-semibold">{name}</span>
            <span className={done === undefined ? 'text-silt' : ''}>{done ?? what}</span>
          </li>
        )
      })}
    </ol>
  )
}

function Finished({ finished, name }: { finished: NonNullable<Progress['finished']>; name: string }) {
  return (
    <div className="mt-3 border-t-2 border-samphire pt-3">
      <p className="font-head text-title font-semibold text-samphire">
        Identical · {finished.compared} rows compared
      </p>
      {finished.handWork.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Hand work on {name}: no file carries these</h3>
          <ul className="mt-1 grid gap-1">
            {finished.handWork.map((line) => (
              <li key={line.setting}>
                <b>{line.label}</b> <span className="font-mono text-small text-silt">{line.menu}</span>:{' '}
                {line.done ? (
                  `is ${line.wanted} already`
                ) : (
                  <>
                    set <b className="font-mono">{line.wanted}</b>; it is {line.now}
                  </>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-2 font-mono text-small break-all text-silt">record {finished.record.slice(0, 16)}…</p>
    </div>
  )
}

function Past({ past }: { past: readonly PastTransfer[] }) {
  return (
    <div className="mt-5 border-t pt-3">
      <h3 className="font-semibold">Carried so far</h3>
      <ul className="text-silt">
        {past.map((one) => (
          <li key={one.id}>
            {one.startedAt} · revision {one.revision} → {one.bodyName} · {one.outcome}
            {one.compared !== null && ` · ${one.compared} rows`}
          </li>
        ))}
      </ul>
    </div>
  )
}

function CardChoice({
  body,
  disabled,
  onChanged,
}: {
  body: TargetBody
  disabled: boolean
  onChanged: () => void
}) {
  const change = async (condition: string) => {
    await fetch(`/api/bodies/${body.id}/card`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ condition }),
    })
    onChanged()
  }
  return (
    <label className="text-small text-silt">
      Card in {body.name} (a simulated body)
      <select
        value={body.card}
        disabled={disabled}
        onChange={(event) => void change(event.target.value)}
        className="mt-0.5 block min-h-9 w-full rounded border bg-sheet px-2 text-body text-ink"
      >
        <option value="ready">in the body, ready</option>
        <option value="locked">in the body, locked</option>
        <option value="full">in the body, full</option>
        <option value="none">no card</option>
      </select>
    </label>
  )
}

function after(before: Progress, news: CarryNews): Progress {
  switch (news.kind) {
    case 'begun':
      return { ...before, revision: news.revision }
    case 'stage':
      return { ...before, current: news.stage }
    case 'done':
      return { ...before, current: null, done: { ...before.done, [news.stage]: news.message } }
    case 'refused':
      return { ...before, current: null, refused: { stage: news.stage, refusal: news.refusal } }
    case 'stopped':
      return { ...before, current: null, stopped: true }
    case 'finished':
      return { ...before, current: null, finished: news }
  }
}
