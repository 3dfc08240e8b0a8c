'use client'

import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { ask } from '@/ui/ask'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { TextLink } from '@/ui/text-link'
import type { WalkStart } from './start'

/** Writes the limits that were rated into the plan, and says what they are; what was rated is saved first. */
export function LimitsTask({
  start,
  isSaved,
}: {
  start: Pick<WalkStart, 'id' | 'planId'>
  /** Whether everything that was said on this walk is with the server. */
  isSaved: boolean
}) {
  const [written, setWritten] = useState<{ words: string; isNew: boolean } | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const write = async () => {
    const done = await ask<{ words: string; isNew: boolean }>(`/api/walks/${start.id}/limits`, {})
    setRefusal(done.ok ? null : done.refusal)
    if (done.ok) setWritten(done.value)
  }
  return (
    <section aria-label="Limits" className="grid gap-2 border bg-sheet p-4">
      {written ? (
        <p role="status">
          {written.words} {written.isNew ? 'The plan says so now: ' : 'The plan says so already: '}
          <TextLink href={`/plans/${start.planId}/foundation`}>You, at Foundation</TextLink>
        </p>
      ) : (
        <>
          <p className="text-silt">
            The lowest stop that is rated in need, and the lowest that is rated never. What you said there
            before is replaced; undo at the plan brings it back.
          </p>
          <Button main className="min-h-12" disabled={!isSaved} onClick={() => void write()}>
            Write the limits under You
          </Button>
        </>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </section>
  )
}
