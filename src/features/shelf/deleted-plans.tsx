'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { Offer } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { actOnPlan } from './act-on-plan'

/** Plans that were deleted: all of them is kept, and each can be put back. */
export function DeletedPlans({
  plans,
}: {
  plans: readonly { readonly id: string; readonly title: string; readonly model: string }[]
}) {
  const router = useRouter()
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const restore = async (id: string) => {
    const done = await actOnPlan(id, 'restore')
    setRefusal('refusal' in done ? done.refusal : null)
    router.refresh()
  }
  if (plans.length === 0) return null
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-silt">
        {plans.length} deleted {plans.length === 1 ? 'plan' : 'plans'}
      </summary>
      <ul aria-label="Deleted plans" className="mt-1 divide-y border bg-sheet px-4">
        {plans.map(({ id, title, model }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-3 py-2">
            <span className="font-semibold">{title}</span>
            <span className="text-small text-silt">{model}</span>
            <Offer aria-label={`Restore ${title}`} onClick={() => void restore(id)} className="ml-auto">
              Restore
            </Offer>
          </li>
        ))}
      </ul>
      {refusal && <RefusalNote refusal={refusal} />}
    </details>
  )
}
