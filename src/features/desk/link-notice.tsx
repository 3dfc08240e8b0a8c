import { useState } from 'react'
import type { Refusal } from '@/core/result'
import type { Link } from '@/core/sync/client'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { useDesk, useDeskPart } from './desk-context'
import { Notice } from './notice'

/** Why nothing is saved at the moment, and the ways on: by itself, again, or with the plan as it stands here. */
export function LinkNotice({ link }: { link: Link }) {
  const desk = useDesk()
  const plan = useDeskPart('document')
  const saving = useDeskPart('saving')
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  if (link.kind === 'good') return null
  const { cause } = link
  if (link.kind === 'waiting') {
    return (
      <Notice title="Not saved yet." ways={<Button onClick={() => desk.retry()}>Try now</Button>}>
        {cause.message} Your changes are kept in this browser and sent as soon as it can take them.
      </Notice>
    )
  }
  // Another log stays another log, however often it is asked.
  const isApart = ['other-epoch', 'lost-steps', 'unknown-plan'].includes(cause.code)
  const keepAsNew = async () => {
    const { writePlanFile } = await import('@/core/files/plan-file')
    const address = await openAsNew(writePlanFile({ plan, revision: null }))
    if (typeof address !== 'string') return setRefusal(address)
    await desk.giveUp()
    location.assign(address)
  }
  const giveUp = async () => {
    await desk.giveUp()
    location.reload()
  }
  return (
    <Notice
      title={saving === 'saved' ? 'This page is behind.' : 'Not saved.'}
      ways={
        <>
          <Button main onClick={() => void keepAsNew()}>
            Keep mine as a new plan
          </Button>
          {!isApart && <Button onClick={() => desk.retry()}>Try again</Button>}
          <Button onClick={() => void giveUp()}>Give mine up and load the plan</Button>
        </>
      }
    >
      {cause.message}
      {refusal && <RefusalNote refusal={refusal} />}
    </Notice>
  )
}

async function openAsNew(file: string): Promise<string | Refusal> {
  try {
    const response = await fetch('/api/files?name=kept-from-a-page.plan.json', { method: 'POST', body: file })
    const said = (await response.json()) as { planId?: string; refusal?: Refusal }
    if (said.planId) return `/plans/${said.planId}/controls`
    return said.refusal ?? { code: 'fault', message: 'The server did not say what became of it.' }
  } catch {
    return {
      code: 'unreachable',
      message: 'The server did not answer. Try again: the same plan is never made twice.',
    }
  }
}
