'use client'

import type { Finding } from '@/core/checks/finding'
import { useState } from 'react'
import { Button, Offer } from '@/ui/button'
import { SeveritySign } from '@/ui/verdict'
import { useDesk } from './desk-context'

/** One finding in full: reason, where it holds, and its mend. */
export function FindingCard({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const border = { blocks: 'border-rust', trips: 'border-lichen', tidies: 'border-rule' }[finding.severity]
  const everywhere = finding.contexts.length === finding.of
  return (
    <section className={`border bg-sheet px-3.5 py-2.5 ${border}`}>
      <p className="text-small">
        <SeveritySign severity={finding.severity} />
        {finding.asks && <span className="text-silt"> · test on body</span>}
      </p>
      <p className="font-semibold">{finding.title}</p>
      <p>{finding.reason}</p>
      <p className="mt-1 text-small text-silt">
        {everywhere ? `In all ${finding.of} states looked at.` : `In ${finding.contexts.join('; ')}.`}
        {finding.rule && ` Rule: ${finding.rule}.`}
      </p>
      {finding.mends.map((mend) => (
        <Offer
          key={mend.label}
          className="mt-1 mr-4"
          onClick={() => desk.take({ ...mend.step, id: crypto.randomUUID() })}
        >
          {mend.label}
        </Offer>
      ))}
      <Accept finding={finding} />
    </section>
  )
}

/** Says of one finding that it is meant so, and why: it is not said again. */
function Accept({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const [open, setOpen] = useState(false)
  const [why, setWhy] = useState('')
  const keep = () => {
    if (why.trim() !== '') desk.set({ [`accept/${finding.check}/${finding.row}`]: why.trim() })
  }
  if (finding.severity === 'blocks') return null
  return (
    <>
      <Offer className="mt-1" aria-expanded={open} onClick={() => setOpen(!open)}>
        It is meant so
      </Offer>
      {open && (
        <p className="mt-1 flex gap-2">
          <input
            autoFocus
            aria-label="Why it is meant so"
            maxLength={500}
            value={why}
            placeholder="Why? It is kept with the plan"
            onChange={(event) => setWhy(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && keep()}
            className="min-h-9 min-w-0 flex-1 rounded border bg-crust px-2 placeholder:text-silt"
          />
          <Button disabled={why.trim() === ''} onClick={keep}>
            Keep
          </Button>
        </p>
      )}
    </>
  )
}

/** Findings one under the other. */
export function FindingList({ findings }: { findings: readonly Finding[] }) {
  return findings.map((finding) => (
    <FindingCard
      key={`${finding.check} ${finding.side} ${finding.row} ${finding.rule ?? ''}`}
      finding={finding}
    />
  ))
}
