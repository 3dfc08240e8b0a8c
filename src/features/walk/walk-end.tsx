'use client'

import { useState } from 'react'
import { recordOf, type progressOf, type Walk } from '@/core/procedures/progress'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { When } from '@/ui/when'
import { StandingSign } from './standing-sign'
import type { WalkAct, WalkStart } from './start'
import { turnWalk } from './turn'
import { NotDone } from '@/ui/not-done'

/** The end of a walk: what came of it, and its record. */
export function WalkEnd({
  start,
  walk,
  progress,
}: {
  start: WalkStart
  walk: Walk
  progress: ReturnType<typeof progressOf<WalkAct>>
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const { lines, gone } = recordOf(walk, start)
  // What was done without a word is counted; the rest is told.
  const told = lines.filter(({ standing, said }) => standing !== 'done' || said?.words)
  const turn = async (to: 'end' | 'goOn') => {
    const refused = await turnWalk(start.id, to)
    setRefusal(refused)
    if (!refused) location.reload()
  }
  return (
    <section aria-label="Record" className="grid gap-3 border bg-sheet p-4">
      <h2 className="font-head text-title font-semibold">
        {start.acts.length === 0 ? 'Nothing to do' : start.endedAt === null ? 'All of it is over' : 'Ended'}
      </h2>
      {start.acts.length === 0 && <p>The body holds what this would set already.</p>}
      {start.endedAt !== null && (
        <p className="text-silt">
          Ended <When at={start.endedAt} />. The record is kept with the body
          {start.body === null ? '' : ` ${start.body}`}.
        </p>
      )}
      <p className="text-lead tabular-nums">
        {progress.done} done · {progress.skipped} skipped · {progress.differs} seen otherwise
        {progress.open + progress.anew > 0 && ` · ${progress.open + progress.anew} left open`}
      </p>
      {told.length > 0 && (
        <ul className="grid gap-1">
          {told.map(({ act, standing, said }) => (
            <li key={act.id} className="border-t pt-1">
              {act.words} <StandingSign standing={standing} />
              {said && said.words !== '' && <span>: {said.words}</span>}
            </li>
          ))}
        </ul>
      )}
      {gone.length > 0 && (
        <p className="text-silt">
          Ticked before, and asked for no more: {gone.length} {gone.length === 1 ? 'act' : 'acts'}.
        </p>
      )}
      <NotDone {...start} />
      {refusal && <RefusalNote refusal={refusal} />}
      <p className="flex flex-wrap gap-2 print:hidden">
        {start.endedAt === null ? (
          <Button main className="min-h-12" onClick={() => void turn('end')}>
            Keep the record
          </Button>
        ) : (
          <Button className="min-h-12" onClick={() => void turn('goOn')}>
            Go on with it
          </Button>
        )}
        <a
          href={`/plans/${start.planId}/prove`}
          className="grid min-h-12 items-center font-semibold text-brine underline underline-offset-3"
        >
          Back to Prove
        </a>
      </p>
    </section>
  )
}
