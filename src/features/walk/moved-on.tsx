'use client'

import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { Notice } from '@/features/documents'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import type { WalkStart } from './start'
import { turnWalk } from './turn'

/** What has changed around a walk since it began: the plan, or the body. */
export function MovedOn({ start }: { start: WalkStart }) {
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const follow = async () => {
    const refused = await turnWalk(start.id, 'follow')
    setRefusal(refused)
    if (!refused) location.reload()
  }
  return (
    <>
      {start.isBodyGone && (
        <Notice title={`${start.body ?? 'This body'} is gone.`}>
          It is not in your inventory any more. What was ticked is kept; the walk can be gone on with, or
          ended.
        </Notice>
      )}
      {start.movedOnTo !== null && (
        <Notice
          title="The plan has moved on."
          ways={
            <Button onClick={() => void follow()}>
              Go on with {start.movedOnTo === 'plan' ? 'the plan as it is' : `revision ${start.movedOnTo}`}
            </Button>
          }
        >
          This walk goes through revision {start.revision}. What is done stays done; what now asks for
          something else is open again.
        </Notice>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </>
  )
}
