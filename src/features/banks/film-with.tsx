'use client'

import { rowValue } from '@/core/plan/rows'
import { baseRow, defaultWhereabouts } from '@/core/plan/cells'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { plannedSlots } from '@/core/plan/plan'
import type { Banks } from '@/core/analysis/questions'
import { useDesk, usePlan, ValueField } from '@/features/desk'

const swapWords = { plain: 'the plain movie settings', 'last-used': 'what was last used' } as const

/** Which bank the record key films with when it is pressed in stills, and where the swap key goes. */
export function FilmWith({ filming: { record, swap } }: { filming: NonNullable<Banks['filming']> }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const { filming } = model
  if (!filming) return null
  const goes = lookup(model).doubts.has('filming/swapTo') ? 'test on body' : swapWords[filming.swapTo]
  const names = record.to.map(({ banks }) => {
    const slot = plannedSlots(model, plan).find((one) => banks[one.family] === one.slot)
    return slot?.name ?? 'the plain movie settings'
  })
  const setting = lookup(model).settings.get(filming.namedBy ?? '')
  const row = setting && baseRow(plan.rows, setting, defaultWhereabouts(model, 'stills'))
  return (
    <p
      className="flex flex-wrap items-baseline gap-x-2 text-small text-silt"
      title={`${record.because} ${swap.because}`}
    >
      <span>
        Record key in stills:{' '}
        <b className="font-semibold text-ink">
          {record.to.length === 0 ? 'does nothing' : `films with ${names.join(' or ')}`}
        </b>
      </span>
      {setting && row && (
        <ValueField
          setting={setting}
          label={setting.label}
          value={rowValue(plan.rows, row)}
          inherits={showValue(setting.domain, setting.factory)}
          onKeep={(value) => desk.set({ [row]: value })}
        />
      )}
      <span>
        · Swap: <b className="font-semibold text-ink">{goes}</b>
      </span>
    </p>
  )
}
