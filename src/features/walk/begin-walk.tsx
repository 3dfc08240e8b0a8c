'use client'

import { useRouter } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import type { ProcedureId } from '@/core/procedures/catalogue'
import type { StartingPoint } from '@/core/procedures/order'
import type { Refusal } from '@/core/result'
import { Offer } from '@/ui/button'
import { ask } from '@/ui/ask'
import { RefusalNote } from '@/ui/refusal-note'

/** What a walk is begun for. */
export interface WalkAsked {
  readonly planId: string
  readonly procedure: ProcedureId
  readonly body: string
  readonly start?: StartingPoint
  readonly place?: string
}

/** Begins a walk, or goes on with the one that is open; gives its address, or why there is none. */
export async function beginWalk({ planId, ...asked }: WalkAsked) {
  const begun = await ask<{ walk: string }>(`/api/plans/${planId}/walks`, asked)
  return begun.ok ? ({ ok: true, value: `/walks/${begun.value.walk}` } as const) : begun
}

/** An offer to go through something act by act. */
export function BeginWalk({ asked, children }: { asked: WalkAsked; children: ReactNode }) {
  const router = useRouter()
  const [isBusy, setBusy] = useState(false)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const begin = async () => {
    setBusy(true)
    const begun = await beginWalk(asked)
    setBusy(false)
    if (begun.ok) router.push(begun.value)
    else setRefusal(begun.refusal)
  }
  return (
    <>
      <Offer disabled={isBusy} onClick={() => void begin()}>
        {children}
      </Offer>
      {refusal && <RefusalNote refusal={refusal} />}
    </>
  )
}
