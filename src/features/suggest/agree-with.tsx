'use client'

import { useState } from 'react'
import { agreementFrom, type Agreement } from '@/core/suggest/agreement'
import { useShelfNames } from '@/features/desk'
import { Check } from '@/ui/check'

/** Chooses other plans of the owner whose keys are to do the same where they are in the same place. */
export function AgreeWith({
  planId,
  onChoose,
}: {
  planId: string
  onChoose: (agreement: Agreement | null) => void
}) {
  const plans = useShelfNames('').plans.filter(({ id }) => id !== planId)
  const [chosen, setChosen] = useState<readonly string[]>([])
  const [state, setState] = useState('')
  if (plans.length === 0) return null
  const choose = async (ids: readonly string[]) => {
    setChosen(ids)
    onChoose(null)
    setState('')
    if (ids.length === 0) return
    const response = await fetch(`/api/plans/${planId}/agreement`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ with: ids }),
    }).catch(() => null)
    const agreement = agreementFrom(await response?.json().catch(() => null))
    if (!agreement) return setState('What their keys do could not be read just now.')
    onChoose(agreement)
    setState(`${agreement.size} of their keys have their like on this body.`)
  }
  return (
    <fieldset className="mt-2">
      <legend className="text-small text-silt">Keep the keys like those of</legend>
      <div className="max-h-28 overflow-y-auto">
        {plans.map(({ id, title, model }) => (
          <Check
            key={id}
            checked={chosen.includes(id)}
            onChange={() =>
              void choose(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])
            }
          >
            {title} <span className="text-silt">· {model}</span>
          </Check>
        ))}
      </div>
      {state !== '' && (
        <p role="status" className="text-small text-silt">
          {state}
        </p>
      )}
    </fieldset>
  )
}
