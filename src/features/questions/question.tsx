'use client'

import { useState } from 'react'
import type { StateValues } from '@/core/analysis/questions'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { Setting, Side } from '@/core/model/types'
import { baseRow, defaultWhereabouts } from '@/core/plan/cells'
import { describeStep, rowValue, schoolRow, type RowId } from '@/core/plan/rows'
import { schoolFor } from '@/core/plan/schools'
import { commonSettings } from '@/core/vocabulary/catalogue'
import type { Dispute } from '@/core/vocabulary/schools'
import { useDesk, useFindings, usePlan, ValueField } from '@/features/desk'
import { Offer } from '@/ui/button'
import { HeadedFold } from '@/ui/fold'
import { ScopeChoice, scopesOf } from './answer-scope'

/** A question that owners answer differently: the reason of every side, for the whole plan or a part, and what an answer still wants done. */
export function Question({
  dispute,
  side,
  state,
  hasFields = true,
}: {
  dispute: Dispute
  side: Side
  /** The state looked at; null where it is not known. */
  state: StateValues | null
  /** Whether its settings can be set here. */
  hasFields?: boolean
}) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const [picked, setPicked] = useState<RowId | null>(null)
  const scopes = scopesOf(model, plan, side, dispute.id)
  // What is shown first is the side, where it has an answer of its own.
  const apart = schoolRow(dispute.id, { side })
  const shown = picked ?? (rowValue(plan.rows, apart) === null ? null : apart)
  const scope = scopes.find((one) => one.row === shown) ?? scopes[0]
  const { row } = scope
  const yours = rowValue(plan.rows, row)
  const usual = schoolFor(plan, dispute.id, side)
  const settings = dispute.settings.flatMap((means) => lookup(model).byMeaning.get(means) ?? [])
  const idle = settings.flatMap((setting) => state?.idle[setting.id] ?? [])
  return (
    <HeadedFold
      className="border bg-sheet"
      summaryClass="min-h-11 cursor-pointer px-3 py-2"
      summary={
        <>
          <span className="font-semibold">{dispute.question}</span>{' '}
          <span className="text-small text-silt">
            {dispute.schools.find((one) => one.id === usual)?.name ?? 'not said'}
            {state &&
              ` · ${settings.map((setting) => showValue(setting.domain, state.values[setting.id])).join(', ')}`}
            {idle.length > 0 && <b className="font-semibold text-lichen"> · does nothing here</b>}
          </span>
        </>
      }
    >
      {() => (
        <div className="grid gap-2 border-t px-3 py-2.5">
          {idle.length > 0 && <p className="text-small text-lichen">{idle.join(' ')}</p>}
          {hasFields &&
            settings.map((setting) => <BaseValue key={setting.id} setting={setting} side={side} />)}
          <ScopeChoice
            plan={plan}
            scopes={scopes}
            chosen={scope}
            onChoose={setPicked}
            onClear={() => desk.set({ [row]: null })}
          />
          <div role="radiogroup" aria-label={dispute.question} className="grid gap-1.5">
            {dispute.schools.map((school) => (
              <label key={school.id} className="grid cursor-pointer grid-cols-[18px_1fr] gap-1.5">
                <input
                  type="radio"
                  name={row}
                  checked={school.id === yours}
                  onChange={() => desk.set({ [row]: school.id })}
                  className="mt-1 size-4 accent-brine"
                />
                <span>
                  <b className="font-semibold">{school.name}.</b> {school.reason}
                </span>
              </label>
            ))}
          </div>
          {yours !== null && <DoneSo rows={[row, ...settings.flatMap(scope.rowsOf)]} />}
        </div>
      )}
    </HeadedFold>
  )
}

/** What is still set otherwise than the answer has it, in the rows where that shows; each with its step. */
function DoneSo({ rows }: { rows: readonly RowId[] }) {
  const desk = useDesk()
  const findings = useFindings()
  const { model } = desk.start
  const open = (findings ?? []).filter(
    ({ check, places }) => check === 'against-school' && places.some(({ row }) => rows.includes(row)),
  )
  const mends = open.flatMap((finding) => finding.mends)
  if (findings === null) return null
  if (open.length === 0) return <p className="text-small text-samphire">Nothing to change for it.</p>
  return (
    <div role="group" aria-label="To do it so" className="border-l-2 border-pan pl-2">
      {open.map(({ title }) => (
        <p key={title}>{title}.</p>
      ))}
      {mends.map((mend) => (
        <p key={mend.label}>
          <Offer onClick={() => desk.applyStep({ ...mend.step, id: desk.newId() })}>
            {mend.label}: {describeStep(model, mend.step)}
          </Offer>
        </p>
      ))}
    </div>
  )
}

/** A setting of base on this side, in its own words. */
function BaseValue({ setting, side }: { setting: Setting; side: Side }) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  return (
    <div className="grid grid-cols-[1fr_150px] items-start gap-2">
      <p className="leading-tight">
        {setting.label}
        <span className="block text-small text-silt">
          {setting.means === null ? '' : commonSettings.get(setting.means)?.plain}
        </span>
      </p>
      <ValueField
        setting={setting}
        label={`${setting.label} in base`}
        value={rowValue(plan.rows, row)}
        inherits={showValue(setting.domain, setting.factory)}
        onKeep={(value) => desk.set({ [row]: value })}
        className="w-full"
      />
    </div>
  )
}
