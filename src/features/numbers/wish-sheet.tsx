'use client'

import Link from 'next/link'
import { termOf } from '@/core/vocabulary/terms'
import { situationName } from '@/core/plan/situations'
import { useAnswer, useDesk, useDeskPart, usePlan, useReach } from '@/features/desk'
import { Select } from '@/ui/select'
import { Options } from './advice-sheet'
import { SheetFrame } from './sheet-frame'
import type { Numbers } from './use-numbers'

/** Where a need is best met: keys, function menu, own menu, bank, hold set, by what the whole plan then takes. */
export function WishSheet({ numbers: { typed, type, take } }: { numbers: Numbers }) {
  const { planId } = useDesk().start
  const posture = useDeskPart('posture')
  const plan = usePlan()
  const reach = useReach()
  const needs = [...(reach?.reached ?? [])]
    .filter(({ absent }) => !absent)
    .sort((one, two) => two.perOuting - one.perOuting)
    .map(({ need }) => need)
  const wanted = needs.find((need) => `${need.situation}/${need.what}` === typed.need) ?? needs[0]
  const advice = useAnswer<'wish'>(
    wanted ? { kind: 'wish', situation: wanted.situation, what: wanted.what, posture } : null,
  )
  return (
    <SheetFrame
      name="Where to put a need"
      asks="Key, function menu, own menu, bank or hold set? Each is tried, and the whole outing reckoned anew."
    >
      {wanted ? (
        <>
          <label className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1">
            <span className="text-small text-silt">Need</span>
            <Select
              label="Need"
              value={`${wanted.situation}/${wanted.what}`}
              options={needs.map((need) => [
                `${need.situation}/${need.what}`,
                `${termOf(need.what)}, ${need.perOuting} times in ${situationName(plan, need.situation)}`,
              ])}
              onPick={(need) => type('need', need)}
              className="min-h-9 max-w-full min-w-0 rounded-md border bg-crust px-2 pointer-coarse:min-h-11"
            />
          </label>
          {advice ? (
            <Options advice={advice} onTake={take} />
          ) : (
            <p className="mt-3 text-silt">Being tried …</p>
          )}
        </>
      ) : (
        <p className="mt-3">
          {reach === null ? (
            'Being reckoned …'
          ) : (
            <>
              The plan has no needs yet.{' '}
              <Link href={`/plans/${planId}/foundation`} className="font-semibold text-brine underline">
                Say what you shoot
              </Link>
            </>
          )}
        </p>
      )}
    </SheetFrame>
  )
}
