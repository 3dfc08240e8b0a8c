import { useState } from 'react'
import type { Followed } from '@/core/fit/edition'
import type { BodyModel } from '@/core/model/types'
import { Button } from '@/ui/button'
import { useDesk, useDeskPart } from './desk-context'
import { Notice } from '@/features/documents'

/** Tells of a newer edition of the plan's model, shows what following it changes, and follows it by one step. */
export function EditionNotice() {
  const desk = useDesk()
  const plan = useDeskPart('document')
  const { model, newerEdition } = desk.start
  const [offer, setOffer] = useState<{ newer: BodyModel; followed: Followed } | null>(null)
  if (newerEdition === null || newerEdition <= plan.model.version) return null
  const look = async () => {
    const response = await fetch(`/api/models/${model.id}/${newerEdition}`).catch(() => null)
    if (!response?.ok)
      return desk.refuse({ code: 'unreachable', message: 'The newer edition cannot be had now. Try again.' })
    const newer = (await response.json()) as BodyModel
    const { followEdition } = await import('@/core/fit/edition')
    setOffer({ newer, followed: followEdition(model, plan, newer, desk.newId()) })
  }
  if (!offer) {
    return (
      <Notice
        title={`Edition ${newerEdition} of ${model.name} is there.`}
        ways={<Button onClick={() => void look()}>See what it changes</Button>}
      >
        This plan stands on edition {plan.model.version} and goes on with it until you say otherwise.
      </Notice>
    )
  }
  const { lines, step } = offer.followed
  return (
    <Notice
      title={`Edition ${newerEdition} of ${model.name}:`}
      ways={
        <>
          <Button onClick={() => setOffer(null)}>Not now</Button>
          <Button
            main
            onClick={() => {
              desk.learn(offer.newer)
              desk.applyStep(step)
            }}
          >
            Follow edition {newerEdition}
          </Button>
        </>
      }
    >
      {lines.length === 0
        ? 'every row of this plan stays as it is.'
        : `${lines.length} of ${Object.keys(plan.rows).length} rows change; undo brings them back.`}
      {lines.length > 0 && (
        <span className="mt-1 grid">
          {lines.map((line) => (
            <span key={line.row}>
              {line.was} → {line.becomes ?? 'left out'}. {line.because}
            </span>
          ))}
        </span>
      )}
    </Notice>
  )
}
