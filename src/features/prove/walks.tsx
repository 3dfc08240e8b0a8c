import Link from 'next/link'
import { Button } from '@/ui/button'
import { When } from '@/ui/when'
import type { ProveStationKnown, WalkKnown } from './use-prove-station'

/** Walks of this procedure on this body that have ended, and what they prove of the plan. */
export function EndedWalks({ station }: { station: ProveStationKnown }) {
  if (station.ended.length === 0) return null
  return (
    <section aria-label="Records" className="mt-4 border-t pt-3">
      <h3 className="font-head text-lead font-semibold">Records</h3>
      <ul className="mt-1 grid gap-2">
        {station.ended.map((one) => (
          <Ended key={one.id} one={one} station={station} />
        ))}
      </ul>
    </section>
  )
}

function Ended({ one, station }: { one: WalkKnown; station: ProveStationKnown }) {
  const rows = station.provenBy(one)
  const count = Object.keys(rows).length
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Link href={`/walks/${one.id}`} className="font-semibold text-brine underline underline-offset-3">
        <When at={one.endedAt ?? one.updatedAt} />
      </Link>
      <span className="text-silt">
        {one.revision === null ? 'draft' : `revision ${one.revision}`}, {Object.keys(one.walk.rows).length}{' '}
        ticked
      </span>
      {count > 0 ? (
        <Button onClick={() => station.keep(rows)}>Note in the plan what it proved</Button>
      ) : (
        <span className="text-small text-silt">noted in the plan</span>
      )}
    </li>
  )
}
