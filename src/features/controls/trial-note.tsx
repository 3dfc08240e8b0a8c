'use client'

import type { RowChange } from '@/core/analysis/questions'
import type { Finding } from '@/core/checks/finding'
import { useFindings, useReach, useTrial } from '@/features/desk'
import type { ReachReport } from '@/core/reach/report'
import { Change } from '@/features/reach'

/** What the change in the hand would do. */
export function Trial({ rows }: { rows: readonly RowChange[] }) {
  const trial = useTrial(rows)
  const reach = useReach()
  const findings = useFindings()
  if (!trial || !reach || !findings) return null
  return <TrialNote before={reach} reach={trial.reach} was={findings} findings={trial.findings} />
}

/** What a change in the hand would do: to the seconds of an outing, to what is reached at the finder, and what becomes a problem. */
function TrialNote({
  before,
  reach,
  was,
  findings,
}: {
  before: ReachReport
  reach: ReachReport
  was: readonly Finding[]
  findings: readonly Finding[]
}) {
  const name = (one: Finding) => `${one.check} ${one.side} ${one.row} ${one.rule ?? ''}`
  const known = new Set(was.map(name))
  const fresh = findings.filter((one) => one.severity !== 'tidies' && !known.has(name(one)))
  return (
    <div className="text-small">
      <p className="flex gap-2">
        <Change amount={reach.seconds - before.seconds} unit="s" lessIsGood />
        <Change amount={reach.byUse - before.byUse} unit="%" />
      </p>
      {fresh.slice(0, 2).map((one) => (
        <p key={name(one)} className="max-w-60 text-lichen">
          {one.title}
        </p>
      ))}
    </div>
  )
}
