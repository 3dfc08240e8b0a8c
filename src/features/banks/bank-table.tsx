'use client'

import { useState } from 'react'
import { showValue, valuesOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { Setting } from '@/core/model/types'
import { plannedSlots, type PlannedSlot } from '@/core/plan/plan'
import { bankRow } from '@/core/plan/rows'
import { baseRow, plainly } from '@/core/plan/cells'
import { rowValue } from '@/core/plan/step'
import { contextIn } from '@/core/resolve/context'
import { resolve } from '@/core/resolve/resolve'
import type { ResolvedSetting } from '@/core/resolve/resolved'
import type { Value } from '@/core/vocabulary/values'
import { Check } from '@/ui/check'
import { useDesk, useDeskView } from '@/features/desk/desk-context'

/** Rows shown although no bank varies them: what decides the light and the movement. */
const alwaysShown = ['movie.frameRate', 'exposure.shutter', 'exposure.aperture', 'exposure.iso']

/** A bank's rows against base: what it varies stands out, what it inherits is quiet, what a rule replaces says why. */
export function BankTable({ planned, stored }: { planned: PlannedSlot; stored: readonly Setting[] }) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const [all, setAll] = useState(false)
  const varied = new Set(
    plannedSlots(model, plan)
      .filter((slot) => slot.side === planned.side)
      .flatMap((slot) => Object.keys(slot.rows)),
  )
  const shown = stored.filter((setting) => {
    const always = setting.means !== null && alwaysShown.includes(setting.means)
    const otherSide = planned.side === 'stills' && setting.id.startsWith('movie.')
    return all || varied.has(setting.id) || (always && !otherSide)
  })
  const state = resolve(model, plan, contextIn(model, planned.side, planned))
  return (
    <>
      <table className="w-full border-collapse">
        <caption className="sr-only">Rows of bank {planned.name} against base</caption>
        <thead>
          <tr className="border-b text-left text-small text-silt">
            <th className="py-1 pr-3 font-normal">Row</th>
            <th className="pr-3 font-normal">Base</th>
            <th className="pr-3 font-normal">This bank</th>
            <th className="font-normal">In force</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((setting) => (
            <BankLine
              key={setting.id}
              setting={setting}
              planned={planned}
              resolved={state.settings.get(setting.id)}
            />
          ))}
        </tbody>
      </table>
      <Check checked={all} onChange={() => setAll(!all)} className="mt-2 min-h-9 text-small">
        Show all {stored.length} rows this bank holds
      </Check>
    </>
  )
}

function BankLine({
  setting,
  planned,
  resolved,
}: {
  setting: Setting
  planned: PlannedSlot
  resolved: ResolvedSetting | undefined
}) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const base =
    rowValue(plan.rows, baseRow(plan.rows, setting, plainly(model, planned.side))) ?? setting.factory
  const own = planned.rows[setting.id] ?? null
  const forced = resolved?.chain.at(-1)?.layer === 'rule' ? resolved.chain.at(-1) : undefined
  const refused = resolved?.remarks.find((remark) => remark.kind === 'unavailable' && remark.truth === 'yes')
  const remark =
    forced?.because ?? refused?.because ?? resolved?.remarks.find((one) => one.truth === 'yes')?.because
  return (
    <tr className="border-b align-top">
      <th scope="row" className="py-1.5 pr-3 text-left font-normal">
        {setting.label}
        <span className="block font-mono text-[13px] text-silt">
          {lookup(model).menuAddress.get(setting.id)}
        </span>
      </th>
      <td className="py-1.5 pr-3 font-mono text-silt">{showValue(setting.domain, base)}</td>
      <td className="py-1 pr-3">
        <ValueField setting={setting} planned={planned} own={own} />
      </td>
      <td className="py-1.5">
        <span
          className={`font-mono ${forced ? 'text-lichen' : refused ? 'text-rust' : own === null ? 'text-silt' : 'font-semibold'}`}
        >
          {showValue(setting.domain, resolved?.value)}
          {refused && ' refused'}
        </span>
        {remark && <span className="block max-w-64 text-small text-silt">{remark}</span>}
      </td>
    </tr>
  )
}

function ValueField({
  setting,
  planned,
  own,
}: {
  setting: Setting
  planned: PlannedSlot
  own: Value | null
}) {
  const desk = useDesk()
  const row = bankRow(planned.family, planned.slot, setting.id)
  const values = valuesOf(setting.domain)
  const look = `min-h-9 w-full max-w-56 rounded border bg-crust px-1.5 font-mono ${own === null ? 'text-silt' : 'border-pan font-semibold text-pan'}`
  if (values) {
    return (
      <select
        aria-label={`${setting.label} in ${planned.name}`}
        value={own === null ? '' : JSON.stringify(own)}
        onChange={(event) =>
          desk.set({ [row]: event.target.value === '' ? null : (JSON.parse(event.target.value) as Value) })
        }
        className={look}
      >
        <option value="">as base</option>
        {values.map((value) => (
          <option key={JSON.stringify(value)} value={JSON.stringify(value)}>
            {showValue(setting.domain, value)}
          </option>
        ))}
      </select>
    )
  }
  if (setting.domain.kind !== 'number') return <span className="text-silt">as base</span>
  const { from, to, step } = setting.domain
  return (
    <input
      type="number"
      aria-label={`${setting.label} in ${planned.name}`}
      placeholder="as base"
      min={from}
      max={to}
      step={step}
      key={JSON.stringify(own)}
      defaultValue={own === null ? '' : Number(own)}
      onBlur={(event) => desk.set({ [row]: event.target.value === '' ? null : Number(event.target.value) })}
      className={look}
    />
  )
}
