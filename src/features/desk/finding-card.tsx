'use client'

import { acceptRow } from '@/core/plan/rows'
import { useState } from 'react'
import type { Finding } from '@/core/checks/finding'
import { Offer } from '@/ui/button'
import { SeveritySign } from '@/ui/severity'
import { useDesk } from './desk-context'
import { TryFinding } from './try-link'
import { WhyForm } from './why-form'

/** One finding in full: reason, where it holds, and its mend. */
export function FindingCard({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const border = { blocks: 'border-rust', trips: 'border-lichen', tidies: 'border-rule' }[finding.severity]
  const everywhere = finding.contexts.length === finding.of
  return (
    <section className={`border bg-sheet px-3.5 py-2.5 ${border}`}>
      <p className="text-small">
        <SeveritySign severity={finding.severity} />
        <span className="text-silt">
          {' · '}
          {finding.side}
          {finding.asks && ' · test on body'}
        </span>
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
          onClick={() => desk.applyStep({ ...mend.step, id: desk.newId() })}
        >
          {mend.label}
        </Offer>
      ))}
      <TryFinding finding={finding} className="mt-1 mr-4" />
      <Accept finding={finding} />
    </section>
  )
}

/** Says of one finding that it is meant so, and why: it is not said again. */
function Accept({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const [open, setOpen] = useState(false)
  if (finding.severity === 'blocks') return null
  return (
    <>
      <Offer className="mt-1" aria-expanded={open} onClick={() => setOpen(!open)}>
        It is meant so
      </Offer>
      {open && (
        <WhyForm
          label="Why it is meant so"
          placeholder="Why? It is kept with the plan"
          ways={[
            {
              words: 'Keep',
              onKeep: (why) => desk.set({ [acceptRow(finding.check, finding.row)]: why }),
            },
          ]}
        />
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
