'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'

/** Starts an empty plan for a model: every row as delivered. */
export function NewPlan({ models }: { models: readonly { id: string; name: string; version: number }[] }) {
  const router = useRouter()
  const [model, setModel] = useState(models[0]?.id ?? '')
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const begin = async () => {
    setRefusal(null)
    const response = await fetch('/api/plans', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ model }),
    }).catch(() => null)
    const answer = (await response?.json().catch(() => null)) as {
      kind: string
      id?: string
      refusal?: Refusal
    } | null
    if (answer?.id) router.push(`/plans/${answer.id}/foundation`)
    else
      setRefusal(
        answer?.refusal ?? {
          code: 'unreachable',
          message:
            'The server did not answer. If the plan was made after all, it stands on the shelf when this page is loaded again.',
        },
      )
  }
  if (models.length === 0) return null
  return (
    <div className="grid gap-2">
      <div className="flex gap-2">
        <select
          aria-label="Model of the new plan"
          value={model}
          onChange={(event) => setModel(event.target.value)}
          className="min-h-9 rounded-md border bg-sheet px-2"
        >
          {models.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
        <Button onClick={() => void begin()}>Start a plan</Button>
      </div>
      {refusal && <RefusalNote refusal={refusal} />}
    </div>
  )
}
