'use client'

import { Change, percent, secondsOf } from '@/features/reach'
import type { Outcome } from './outcome'
import { useReach } from '@/features/desk'

/** What the last change did to the reach. */
export function OutcomeLine({ outcome: { before } }: { outcome: Outcome }) {
  const now = useReach()
  if (!now || !before || now.reached.length === 0) return null
  const same = Math.abs(now.seconds - before.seconds) < 0.05 && Math.abs(now.byUse - before.byUse) < 0.005
  return (
    <p role="status" className="border bg-sheet px-3.5 py-2">
      {same ? (
        'No need comes any quicker or slower by it.'
      ) : (
        <>
          {secondsOf(now.seconds)} an outing{' '}
          <Change amount={now.seconds - before.seconds} unit="s" lessIsGood />, {percent(now.byUse)} at the
          finder <Change amount={now.byUse - before.byUse} unit="%" />
        </>
      )}
    </p>
  )
}
