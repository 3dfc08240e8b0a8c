import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { Notice } from './notice'

/** A way to take what is on the page elsewhere, in the words of a button; what it refuses is shown. */
export interface KeptElsewhere {
  readonly label: string
  readonly act: () => Promise<Refusal | null>
}

/** Why nothing is saved any more, and the ways on: again, without what is here, or with it elsewhere. */
export function StoppedNotice({
  cause,
  name,
  hasUnsaved,
  keep,
  onRetry,
  onGiveUp,
}: {
  cause: Refusal
  /** What the document is called, such as "plan". */
  name: string
  hasUnsaved: boolean
  keep: KeptElsewhere | null
  onRetry: () => void
  onGiveUp: () => Promise<void>
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  // Another log stays another log, however often it is asked.
  const isApart = ['other-epoch', 'lost-steps', 'unknown-plan'].includes(cause.code)
  // The door asks for a code at the same address; what is here waits in the browser.
  const isLetGo = cause.code === 'not-let-in'
  const giveUp = async () => {
    await onGiveUp()
    location.reload()
  }
  return (
    <Notice
      title={hasUnsaved ? 'Not saved.' : 'This page is behind.'}
      ways={
        <>
          {keep && (
            <Button main onClick={() => void keep.act().then(setRefusal)}>
              {keep.label}
            </Button>
          )}
          {isLetGo && (
            <Button main onClick={() => location.reload()}>
              Let this device in again
            </Button>
          )}
          {!isApart && <Button onClick={onRetry}>Try again</Button>}
          <Button onClick={() => void giveUp()}>Give mine up and load the {name}</Button>
        </>
      }
    >
      {cause.message}
      {refusal && <RefusalNote refusal={refusal} />}
    </Notice>
  )
}
