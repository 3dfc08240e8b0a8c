'use client'

import { showValue, valuesOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { baseRow, plainly } from '@/core/plan/cells'
import { plannedSlots } from '@/core/plan/plan'
import { rowValue } from '@/core/plan/step'
import { contextIn } from '@/core/resolve/context'
import { pressRecord, pressSwap } from '@/core/resolve/filming'
import type { Value } from '@/core/vocabulary/values'
import { useDesk, useDeskView } from '@/features/desk/desk-context'

/** Which bank the record key films with when it is pressed in stills, and where the swap key goes. */
export function FilmWith() {
  const desk = useDesk()
  const { plan } = useDeskView()
  const { model } = desk.start
  if (!model.filming) return null
  const stills = contextIn(model, 'stills', null)
  const record = pressRecord(model, plan, stills)
  const swap = pressSwap(model, plan, stills)
  const slots = plannedSlots(model, plan)
  const unsure = lookup(model).doubts.has('filming/swapTo')
  const goes = unsure
    ? 'test on body'
    : swap.because.replace(/(, and nobody.*)?\.$/, '').replace(/^It goes to /, '')
  const names = record.to.map(({ banks }) => {
    const slot = slots.find((one) => Object.values(banks).includes(one.slot) && one.side === 'motion')
    return slot?.name ?? 'the plain film settings'
  })
  const setting = lookup(model).settings.get(model.filming.namedBy ?? '')
  const row = setting && baseRow(plan.rows, setting, plainly(model, 'stills'))
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
        <select
          aria-label={setting.label}
          value={JSON.stringify(rowValue(plan.rows, row) ?? setting.factory)}
          onChange={(event) => desk.set({ [row]: JSON.parse(event.target.value) as Value })}
          className="min-h-8 rounded border bg-crust px-1 text-ink"
        >
          {(valuesOf(setting.domain) ?? []).map((value) => (
            <option key={JSON.stringify(value)} value={JSON.stringify(value)}>
              {showValue(setting.domain, value)}
            </option>
          ))}
        </select>
      )}
      <span>
        · Swap: <b className="font-semibold text-ink">{goes}</b>
      </span>
    </p>
  )
}
