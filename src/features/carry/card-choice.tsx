'use client'

import { useState } from 'react'
import type { Refusal } from '@/core/result'
import type { BodyLine } from '@/features/bodies'
import { RefusalNote } from '@/ui/refusal-note'

/** What the card of a simulated body is like: for trying how it refuses. */
export function CardChoice({
  body,
  disabled,
  onChanging,
}: {
  body: BodyLine
  disabled: boolean
  /** Told when a change is on its way to the body, and when it has arrived or been lost. */
  onChanging: (underWay: boolean) => void
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const change = async (condition: string) => {
    onChanging(true)
    setRefusal(await sendCondition(body.id, condition))
    onChanging(false)
  }
  return (
    <>
      <label className="text-small text-silt">
        Card in {body.name} (a simulated body)
        <select
          value={body.card}
          disabled={disabled}
          onChange={(event) => void change(event.target.value)}
          className="mt-0.5 block min-h-9 w-full rounded border bg-sheet px-2 text-body text-ink"
        >
          <option value="ready">in the body, ready</option>
          <option value="locked">in the body, locked</option>
          <option value="full">in the body, full</option>
          <option value="none">no card</option>
        </select>
      </label>
      {refusal && <RefusalNote refusal={refusal} />}
    </>
  )
}

/** Changes the card; gives the reason where it was not changed. */
async function sendCondition(body: string, condition: string): Promise<Refusal | null> {
  try {
    const response = await fetch(`/api/bodies/${body}/card`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ condition }),
    })
    if (response.ok) return null
    const said = (await response.json()) as { refusal?: Refusal }
    return said.refusal ?? { code: 'fault', message: 'The card was not changed.' }
  } catch {
    return {
      code: 'unreachable',
      message: 'The server did not answer. What the card is like shows when this page is loaded again.',
    }
  }
}
