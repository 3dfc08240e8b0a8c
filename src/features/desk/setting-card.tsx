'use client'

import { showValue } from '@/core/model/domain'
import { factoryValue, lookup } from '@/core/model/lookup'
import { baseRows } from '@/core/plan/cells'
import { describeRow, rowValue } from '@/core/plan/rows'
import { Button } from '@/ui/button'
import { useDesk, usePlan } from './desk-context'
import { SettingLabel } from './setting-label'
import { ValueField } from './value-field'

/** A setting that stands on no key and in no menu of the plan: its values, each where it is kept, to be changed here. */
export function SettingCard({ id, onBack }: { id: string; onBack: () => void }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const setting = lookup(model).settings.get(id)
  if (!setting) return null
  const factory = factoryValue(model, id)
  const rows = setting.place === 'physical' ? [] : baseRows(model, plan.rows, setting)
  return (
    <section aria-label={setting.label} className="grid gap-2">
      <h2 className="font-head text-lead font-semibold">
        <SettingLabel setting={setting} />
      </h2>
      <p className="text-small text-silt">{lookup(model).menuAddress.get(id) ?? 'In no menu.'}</p>
      {rows.length === 0 && <p>It is set by hand on the body: a plan cannot hold it.</p>}
      {rows.map((row) => (
        <div key={row} className="grid gap-0.5 sm:grid-cols-[minmax(0,1fr)_16rem] sm:items-center">
          <span>{describeRow(model, row)}</span>
          <ValueField
            setting={setting}
            label={describeRow(model, row)}
            value={rowValue(plan.rows, row)}
            inherits={`${factory === undefined ? 'nothing' : showValue(setting.domain, factory)} (as delivered)`}
            onKeep={(value) => desk.set({ [row]: value })}
            className="w-full"
          />
        </div>
      ))}
      <p>
        <Button onClick={onBack}>Find something else</Button>
      </p>
    </section>
  )
}
