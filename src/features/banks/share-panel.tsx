'use client'

import { useState } from 'react'
import { sharesOf } from '@/core/banks/leaks'
import type { Side } from '@/core/model/types'
import { unshare, share } from '@/core/plan/share'
import { SettingLabel, useDesk, usePlan } from '@/features/desk'
import { Check } from '@/ui/check'
import { Select } from '@/ui/select'

/** What stills and motion share, and what leaks from one to the other by it. */
export function SharePanel() {
  const desk = useDesk()
  const plan = usePlan()
  const [side, setSide] = useState<Side>('stills')
  const { model } = desk.start
  const shares = sharesOf(model, plan)
  if (shares.length === 0)
    return (
      <p className="text-silt">On this body stills and motion share nothing: each has values of its own.</p>
    )
  return (
    <section aria-label="Share list" className="border bg-sheet px-3 py-2.5">
      <p className="text-small text-silt">
        A ticked row has one value for stills and motion. Parting gives each side what they had together;
        sharing takes the value of{' '}
        <Select
          label="Sharing takes the value of"
          value={side}
          options={model.sides.map((one) => [one, one])}
          onPick={setSide}
          className="rounded border bg-crust text-ink"
        />
        .
      </p>
      <ul className="mt-1 divide-y">
        {shares.map(({ setting, shared, values, leak }) => (
          <li key={setting.id} className="py-1">
            <div className="flex justify-between gap-2">
              <Check
                checked={shared}
                onChange={() => {
                  const step = shared
                    ? unshare(plan, setting, model.sides, desk.newId())
                    : share(plan, setting, side, model.sides, desk.newId())
                  if (step.ok) desk.applyStep(step.value)
                  else desk.refuse(step.refusal)
                }}
              >
                <SettingLabel setting={setting} />
              </Check>
              <span className="font-mono text-small">{values.join(' | ')}</span>
            </div>
            {leak && <p className="text-small text-lichen">It leaks: {leak}.</p>}
          </li>
        ))}
      </ul>
    </section>
  )
}
