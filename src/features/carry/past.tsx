'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { stageNames } from '@/core/camera/stages'
import { capital } from '@/core/text'
import { endedWords } from '@/features/bodies'
import { Offer } from '@/ui/button'
import { Check } from '@/ui/check'
import { RefusalNote } from '@/ui/refusal-note'
import { TextLink } from '@/ui/text-link'
import { When } from '@/ui/when'
import { ask } from '@/ui/ask'
import type { PastTransfer } from './sources'

/** What was carried, the newest first: each with the way back, its hand work to tick, and, where it waits, the way on. */
export function Past({
  past,
  busy,
  onGoOn,
}: {
  past: readonly PastTransfer[]
  busy: boolean
  onGoOn: (transfer: PastTransfer) => void
}) {
  return (
    <section aria-label="Carried so far" className="mt-5 border-t pt-3">
      <h3 className="font-semibold">Carried so far</h3>
      <ul className="mt-1 divide-y">
        {past.map((one) => (
          <PastLine key={one.id} transfer={one} busy={busy} onGoOn={() => onGoOn(one)} />
        ))}
      </ul>
    </section>
  )
}

function PastLine({ transfer, busy, onGoOn }: { transfer: PastTransfer; busy: boolean; onGoOn: () => void }) {
  const { id, bodyName, bodyId, source, compared, startedAt, files, stage, outcome } = transfer
  const backup = files.find(({ role }) => role === 'backup')
  const router = useRouter()
  const [lines, setLines] = useState(transfer.handWork)
  const [refusal, setRefusal] = useState<Parameters<typeof RefusalNote>[0]['refusal'] | null>(null)
  const tick = async (setting: string, done: boolean) => {
    const before = lines
    setLines(lines.map((line) => (line.setting === setting ? { ...line, done } : line)))
    const answer = await ask<{ handWork: typeof lines }>(`/api/transfers/${id}`, { setting, done })
    setLines(answer.ok ? answer.value.handWork : before)
    setRefusal(answer.ok ? null : answer.refusal)
  }
  const stop = async () => {
    const answer = await ask(`/api/transfers/${id}`, { ask: 'stop' })
    setRefusal(answer.ok ? null : answer.refusal)
    if (answer.ok) router.refresh()
  }
  const left = lines.filter(({ done }) => !done).length
  // What was ticked last is still seen.
  const [isOpen, setOpen] = useState(left > 0)
  return (
    <li className="grid gap-1 py-2">
      <p>
        <b>{bodyName}</b> · {capital(source)} · {endedWords(transfer)}
        {compared !== null && outcome === 'identical' && ` · ${compared} rows`}
        {stage !== null && ` before “${stageNames[stage]}”`}{' '}
        <span className="text-silt">
          · <When at={startedAt} />
        </span>
      </p>
      {outcome === 'paused' && (
        <p className="flex gap-4">
          <Offer disabled={busy} onClick={onGoOn}>
            Go on with {bodyName}
          </Offer>
          <Offer disabled={busy} onClick={() => void stop()}>
            Stop it
          </Offer>
        </p>
      )}
      {backup && (
        <p>
          <TextLink href={`/carry?source=${encodeURIComponent(`file:${backup.id}`)}&to=${bodyId}`}>
            Put {backup.name} back on {bodyName}
          </TextLink>{' '}
          <span className="text-silt">what it held before</span>
        </p>
      )}
      {transfer.log.length > 0 && (
        <details>
          <summary className="min-h-8 cursor-pointer py-1 text-silt">Stage by stage</summary>
          <ol className="grid gap-0.5">
            {transfer.log.map((line, i) => (
              <li key={i} className="grid grid-cols-[7rem_1fr] gap-x-3">
                <span className={line.outcome === 'done' ? 'text-silt' : 'font-semibold text-rust'}>
                  {stageNames[line.stage]}
                </span>
                <span>{line.message}</span>
              </li>
            ))}
          </ol>
        </details>
      )}
      {lines.length > 0 && outcome === 'identical' && (
        <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary className="min-h-8 cursor-pointer py-1 text-silt">
            Hand work: {left === 0 ? 'all done' : `${left} left`}
          </summary>
          <ul className="grid gap-1">
            {lines.map((line) => (
              <li key={line.setting}>
                <Check checked={line.done} onChange={() => void tick(line.setting, !line.done)}>
                  <b>{line.label}</b> <span className="font-mono text-small text-silt">{line.menu}</span>: set{' '}
                  <b className="font-mono">{line.wanted}</b>
                  {line.tickedAt !== undefined && (
                    <span className="text-silt">
                      {' '}
                      done <When at={line.tickedAt} />
                    </span>
                  )}
                </Check>
              </li>
            ))}
          </ul>
        </details>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </li>
  )
}
