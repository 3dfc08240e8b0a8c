'use client'

import { addressKeyOf } from '@/core/plan/rows'
import { memo } from 'react'
import type { Finding } from '@/core/checks/finding'
import { FindingList, findingsAt, Places, TryFinding, useFindings } from '@/features/desk'
import { Offer } from '@/ui/button'
import { SeveritySign } from '@/ui/severity'

/** Everything found about the keys, worst first, each with its reason and, where there is one, a mend. */
export const FindingsPanel = memo(function FindingsPanel({ onGo }: { onGo: (address: string) => void }) {
  const findings = useFindings()
  if (!findings) return null
  const mine = findingsAt(findings, 'controls')
  return (
    <div>
      <h2 className="font-head text-lead font-semibold">Pick a key on the plate</h2>
      <p className="mt-1 text-silt">
        Click a label, or Tab to it and press Enter. Drag one label onto another to move its function.{' '}
        <kbd className="font-mono">?</kbd> lists the keys.
      </p>
      <h2 className="mt-5 font-head text-lead font-semibold">
        {mine.every(({ severity }) => severity === 'tidies') ? 'No problems here' : 'Problems'}
      </h2>
      <div className="mt-2 grid gap-2">
        <FindingList findings={mine} card={(finding) => <Line finding={finding} onGo={onGo} />} />
      </div>
    </div>
  )
})

/** One finding in short: its title leads to the key. */
function Line({ finding, onGo }: { finding: Finding; onGo: (address: string) => void }) {
  const key = finding.places.map(({ row }) => addressKeyOf(row)).find((one) => one !== null)
  return (
    <section className="border bg-sheet px-3 py-2">
      <p className="flex items-baseline justify-between gap-2 text-small">
        <SeveritySign severity={finding.severity} />
        <span className="text-silt">
          {finding.sides.join(' and ')} · {finding.contexts.length} of {finding.of}
        </span>
      </p>
      <p className="font-semibold">
        {key == null ? (
          finding.title
        ) : (
          <Offer className="font-semibold" onClick={() => onGo(key)}>
            {finding.title}
          </Offer>
        )}
      </p>
      <Places finding={finding} />
      <TryFinding finding={finding} className="text-small" />
    </section>
  )
}
