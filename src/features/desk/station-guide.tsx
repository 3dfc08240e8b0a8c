'use client'

import Link from 'next/link'
import { useEffect, useState } from 'react'
import { Offer } from '@/ui/button'
import { endGuide, guidedPast, guidePast } from '@/ui/guide'
import { stations } from './stations'

/** What a station is for, said once to whoever has just started this plan, and which comes next. */
export function StationGuide({ planId, station }: { planId: string; station: string }) {
  const [shown, show] = useState<string | null>(null)
  useEffect(() => {
    const past = guidedPast(planId)
    const isNew = past !== null && !past.includes(station)
    if (isNew) guidePast(planId, station)
    // What the browser keeps is known after the page is there.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    show(isNew ? station : null)
  }, [planId, station])
  const at = stations.findIndex(({ path }) => path === shown)
  const [here, next] = [stations[at], stations[at + 1]]
  if (!here || shown !== station) return null
  return (
    <aside
      aria-label="What this is for"
      className="not-printed flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b bg-glass px-5 py-2"
    >
      <p className="min-w-0">
        <b className="font-semibold">{here.name}.</b> {here.purpose}
      </p>
      {next && (
        <Link href={`/plans/${planId}/${next.path}`} className="font-semibold text-brine underline">
          Next: {next.name}
        </Link>
      )}
      <Offer
        className="ml-auto text-small"
        onClick={() => {
          endGuide(planId)
          show(null)
        }}
      >
        I know my way
      </Offer>
    </aside>
  )
}
