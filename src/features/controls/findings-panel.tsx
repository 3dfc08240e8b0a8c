'use client'

import { addressKeyOf } from '@/core/plan/rows'
import { memo } from 'react'
import { findingsAt, TryFinding, useFindings } from '@/features/desk'
import { Offer } from '@/ui/button'
import { SeveritySign } from '@/ui/severity'

/** Everything found about the keys, worst first, each with its reason and, where there is one, a mend. */
export const FindingsPanel = memo(function FindingsPanel({ onGo }: { onGo: (address: string) => void }) {
  const findings = useFindings()
  if (!findings) return null
  const keys = findingsAt(findings, 'controls').flatMap((finding) => {
    const key = addressKeyOf(finding.row)
    return key === null ? [] : [{ finding, key }]
  })
  return (
    <div>
      <h2 className="font-head text-lead font-semibold">Pick a key on the plate</h2>
      <p className="mt-1 text-silt">
        Click a label, or Tab to it and press Enter. Drag one label onto another to move its function.{' '}
        <kbd className="font-mono">?</kbd> lists the keys.
      </p>
      <h2 className="mt-5 font-head text-lead font-semibold">
        {keys.length === 0 ? 'Nothing will trip you here' : 'Worth a look'}
      </h2>
      <ul className="mt-2 grid gap-2">
        {keys.map(({ finding, key }) => (
          <li
            key={`${finding.check} ${finding.side} ${finding.row} ${finding.rule ?? ''}`}
            className="border bg-sheet px-3 py-2"
          >
            <p className="flex items-baseline justify-between gap-2 text-small">
              <SeveritySign severity={finding.severity} />
              <span className="text-silt">
                {finding.side} · {finding.contexts.length} of {finding.of}
              </span>
            </p>
            <p className="font-semibold">
              <Offer className="font-semibold" onClick={() => onGo(key)}>
                {finding.title}
              </Offer>
            </p>
            <TryFinding finding={finding} className="text-small" />
          </li>
        ))}
      </ul>
    </div>
  )
})
